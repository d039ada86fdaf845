import type { Metadata } from 'next'
import { SharePlace } from '@/screens/places'

export const metadata: Metadata = { title: 'In and out' }

export default function SharePage() {
  return <SharePlace />
}
