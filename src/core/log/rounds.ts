import type { Round } from '../head/types'
import { CENTS_PER_NEPER } from '../units/pitch'
import type { Pass, Sitting } from './sittings'

/**
 * The rounds of an `even` request from a sitting. A pass under way has turns but no readings after them: it is followed
 * by a round without readings, which is where the forecast stands.
 */
export function roundsOf(sitting: Sitting, lugs: number, includeOpenTurns: boolean): Round[] {
  // One number gives way to lugs that were read after it.
  const byLugs = sitting.passes.findLastIndex(({ readings }) =>
    [...readings.keys()].some((lug) => lug <= lugs),
  )
  const rounds = sitting.passes.map((pass, i) => roundOf(i < byLugs ? { ...pass, whole: null } : pass, lugs))
  const newest = rounds.at(-1)
  if (newest?.turns) {
    if (includeOpenTurns) rounds.push({ pressed: sitting.pressedAfter })
    else delete newest.turns
  }
  return rounds
}

/** One pass as the estimate takes it: poles where they were heard, bare numbers as what they are, each with its own error. */
function roundOf(pass: Pass, lugs: number): Round {
  const all = [...pass.readings.values()].filter(({ lug }) => lug <= lugs)
  const heard = all.filter(({ modes }) => modes.length > 0)
  const bare = new Map(all.filter(({ modes }) => modes.length === 0).map((reading) => [reading.lug, reading]))
  const byLug = <Value>(value: (lug: number) => Value | null | undefined) =>
    Array.from({ length: lugs }, (_, i) => value(i + 1) ?? null)
  const confirmed = [
    ...new Set([...all.filter(({ used }) => used.length > 1).map(({ lug }) => lug), ...pass.believed]),
  ].filter((lug) => lug <= lugs)
  return {
    ...(heard.length ? { readings: heard.map(({ lug, modes }) => ({ lug, modes })) } : {}),
    ...(bare.size
      ? {
          readingsHz: byLug((lug) => bare.get(lug)?.hz),
          readingErrorsCents: byLug((lug) => {
            const reading = bare.get(lug)
            return reading && (CENTS_PER_NEPER * reading.standardErrorHz) / reading.hz
          }),
        }
      : {}),
    ...{ otherHead: pass.otherHead, mic: pass.mic, pressed: pass.pressed },
    ...(pass.dials.size ? { gauge: byLug((lug) => pass.dials.get(lug)) } : {}),
    ...(pass.feel ? { feel: byLug((lug) => pass.feel![lug - 1]) } : {}),
    ...(pass.ear.size ? { ear: byLug((lug) => pass.ear.get(lug)) } : {}),
    ...(pass.earReference && pass.ear.size ? { earReference: pass.earReference } : {}),
    ...(pass.earThresholdCents && pass.ear.size ? { earThresholdCents: pass.earThresholdCents } : {}),
    ...(pass.whole ? { wholeHz: pass.whole.hz, wholeErrorCents: pass.whole.errorCents } : {}),
    ...(confirmed.length ? { confirmed } : {}),
    ...(pass.turns ? { turns: pass.turns } : {}),
  }
}
