import type { Metadata } from 'next'
import { WelcomePlace } from '@/screens/places'

export const metadata: Metadata = { title: 'My kit' }

export default function WelcomePage() {
  return <WelcomePlace />
}
