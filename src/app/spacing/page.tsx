import type { Metadata } from 'next'
import { SpacingPlace } from '@/screens/places'

export const metadata: Metadata = { title: 'Spacing' }

export default function SpacingPage() {
  return <SpacingPlace />
}
