import { CAUSES, type CauseId } from '../fitting/causes'
import { allAnswers } from '../practice/answers'
import {
  afterPressing,
  afterTurning,
  practiceHead,
  roughRods,
  slackRods,
  turnedByHand,
} from '../practice/drum'
import { handOn } from '../practice/hand'
import { plant } from '../practice/plant'
import { standLossPerSecond } from '../practice/stand'
import { heardLugHz, playTap, STANDING_SPOT } from '../practice/tap'
import { observe } from '../practice/troubles'
import { digits, PRACTICE, holds, type Lines } from '@ref/changes/held'

const DRUM = {
  ...{ seedText: 'pinned', diameterInches: 12, depthInches: 8, lugs: 6, hoop: 'triple-flanged' as const },
  ...{ threadPitchMm: 1.058, pliesMils: [10], otherPliesMils: [7] },
}

/** The practice drum's turns, taps, dials and faults, and what is found of them. */
function practised(): Lines {
  const lines: Lines = {}
  const rough = roughRods(DRUM.lugs, 150, 3)
  const turns = [0.25, 0, 0.125, 0, 0, -0.125]
  const states = {
    rough,
    slack: slackRods(DRUM, 150, 'fingers', 4),
    turned: afterTurning(DRUM, rough, turnedByHand(rough.rods, turns, 5)),
    pressed: afterPressing(afterTurning(DRUM, rough, turnedByHand(rough.rods, turns, 5))),
  }
  for (const [name, state] of Object.entries(states)) {
    const head = practiceHead(DRUM, state, { lugHz: 180, muted: name !== 'rough' })
    const { dials, feel } = handOn(head)
    lines[name] = `${[...state.rods, ...dials].map(digits).join(' ')} ${feel.join(' ')}`
    if (name === 'slack') continue
    for (const lug of [1, 4, 'centre'] as const) {
      const tap = playTap(head, {
        ...{ lug, rateHz: 8000, seed: 6, noiseDb: name === 'turned' ? -40 : null, finger: lug === 4 },
        ...(name === 'turned' ? { standing: STANDING_SPOT } : {}),
        lossPerSecond: name === 'pressed' ? standLossPerSecond('pinned', ['gel'] as never, 'stand') : 0,
      })
      const modes = tap.modes
        .slice(0, 5)
        .map(({ hz, decaySeconds, levelDb }) => [hz, decaySeconds, levelDb].map(digits).join(' '))
      const loud = [0.36, 0.45, 0.6, 0.9].map((seconds) => digits(tap.samples[Math.round(8000 * seconds)]))
      lines[`${name}, ${lug}`] =
        `${digits(heardLugHz(tap))} ${modes.join(' ')} ${tap.samples.length} ${loud.join(' ')}`
    }
  }
  for (const cause of Object.keys(CAUSES) as CauseId[]) {
    const trouble = plant(DRUM, 150, false, cause, 7)
    const seen = observe(trouble)
    const numbers = Object.values(seen).flatMap((value) =>
      Array.isArray(value) ? (value as number[]) : typeof value === 'number' ? [value] : [],
    )
    const { answers, rods } = allAnswers(trouble)
    lines[cause] =
      `${numbers.map(digits).join(' ')} ${Object.values(answers).join(' ')} rods ${rods.join(' ')}`
  }
  return lines
}

holds('practice', PRACTICE, practised)
