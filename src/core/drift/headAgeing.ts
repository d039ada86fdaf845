import type { Diary } from '../log/diary'
import { headLog, type KitState } from '../log/fold'
import { historyOf, type HeadLog } from '../log/headLog'
import type { Drum, Side } from '../records/kit'
import { AirKnown } from './air'
import { ageingOf, type Ageing } from './ageing'
import { Plays } from './plays'

/** What is worked out of a diary stands for an hour: what passes meanwhile is nothing. */
const HOUR_MS = 3600 * 1000
export const hourOf = (ms: number) => Math.floor(ms / HOUR_MS) * HOUR_MS

const daysKnown = new WeakMap<Diary, { hour: number; plays: Plays; air: AirKnown }>()

/** Gigs and air as the diary knows them now. */
export function daysOf(diary: Diary, nowMs: number): { plays: Plays; air: AirKnown } {
  const known = daysKnown.get(diary)
  const hour = hourOf(nowMs)
  if (known?.hour === hour) return known
  const made = { hour, plays: new Plays(diary, hour), air: new AirKnown(diary.air) }
  daysKnown.set(diary, made)
  return made
}

/** When the film that is on was new, as far as anybody said. */
export function newSince(log: Pick<HeadLog, 'fitted'>, drum: Drum, side: Side): number | null {
  const day = drum[side].fittedOn
  const saidMs = day === null ? null : Date.parse(`${day}T12:00:00.000Z`)
  const fittedMs = log.fitted ? Date.parse(log.fitted.at) : null
  // A head that came out of the box was new on another day.
  if (log.fitted?.film !== undefined && saidMs !== null) return saidMs
  return fittedMs ?? saidMs
}

/** How a head ages, from all that its log and the diary say; null where it was never read. */
export function headAgeing(
  { kit, practice, nowMs }: { kit: KitState; practice: boolean; nowMs: number },
  drum: Drum,
  side: Side,
): Ageing | null {
  const log = headLog(kit, drum.id, side, practice)
  const newest = log.sittings.at(-1)
  const days = daysOf(kit.diary, nowMs)
  const work = () =>
    ageingOf(historyOf(log, drum.lugs), { drum, side, newMs: newSince(log, drum, side), ...days })
  return newest ? newest.derive('ageing', [log.past, log.stints, drum, days], work) : work()
}
