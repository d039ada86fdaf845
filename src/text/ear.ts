import { DRILLS, type DrillId } from '@/core/ear/kinds'
import { LIMENS_FROM_HZ, toneLimenCents } from '@/core/ear/limens'
import type { DrillResult } from '@/core/ear/result'
import type { HeadNow, Work } from '@/core/ear/table'
import { fixed } from './shown'
import { turnText } from './turns'

/** What a drill says of the ear, the caution that belongs to it, and how a head set by ear came out. */

const roundTurns = (turns: number) => Math.max(1 / 32, Math.round(turns * 32) / 32)

/** "9 c", "1/8 turn". */
export function levelText(kind: DrillId, level: number): string {
  return DRILLS[kind].unit === 'turns'
    ? `${turnText(roundTurns(level))} turn`
    : `${level < 9.5 ? fixed(level, 1) : Math.round(level)} c`
}

const giveOrTake = (kind: DrillId, error: number) =>
  DRILLS[kind].unit === 'turns' ? turnText(roundTurns(error)) : String(Math.max(1, Math.round(error)))

/** "you hear 9 c, give or take 2"; what is missing where nothing can be said yet. */
export function resultText(kind: DrillId, result: DrillResult): string {
  const { trials, told, threshold, error, skill, beyond } = result
  if (told)
    return `${DRILLS[kind].result} ${levelText(kind, threshold)}, give or take ${giveOrTake(kind, error)}`
  if (trials < 12) return 'too few answers to say'
  if (skill < 0.95) return `not told apart from guessing: ${chanceText(result)}`
  return beyond >= 0.5 ? 'beyond the largest difference of this drill' : 'too few answers to say'
}

/** "lapses about 3 in 100". */
export const lapseText = ({ lapse }: DrillResult): string =>
  `lapses about ${Math.max(1, Math.round(100 * lapse))} in 100`

/** "19 of 40 right; guessing alone does as well once in 3". */
export function chanceText({ right, trials, byChance }: DrillResult): string {
  const odds =
    byChance > 0.9995 ? 'always' : `once in ${Math.max(1, Math.round(1 / Math.max(byChance, 1e-4)))}`
  return `${right} of ${trials} right; guessing alone does as well ${byChance < 1e-4 ? 'less than once in ten thousand' : odds}`
}

/** Beside the published limens of tones. */
export function limenText(thresholdCents: number, hz: number): string {
  const limen = toneLimenCents(hz)
  const times = thresholdCents / limen
  const against =
    times < 0.77
      ? 'finer still'
      : times < 1.3
        ? 'about as fine'
        : times < 10
          ? `${fixed(times, 1)} times as large`
          : `${Math.round(times)} times as large`
  const carried = hz < LIMENS_FROM_HZ ? ` (measured from ${LIMENS_FROM_HZ} Hz up, carried on below)` : ''
  return `For a long pure tone at ${Math.round(hz)} Hz practised listeners tell ${fixed(limen, 1)} c apart${carried}; yours for this drum is ${against}. A tap is short, inharmonic and begins with a click.`
}

export const LIMEN_SOURCE =
  'Wier, Jesteadt and Green 1977, JASA 61, from memory; their point is 70.7% right, here it is 75%.'

export const TIRED =
  'The last answers are worse than the earlier ones lead to expect: the ear is tired. Stop here, rest ten minutes.'
export const LONG_TODAY =
  'More than ten minutes of drills within the hour: listening gets worse before one notices. Rest.'

export const HEARING_CAUTION =
  'Set the volume low before you begin: loud enough to hear the first tap easily, no louder. A level that makes you raise your voice is too much for hours (NIOSH: 85 dBA over 8 hours, half the time for every 3 dB more).'

const inCents = (cents: number) => `${Math.round(Math.abs(cents))} c`

/** How a head stands in one line: "spread 9 c, 4 c under the pitch". */
export function standsText({ spreadCents, offCents }: Pick<HeadNow, 'spreadCents' | 'offCents'>): string {
  const off =
    offCents === null
      ? ''
      : Math.abs(offCents) < 0.5
        ? ', on the pitch'
        : `, ${inCents(offCents)} ${offCents < 0 ? 'under' : 'over'} the pitch`
  return `spread ${inCents(spreadCents)}${off}`
}

/** "3 passes, 2 1/4 turns of the key, 21 taps". */
export function workText({ passes, turns, taps }: Work): string {
  return `${passes} ${passes === 1 ? 'pass' : 'passes'}, ${turnText(Math.round(turns * 8) / 8)} ${turns > 1.06 ? 'turns' : 'turn'} of the key, ${taps} taps`
}
