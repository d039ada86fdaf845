import type { Metadata } from 'next'
import { HandbookPlace } from '@/screens/places'

export const metadata: Metadata = { title: 'Handbook' }

export default function HandbookPage() {
  return <HandbookPlace />
}
