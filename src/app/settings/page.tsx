import type { Metadata } from 'next'
import { SettingsPlace } from '@/screens/places'

export const metadata: Metadata = { title: 'Settings' }

export default function SettingsPage() {
  return <SettingsPlace />
}
