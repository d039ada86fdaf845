import type { Metadata } from 'next'
import { SheetsPlace } from '@/screens/places'

export const metadata: Metadata = { title: 'Sheets' }

export default function SheetsPage() {
  return <SheetsPlace />
}
