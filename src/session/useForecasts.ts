'use client'

import { useEffect, useState } from 'react'
import type { KitState } from '@/core/log/fold'
import { forecastsInTurn, type Forecasts } from './forecasts'

const NONE: Forecasts = new Map()
const HOUR_MS = 3600 * 1000

/** Every head's forecast; empty until they are worked out, anew with every change of the kit and every hour. */
export function useForecasts(kit: KitState | null, nowMs: number): Forecasts {
  const [found, setFound] = useState<Forecasts>(NONE)
  const hour = Math.floor(nowMs / HOUR_MS)
  useEffect(() => {
    if (!kit || nowMs === 0) return
    return forecastsInTurn(kit, nowMs, (forecasts, done) => done && setFound(forecasts))
    // By the hour: the clock itself ticks more often than a forecast changes.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [kit, hour])
  return found
}
