'use client'

import Link from 'next/link'
import type { KitState } from '@/core/log/fold'
import { firstOut, lanesOf } from '@/session/logbookView'
import { useForecasts } from '@/session/useForecasts'
import { leavesText } from '@/text/forecast'

/** What leaves its band first, by the Logbook's forecast; nothing while that is worked out. */
export function FirstOut({ kit, nowMs }: { kit: KitState; nowMs: number }) {
  const forecasts = useForecasts(kit, nowMs)
  if (forecasts.size === 0) return null
  const [first] = firstOut(lanesOf(kit, nowMs), forecasts).filter(({ forecast }) => !forecast.readOut)
  if (!first) return null
  const { lane, forecast } = first
  return (
    <p className="text-soft">
      {leavesText(`${lane.drum.name} ${lane.side}`, forecast, nowMs)}.{' '}
      <Link href="/logbook" className="inline-flex min-h-6 items-center underline">
        Logbook
      </Link>
    </p>
  )
}
