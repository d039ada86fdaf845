import type { Metadata } from 'next'
import { RunPlace } from '@/screens/places'

export const metadata: Metadata = { title: 'Retune run' }

export default function RunPage() {
  return <RunPlace />
}
