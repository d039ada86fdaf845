import type { Ageing } from '../drift/ageing'
import { fanOf, passageOf, type FanDay, type Passage } from '../drift/forecast'
import { headAgeing, hourOf } from '../drift/headAgeing'
import { PITCH_PART } from '../evening/confidence'
import type { Target } from '../records/kit'
import { centsBetween } from '../units/pitch'
import type { HeadStatus } from './head'
import type { Here } from './inputs'
import { OUT } from './targets'

/** A head held against its band: as it stands now, and when it leaves. */
export interface HeadForecast extends Passage {
  target: Target
  known: NonNullable<HeadStatus['asRead']>
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
  here: Here,
  head: HeadStatus,
  target: Target | null = head.kept,
): HeadForecast | null {
  const { drum, side, log, asRead: known } = head
  const { nowMs } = here
  const ageing = target && headAgeing(here, drum, side)
  if (!ageing || !known) return null
  const middleCents = centsBetween(ageing.referenceHz, target.meanHz)
  const shiftCents = centsBetween(ageing.referenceHz, known.hz) - ageing.readCents
  const halfCents = halfBand(target)
  const work = (): HeadForecast => ({
    ...passageOf(ageing, { nowMs, middleCents, halfCents, shiftCents }),
    ...{ target, known, ageing, halfCents, middleCents, shiftCents },
  })
  const newest = log.sittings.at(-1)
  return newest
    ? newest.derive('forecast', [ageing, known.at, known.hz, target, hourOf(nowMs)], work)
    : work()
}

/** The fan of a head, in cents from its target. */
export function headFan(forecast: HeadForecast, nowMs: number, days: number): FanDay[] {
  const { ageing, middleCents, shiftCents } = forecast
  return fanOf(ageing, nowMs, days, shiftCents - middleCents)
}
