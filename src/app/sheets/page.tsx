import type { Metadata } from 'next'
import { SheetsScreen } from '@/screens/sheets/SheetsScreen'

export const metadata: Metadata = { title: 'Sheets' }

export default function SheetsPage() {
  return <SheetsScreen />
}
