import type { Metadata } from 'next'
import { Suspense } from 'react'
import { BenchPlace } from '@/screens/places'

export const metadata: Metadata = { title: 'Bench' }

export default function BenchPage() {
  // Drum, head and step are in the address, which a prerendered page does not know.
  return (
    <Suspense fallback={<p className="p-8 text-soft">Opening the log…</p>}>
      <BenchPlace />
    </Suspense>
  )
}
