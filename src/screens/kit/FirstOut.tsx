'use client'

import Link from 'next/link'
import type { KitState } from '@/core/log/fold'
import { firstOut } from '@/session/forecasts'
import { useForecasts } from '@/session/useForecasts'
import { leavesText } from '@/text/forecast'
import { NUMBER_ENTRY } from '@/handbook/links'
import { EntryMark } from '../handbook/EntryLink'

/** What leaves its band first, by the Logbook's forecast; nothing while that is worked out. */
export function FirstOut({ kit, nowMs }: { kit: KitState; nowMs: number }) {
  const forecasts = useForecasts(kit, nowMs)
  if (forecasts.size === 0) return null
  const [first] = firstOut(kit, forecasts).filter(({ forecast }) => !forecast.readOut)
  if (!first) return null
  const { drum, side, forecast } = first
  return (
    <p className="text-soft">
      {leavesText(`${drum.name} ${side}`, forecast, nowMs)}.{' '}
      <Link href="/logbook" className="inline-flex min-h-11 items-center px-1 underline">
        Logbook
      </Link>
      <EntryMark entry={NUMBER_ENTRY.forecast} />
    </p>
  )
}
