import type { Metadata } from 'next'
import { LogbookPlace } from '@/screens/places'

export const metadata: Metadata = { title: 'Logbook' }

export default function LogbookPage() {
  return <LogbookPlace />
}
