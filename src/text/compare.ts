import { ringsText } from './strokes'
import { sameTuning, type Stroke } from '@/core/status/strokes'
import { chanceByGuessing } from '@/core/pair/blind'
import { fixed } from './shown'

export const STATE_NAMES = ['first', 'second', 'third'] as const

export const compareMoveText = (ready: boolean): string =>
  ready ? 'Which is better?' : 'Strike it, change something, strike again'

/** Muffling and ring are compared within one tuning: where the tunings differ that is said. `states` is how many were chosen, `all` how many strokes there are. */
export function comparedText(strokes: readonly Stroke[], states: number, all: number): string {
  if (all === 0) return 'No stroke on the centre was measured yet.'
  if (states < 2) return 'One stroke is kept; a second is wanted.'
  if (strokes.length < 2) return 'One of them is foretold.'
  return strokes.every((stroke) => sameTuning(stroke, strokes[0]))
    ? 'One tuning: what differs is muffling, place or stroke.'
    : 'Not one tuning: what differs is not the muffling alone.'
}

interface Tones {
  tones: ReadonlyArray<{ hz: number; decaySeconds: number }>
}

/** The chart of states in words: the three loudest tones of each. */
export function statesText(states: readonly Tones[]): string {
  const said = states.map(({ tones }, i) => {
    const each = tones
      .slice(0, 3)
      .map(({ hz, decaySeconds }) => `${fixed(hz, 0)} hertz, ${ringsText(decaySeconds)}`)
    return `${STATE_NAMES[i][0].toUpperCase()}${STATE_NAMES[i].slice(1)}: ${each.join('; ')}`
  })
  return `Decay and tones. ${said.join('. ')}`
}

export const COMPARED_SOUNDS =
  'A kept recording is played where there is one, else the sound is made again from the tones measured. In the groove the other drums are made by the model, as they stand; a drum alone misleads. Keep sounds under “How it listens”.'

/** What was named right of what was played without its name, beside what guessing would do. */
export function blindText(tries: readonly boolean[]): string {
  if (tries.length === 0) return 'Play, listen, name it. Eight tries say something.'
  const right = tries.filter(Boolean).length
  const chance = chanceByGuessing(right, tries.length)
  const often = chance > 0.45 ? 'about as often as not' : `one time in ${Math.round(1 / chance)}`
  return `${tries.at(-1) ? 'Right' : 'It was the other'}. ${right} of ${tries.length} right; guessing does as well ${often}.`
}
