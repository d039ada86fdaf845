import { benchHead, lastKnown } from '../bench/standing'
import { OUT, sheetTarget, type Fitted } from '../bench/targets'
import { PITCH_PART } from '../evening/confidence'
import type { Diary } from '../log/diary'
import { headLog, type KitState } from '../log/fold'
import { historyOf, type HeadLog } from '../log/headLog'
import type { Drum, Side, Target } from '../records/kit'
import { centsBetween } from '../units/pitch'
import { AirKnown } from './air'
import { ageingOf, standingAt, type Ageing } from './ageing'
import { fanOf, passageOf, type FanDay, type Passage } from './forecast'
import { Plays } from './plays'

/** What is worked out of a diary stands for an hour: what passes meanwhile is nothing. */
const HOUR_MS = 3600 * 1000
const hourOf = (ms: number) => Math.floor(ms / HOUR_MS) * HOUR_MS

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
function headAgeing(kit: KitState, drum: Drum, side: Side, practice: boolean, nowMs: number): Ageing | null {
  const log = headLog(kit, drum.id, side, practice)
  const newest = log.sittings.at(-1)
  const days = daysOf(kit.diary, nowMs)
  const work = () =>
    ageingOf(historyOf(log, drum.lugs), { drum, side, newMs: newSince(log, drum, side), ...days })
  return newest ? newest.derive('ageing', [log.past, log.stints, drum, days], work) : work()
}

/** Where a head is believed to be now, from its last reading and its own causes. */
export interface BelievedNow {
  known: Fitted & { at: string }
  /** Cents since its last reading, with one standard deviation of all that is not known. */
  movedCents: number
  sd: number
}

/** @returns null where its pitch was never read */
export function believedNow(
  kit: KitState,
  drum: Drum,
  side: Side,
  practice: boolean,
  nowMs: number,
): BelievedNow | null {
  const head = benchHead(kit, drum, side, practice, nowMs)
  const known = lastKnown(head)
  if (!known) return null
  const ageing = head.sitting ? null : headAgeing(kit, drum, side, practice, nowMs)
  if (!ageing) return { known, movedCents: 0, sd: known.meanErrorCents }
  const { cents, sd } = standingAt(ageing, nowMs)
  return { known, movedCents: cents - ageing.readCents, sd: Math.hypot(sd, known.meanErrorCents) }
}

/** A head held against its band: as it stands now, and when it leaves. */
export interface HeadForecast extends Passage {
  target: Target
  known: Fitted & { at: string }
  ageing: Ageing
  /** Half the band, beyond which it counts as out, in cents. */
  halfCents: number
  /** From the target's pitch to where the ageing counts from, and what an estimate knows better than the mean of the readings. */
  middleCents: number
  shiftCents: number
}

/** Beyond this a head is out of its band. */
export const halfBand = ({ toleranceCents }: Pick<Target, 'toleranceCents'>) =>
  OUT * PITCH_PART * toleranceCents

/** @returns null without a target, or where its pitch was never read */
export function forecastOf(
  kit: KitState,
  drum: Drum,
  side: Side,
  practice: boolean,
  nowMs: number,
  target: Target | null = sheetTarget(kit, drum.id, side),
): HeadForecast | null {
  const ageing = target && headAgeing(kit, drum, side, practice, nowMs)
  const known = ageing && lastKnown(benchHead(kit, drum, side, practice, nowMs))
  if (!ageing || !known) return null
  const log = headLog(kit, drum.id, side, practice)
  const middleCents = centsBetween(ageing.referenceHz, target.meanHz)
  const shiftCents = centsBetween(ageing.referenceHz, known.meanHz) - ageing.readCents
  const halfCents = halfBand(target)
  const work = (): HeadForecast => ({
    ...passageOf(ageing, { nowMs, middleCents, halfCents, shiftCents }),
    ...{ target, known, ageing, halfCents, middleCents, shiftCents },
  })
  const newest = log.sittings.at(-1)
  return newest
    ? newest.derive('forecast', [ageing, known.at, known.meanHz, target, hourOf(nowMs)], work)
    : work()
}

/** The fan of a head, in cents from its target. */
export function headFan(forecast: HeadForecast, nowMs: number, days: number): FanDay[] {
  const { ageing, middleCents, shiftCents } = forecast
  return fanOf(ageing, nowMs, days, shiftCents - middleCents)
}
