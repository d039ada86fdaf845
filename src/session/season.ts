import { heldOccasions } from '@/core/log/diary'
import type { KitState } from '@/core/log/fold'
import type { LaneView } from './logbookView'

/** A season in figures, for one page. */
export interface Season {
  gigs: number
  rehearsals: number
  minutes: number
  rooms: string[]
  sittings: number
  heads: SeasonHead[]
  humidity: { least: number; most: number } | null
  celsius: { least: number; most: number } | null
}

export interface SeasonHead {
  lane: LaneView
  readings: number
  outs: number
  turned: number
  /** Lowest and highest reading, in cents from the target or the newest reading. */
  least: number | null
  most: number | null
  changed: number
}

export function seasonOf(kit: KitState, lanes: readonly LaneView[], fromMs: number, toMs: number): Season {
  const within = (ms: number) => ms >= fromMs && ms < toMs
  const played = heldOccasions(kit.diary).filter(({ on }) => within(Date.parse(on)))
  const air = [...kit.diary.air].filter(([day]) => within(day * 24 * 3600 * 1000))
  const range = (what: 'celsius' | 'humidity') => {
    const all = air.flatMap(([, day]) => (day[what].count ? [day[what].sum / day[what].count] : []))
    return all.length ? { least: Math.min(...all), most: Math.max(...all) } : null
  }
  const days = new Set(
    lanes.flatMap(({ history }) =>
      history.filter(({ from }) => within(Date.parse(from))).map(({ from }) => from.slice(0, 10)),
    ),
  )
  return {
    gigs: played.filter(({ what }) => what === 'gig').length,
    rehearsals: played.filter(({ what }) => what === 'rehearsal').length,
    minutes: played.reduce((sum, { minutes }) => sum + (minutes ?? 0), 0),
    rooms: [...new Set(played.flatMap(({ room }) => room ?? []))],
    sittings: days.size,
    heads: lanes.map((lane) => {
      const points = lane.points.filter(({ ms }) => within(ms))
      const cents = points.map((point) => point.cents)
      return {
        ...{ lane, readings: points.length, outs: points.filter(({ out }) => out).length },
        turned: lane.turns.filter(({ ms }) => within(ms)).length,
        least: cents.length ? Math.min(...cents) : null,
        most: cents.length ? Math.max(...cents) : null,
        changed: lane.changes.filter(within).length,
      }
    }),
    ...{ humidity: range('humidity'), celsius: range('celsius') },
  }
}
