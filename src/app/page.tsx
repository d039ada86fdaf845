import type { Metadata } from 'next'
import { KitScreen } from '@/screens/kit/KitScreen'

export const metadata: Metadata = { title: 'Kit' }

export default function KitPage() {
  return <KitScreen />
}
