import { DEFAULT_SMALLEST_STEP } from '@/core/evening/plan'
import { headCost } from '@/core/fitting/fast'
import type { RingForecast, RingStroke } from '@/core/pair/ring'
import { RELATION_SCHOOLS, schoolOf } from '@/core/pair/schools'
import type { PairAnswer, PairLimit } from '@/core/pair/solve'
import { minutesText } from './minutes'
import { directionWord, turnText } from './turns'

const STEP_TURNS = DEFAULT_SMALLEST_STEP
const INTERVALS: ReadonlyArray<[number, string]> = [
  [0, 'alike'],
  [300, 'a minor third'],
  [400, 'a major third'],
  [500, 'a fourth'],
  [700, 'a fifth'],
  [1200, 'an octave'],
]
/** Further from a named interval than this it is said in cents. */
const NAMED_CENTS = 25

/** How the resonant head stands to the batter: "a fourth above", "alike", "220 c below". */
export function relationText(aboveCents: number): string {
  const size = Math.abs(aboveCents)
  const side = aboveCents < 0 ? 'below' : 'above'
  const named = INTERVALS.find(([cents]) => Math.abs(size - cents) <= NAMED_CENTS)
  if (!named) return `${Math.round(size)} c ${side}`
  const off = Math.round(size - named[0])
  if (named[0] === 0) return off === 0 ? 'alike' : `alike within ${Math.abs(Math.round(aboveCents))} c`
  return `${named[1]} ${side}${off === 0 ? '' : ` ${off > 0 ? '+' : '−'}${Math.abs(off)} c`}`
}

const LIMITS: Record<PairLimit, string> = {
  'batter-slack': 'the batter would hang below where it speaks',
  'batter-ceiling': 'the batter would go above its limit',
  'resonant-slack': 'the resonant head would hang below where it speaks',
  'resonant-ceiling': 'the resonant head would go above its limit',
  relation: 'no two pitches of these heads make both',
}

/** A turn of every rod of a head, to the nearest sixteenth: "up 3/8", "leave". */
export function allRodsText(turns: number): string {
  const steps = Math.round(turns / STEP_TURNS) * STEP_TURNS
  return steps === 0 ? 'leave' : `${directionWord(steps)} ${turnText(steps)}`
}

/** One sentence or two: what to turn, and what that makes of the drum. */
export function pairText(answer: PairAnswer): string {
  const { batter, resonant } = answer.turns
  const heads = (
    [
      ['batter', batter],
      ['resonant', resonant],
    ] as const
  ).filter(([, turns]) => allRodsText(turns) !== 'leave')
  const order = [...heads].sort((a, b) => Math.abs(b[1]) - Math.abs(a[1]))
  const turn = order.length
    ? `All rods of ${order.map(([name, turns]) => `the ${name} head ${allRodsText(turns)}`).join(', then of ')}.`
    : 'Leave both heads.'
  const what = ` Then the drum speaks near ${answer.centreHz.toFixed(0)} Hz, give or take ${Math.round(answer.errorCents.centre)} c.`
  const beats = answer.state.warbleHz
    ? ` Both edge notes lie ${answer.state.warbleHz.toFixed(0)} Hz apart and will beat: mute the other head while reading.`
    : ''
  const limit = answer.limitedBy ? `Out of reach: ${LIMITS[answer.limitedBy]}. The nearest is shown. ` : ''
  return `${limit}${turn}${what}${beats}`
}

/** What the turns of both heads take: "16 rods, about 5 min". */
export function costText({ turns }: PairAnswer, lugs: number, keys: 1 | 2): string {
  const costs = [turns.batter, turns.resonant].map((each) =>
    headCost(allRodsText(each) === 'leave' ? 0 : each, lugs, keys),
  )
  const rods = costs.reduce((sum, cost) => sum + cost.rods, 0)
  const minutes = costs.reduce((sum, cost) => sum + cost.minutes, 0)
  return rods === 0 ? 'Nothing to turn.' : `${rods} rods, ${minutesText(minutes)}.`
}

/** A ring foretold, with its doubt: "0.31 s, 0.22 to 0.43". */
export function ringText({ decaySeconds, factor }: RingForecast): string {
  const s = (value: number) => value.toFixed(2)
  return `${s(decaySeconds)} s (${s(decaySeconds / factor)} to ${s(decaySeconds * factor)})`
}

/** A bend: "40 c down, give or take 20". Strokes begin above their pitch and come down, or the other way. */
export function bendText(cents: number, errorCents: number | null): string {
  const size = Math.round(Math.abs(cents))
  const way = size === 0 ? 'none' : `${size} c ${cents > 0 ? 'down' : 'up'}`
  return errorCents === null ? way : `${way}, give or take ${Math.round(errorCents)}`
}

/** What this drum's own strokes say of each relation, bare strokes only: "a third above: rang 0.24 s (2)". */
export function logSays(strokes: readonly RingStroke[]): string[] {
  const bare = strokes.filter(({ layers }) => layers.length === 0)
  return RELATION_SCHOOLS.flatMap(({ id, label }) => {
    const own = bare.filter(
      ({ batterHz, resonantHz }) => schoolOf(1200 * Math.log2(resonantHz / batterHz)).id === id,
    )
    if (own.length === 0) return []
    const mean = (values: readonly number[]) => values.reduce((sum, each) => sum + each, 0) / values.length
    const bends = own.flatMap(({ glideCents }) => (glideCents === null ? [] : [glideCents]))
    const bent = bends.length ? `, bent ${bendText(mean(bends), null)}` : ''
    const times = own.length === 1 ? 'one stroke' : `${own.length} strokes`
    return [
      `${label}: rang ${mean(own.map(({ decaySeconds }) => decaySeconds)).toFixed(2)} s${bent} (${times})`,
    ]
  })
}

const round = (value: number, digits: number) => Number(value.toFixed(digits))

/** An answer as command and route give it out. */
export function pairAnswerRecord(answer: PairAnswer) {
  const { batterHz, resonantHz, centreHz, ratio, turns, errorCents, reachable, limitedBy, state } = answer
  return {
    batterHz: round(batterHz, 2),
    resonantHz: round(resonantHz, 2),
    centreHz: round(centreHz, 2),
    ratio: round(ratio, 3),
    resonantAboveCents: round(answer.resonantAboveCents, 1),
    turns: { batter: round(turns.batter, 3), resonant: round(turns.resonant, 3) },
    errorCents: { centre: round(errorCents.centre, 1) },
    upperHz: round(state.upperHz, 2),
    warbleHz: round(state.warbleHz, 2),
    decaySeconds: round(answer.ring.decaySeconds, 3),
    decayFactor: round(answer.ring.factor, 2),
    reachable,
    limitedBy,
    advice: pairText(answer),
  }
}
