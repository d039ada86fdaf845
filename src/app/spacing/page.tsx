import type { Metadata } from 'next'
import { SpacingScreen } from '@/screens/spacing/SpacingScreen'

export const metadata: Metadata = { title: 'Spacing' }

export default function SpacingPage() {
  return <SpacingScreen />
}
