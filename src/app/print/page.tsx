import type { Metadata } from 'next'
import { Suspense } from 'react'
import { PrintPlace } from '@/screens/places'

export const metadata: Metadata = { title: 'Print a sheet' }

export default function PrintPage() {
  // Which sheet is in the address, which a prerendered page does not know.
  return (
    <Suspense>
      <PrintPlace />
    </Suspense>
  )
}
