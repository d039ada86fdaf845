'use client'

import { useEffect, useState } from 'react'
import type { KitState } from '@/core/log/fold'
import { forecastsInTurn, type Forecasts } from './forecasts'
import { hereOf } from './here'
import { useSession } from './react'

const NONE: Forecasts = new Map()
const HOUR_MS = 3600 * 1000

/** Every head's forecast; empty until they are worked out, anew with every change of the kit and every hour. */
export function useForecasts(kit: KitState | null, nowMs: number): Forecasts {
  const [found, setFound] = useState<Forecasts>(NONE)
  const hour = Math.floor(nowMs / HOUR_MS)
  const session = useSession()
  // By the hour: the clock itself ticks more often than a forecast changes.
  useEffect(() => {
    if (!session || !kit || hour === 0) return
    const here = { ...hereOf(session.get(), kit), nowMs: session.deps.nowMs() }
    return forecastsInTurn(here, (forecasts, done) => done && setFound(forecasts))
  }, [session, kit, hour])
  return found
}
