import { fitAmplitudes, refineModes } from './refine'
import { subspacePoles, type Pole } from './subspace'
import type { Tail } from './tail'

/** No head is heard below this. */
export const LOWEST_HZ = 28
/** A tone that rang before the stroke counts from this part of the tail's own first rms on. */
const LOUD_ENOUGH = 0.02
/** ... where it is most of the power around it, and lasts. */
const OVER_NOISE = 6
const PART_OF_ALL = 0.05
const LASTING_SECONDS = 0.15
const LONGEST_SECONDS = 6
const SHORTEST_SECONDS = 0.12
const MOST = 3
/** It goes on as it was, or dies away: a mode this much louder after the stroke was struck itself. */
const GREW = 2.5
/**
 * ... and so is one to which so many times what was left of it must be added to make what is heard: a tone that went on gains
 * nothing, and no more than twice itself even where its phase were known the wrong way round.
 */
const GAINED = 1.8
/** A head dies away sooner than this; mains and machines do not, and are never struck. */
export const HEAD_DIES_SECONDS = 2
/** A stroke bends its tones up: they are looked for in the tail's first moments, this far above where they settle. */
const EARLY_SECONDS = 0.15
const BENT_STEPS = [-0.01, 0, 0.01, 0.02, 0.035, 0.05]

/** A steady line heard before a stroke: mains hum, another drum ringing along. */
export interface Line extends Pole {
  amplitude: number
  /** Its parts where it began to be heard. */
  cosine: number
  sine: number
}

/**
 * Steady lines in the band before a stroke, and what noise is left without them.
 * @param rms of the tail's first moments, against which a line must count
 */
export function linesBefore(
  before: Float64Array,
  rateHz: number,
  rms: number,
): { lines: Line[]; noisePower: number } {
  const total = powerOf(before)
  const none = { lines: [], noisePower: total }
  if (before.length < SHORTEST_SECONDS * rateHz || total === 0) return none
  if (Math.sqrt(total) < LOUD_ENOUGH * rms) return none
  const steady = subspacePoles(before, rateHz, 0)
    .filter(({ hz, decaySeconds }) => hz > LOWEST_HZ && (decaySeconds > LASTING_SECONDS || decaySeconds < 0))
    .map(({ hz, decaySeconds }) => ({ hz, decaySeconds: Math.min(LONGEST_SECONDS, decaySeconds) }))
  // White noise of the same power would leave 2 / N of it in a line.
  const least = total * Math.max((2 * OVER_NOISE) / before.length, PART_OF_ALL)
  const lines = withAmplitudes(before, rateHz, steady)
    .filter(({ amplitude }) => amplitude ** 2 / 2 > least)
    .sort((a, b) => b.amplitude - a.amplitude)
    .slice(0, MOST)
  if (lines.length === 0) return none
  const { modes, residual, parameters } = refineModes(before, rateHz, lines, total, null)
  return {
    lines: modes.map(({ hz, decaySeconds, amplitude, cosine, sine }) => ({
      ...{ hz, decaySeconds, amplitude, cosine, sine },
    })),
    noisePower: residual / (before.length - parameters),
  }
}

/**
 * Lines of before that are still there after the stroke, no louder. They are fitted with the tail and never taken for the
 * drum.
 */
export function ringingBefore({ lines, rateHz, samples, sinceLinesSeconds }: Tail): Pole[] {
  const early = samples.subarray(0, Math.round(EARLY_SECONDS * rateHz))
  return lines.filter((line) => {
    // By the tail it has died away by so much.
    const left = line.amplitude * Math.exp(-sinceLinesSeconds / line.decaySeconds)
    if (line.decaySeconds > HEAD_DIES_SECONDS)
      return withAmplitudes(samples, rateHz, [line])[0].amplitude < GREW * left
    if (gained(line, sinceLinesSeconds, withAmplitudes(early, rateHz, [line])[0]) > GAINED * left)
      return false
    return BENT_STEPS.every((step) => {
      const bent = { hz: line.hz * (1 + step), decaySeconds: line.decaySeconds }
      return withAmplitudes(early, rateHz, [bent])[0].amplitude < GREW * left
    })
  })
}

/** Amplitude of what must be added to a line that rings on for it to be `now`: where it was struck anew, that stroke's own. */
function gained(line: Line, seconds: number, now: Line): number {
  const dies = Math.exp(-seconds / line.decaySeconds)
  const angle = 2 * Math.PI * line.hz * seconds
  const cosine = dies * (line.cosine * Math.cos(angle) + line.sine * Math.sin(angle))
  const sine = dies * (line.sine * Math.cos(angle) - line.cosine * Math.sin(angle))
  return Math.hypot(now.cosine - cosine, now.sine - sine)
}

function withAmplitudes(samples: Float64Array, rateHz: number, poles: readonly Pole[]): Line[] {
  if (poles.length === 0) return []
  const parts = fitAmplitudes(samples, rateHz, poles)
  return poles.map(({ hz, decaySeconds }, k) => ({
    ...{ hz, decaySeconds },
    amplitude: Math.hypot(parts[2 * k], parts[2 * k + 1]),
    ...{ cosine: parts[2 * k], sine: parts[2 * k + 1] },
  }))
}

export function powerOf(samples: Float64Array): number {
  let sum = 0
  for (const x of samples) sum += x * x
  return samples.length ? sum / samples.length : 0
}
