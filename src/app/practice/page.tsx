import type { Metadata } from 'next'
import { PracticePlace } from '@/screens/places'

export const metadata: Metadata = { title: 'Practice' }

export default function PracticePage() {
  return <PracticePlace />
}
