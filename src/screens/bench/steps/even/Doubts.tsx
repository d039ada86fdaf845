'use client'

import { believeReadings } from '@/session/actions/said'
import type { BenchView } from '@/session/benchView'
import { useSession } from '@/session/react'
import { listText } from '@/text/turns'
import { Button } from '@/ui/Button'

/** A reading that was left out can be taken back in; what stands outside the head is never passed over in silence. */
export function Doubts({ view }: { view: BenchView }) {
  const session = useSession()
  const leftOut = view.turnedNow ? [] : (view.advice?.plan.leftOut ?? [])
  if (!session || leftOut.length === 0) return null
  return (
    <Button
      tone="quiet"
      className="-ml-2 self-start underline"
      onClick={() => believeReadings(session, leftOut)}
    >
      Take lug {listText(leftOut)} back in
    </Button>
  )
}
