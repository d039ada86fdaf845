import type { Metadata } from 'next'
import { RunScreen } from '@/screens/run/RunScreen'

export const metadata: Metadata = { title: 'Retune run' }

export default function RunPage() {
  return <RunScreen />
}
