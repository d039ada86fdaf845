import type { Metadata } from 'next'
import { Suspense } from 'react'
import { PrintScreen } from '@/screens/sheets/PrintScreen'

export const metadata: Metadata = { title: 'Print a sheet' }

export default function PrintPage() {
  // Which sheet is in the address, which a prerendered page does not know.
  return (
    <Suspense>
      <PrintScreen />
    </Suspense>
  )
}
