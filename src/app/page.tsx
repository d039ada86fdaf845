import type { Metadata } from 'next'
import { KitPlace } from '@/screens/places'

export const metadata: Metadata = { title: 'Kit' }

export default function KitPage() {
  return <KitPlace />
}
