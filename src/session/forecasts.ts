import { headIn } from '@/core/status/drum'
import type { Here } from '@/core/status/inputs'
import { forecastOf, type HeadForecast } from '@/core/status/forecast'
import { headKey } from '@/core/log/headKey'
import type { KitState } from '@/core/log/fold'
import { sidesOf } from '@/core/records/plain'
import type { Drum, Side } from '@/core/records/kit'

/** By `headKey`; null where none can be made. */
export type Forecasts = ReadonlyMap<string, HeadForecast | null>

const headsOf = (kit: KitState) =>
  kit.drums.flatMap((drum) => sidesOf(drum).map((side) => ({ drum, side, key: headKey(drum.id, side) })))

export interface Leaving {
  drum: Drum
  side: Side
  key: string
  forecast: HeadForecast
}

/** Heads by the day on which they leave their band, the first to go at the top. */
export function firstOut(kit: KitState, forecasts: Forecasts): Leaving[] {
  return headsOf(kit)
    .flatMap((head) => {
      const forecast = forecasts.get(head.key)
      return forecast && (forecast.leavesMs !== null || forecast.outNow > 0.5) ? [{ ...head, forecast }] : []
    })
    .sort((a, b) => goes(a.forecast) - goes(b.forecast))
}

/** What was read out goes behind what is yet to leave: that is known, and its place is the run. */
const goes = ({ leavesMs, outNow, readOut }: HeadForecast) =>
  readOut ? Number.MAX_SAFE_INTEGER - outNow : (leavesMs ?? Number.MAX_SAFE_INTEGER / 2) - outNow

/** Works out every head's forecast, one after the other, each in a turn of its own: the page stays awake. */
export function forecastsInTurn(
  here: Here,
  onMore: (forecasts: Forecasts, done: boolean) => void,
): () => void {
  const heads = headsOf(here.kit)
  const found = new Map<string, HeadForecast | null>()
  let timer: ReturnType<typeof setTimeout> | undefined
  const next = () => {
    const head = heads[found.size]
    if (!head) return onMore(new Map(found), true)
    found.set(head.key, forecastOf(here, headIn(here, head.drum, head.side)))
    timer = setTimeout(next)
  }
  timer = setTimeout(next)
  return () => clearTimeout(timer)
}
