import { sustainSeconds } from '@/core/pair/ring'
import { ringsText } from './strokes'
import { headCost } from '@/core/fitting/fast'
import type { RingForecast, RingStroke } from '@/core/pair/ring'
import { RELATION_SCHOOLS, schoolOf } from '@/core/pair/schools'
import type { PairBelief } from '@/core/pair/belief'
import type { PairLimit, PairWarning } from '@/core/pair/limits'
import type { PairAnswer } from '@/core/pair/solve'
import type { PairReading } from '@/core/pair/types'
import { minutesText } from './minutes'
import { allRodsText } from './relation'
import { fixed } from './shown'

const LIMITS: Record<PairLimit, string> = {
  'batter-ceiling': 'the batter would go above the limit that was set for it',
  'resonant-ceiling': 'the resonant head would go above the limit that was set for it',
  relation: 'no two pitches of these heads make both',
}

const WARNINGS: Record<PairWarning, string> = {
  'batter-slack': 'the batter hangs lower than such heads usually speak',
  'batter-high': 'the batter is pulled further than is usual',
  'resonant-slack': 'the resonant head hangs lower than such heads usually speak',
  'resonant-high': 'the resonant head is pulled further than is usual',
}

/** What to be careful of: guesses from the size, in plain words; empty for none. */
function pairWarningText(warnings: readonly PairWarning[]): string {
  if (warnings.length === 0) return ''
  const high = warnings.some((each) => each.endsWith('high'))
  return `Care: ${warnings.map((each) => WARNINGS[each]).join(', and ')}. That is a guess from the size${high ? '; the maker’s limit decides, eyes away from the rim' : ''}.`
}

const READ_NEXT = {
  batter: 'the batter’s lugs, the other head muted',
  resonant: 'the resonant head’s lugs, the batter muted',
  centre: 'one stroke on the centre, both heads free',
}

/** What is known of where the heads stand, and the one reading that would help most; empty where all was read. */
export function standsText({ readNext, errorCents }: PairBelief, read: PairReading): string {
  const doubt = (['batter', 'resonant'] as const).flatMap((side) =>
    read[`${side}Hz`] === null && errorCents[side] > 0
      ? [`the ${side} is foretold, give or take ${Math.round(errorCents[side])} c`]
      : [],
  )
  const said = doubt.length ? `${doubt.join('; ')}.` : ''
  const most = readNext ? `Read next: ${READ_NEXT[readNext]}.` : ''
  return [said && said[0].toUpperCase() + said.slice(1), most].filter(Boolean).join(' ')
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
    : answer.resonantHz === null
      ? 'Leave the head.'
      : 'Leave both heads.'
  const what = ` Then the drum speaks near ${answer.centreHz.toFixed(0)} Hz, give or take ${Math.round(answer.errorCents.centre)} c.`
  const beats = answer.state.warbleHz
    ? ` Both edge notes lie ${answer.state.warbleHz.toFixed(0)} Hz apart and will beat: mute the other head while reading.`
    : ''
  const limit = answer.limitedBy ? `Out of reach: ${LIMITS[answer.limitedBy]}. The nearest is shown. ` : ''
  const care = pairWarningText(answer.warnings)
  return `${limit}${turn}${what}${beats}${care && ` ${care}`}`
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
  const s = (value: number) => fixed(sustainSeconds(value), 2)
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
      ({ batterHz, resonantHz }) =>
        resonantHz !== null && schoolOf(1200 * Math.log2(resonantHz / batterHz)).id === id,
    )
    if (own.length === 0) return []
    const mean = (values: readonly number[]) => values.reduce((sum, each) => sum + each, 0) / values.length
    const bends = own.flatMap(({ glideCents }) => (glideCents === null ? [] : [glideCents]))
    const bent = bends.length ? `, bent ${bendText(mean(bends), null)}` : ''
    const times = own.length === 1 ? 'one stroke' : `${own.length} strokes`
    return [
      `${label}: rang ${ringsText(mean(own.map(({ decaySeconds }) => decaySeconds)))}${bent} (${times})`,
    ]
  })
}

const round = (value: number, digits: number) => Number(value.toFixed(digits))

/** An answer as command and route give it out. */
export function pairAnswerRecord(answer: PairAnswer, read: PairReading) {
  const { batterHz, centreHz, ratio, turns, turnsError, errorCents, state, now } = answer
  const or = (value: number | null, digits: number) => (value === null ? null : round(value, digits))
  return {
    batterHz: round(batterHz, 2),
    resonantHz: or(answer.resonantHz, 2),
    centreHz: round(centreHz, 2),
    ratio: round(ratio, 3),
    resonantAboveCents: or(answer.resonantAboveCents, 1),
    turns: { batter: round(turns.batter, 3), resonant: round(turns.resonant, 3) },
    turnsError: { batter: round(turnsError.batter, 3), resonant: round(turnsError.resonant, 3) },
    errorCents: { centre: round(errorCents.centre, 1) },
    now: {
      ...{ batterHz: round(now.batterHz, 2), resonantHz: or(now.resonantHz, 2) },
      errorCents: {
        batter: round(now.errorCents.batter, 1),
        resonant: round(now.errorCents.resonant, 1),
      },
    },
    readNext: now.readNext,
    upperHz: or(state.apart?.hz ?? null, 2),
    warbleHz: round(state.warbleHz, 2),
    decaySeconds: round(answer.ring.decaySeconds, 3),
    decayFactor: round(answer.ring.factor, 2),
    reachable: answer.reachable,
    limitedBy: answer.limitedBy,
    warnings: answer.warnings,
    advice: [pairText(answer), standsText(now, read)].filter(Boolean).join(' '),
  }
}

/** The map in words: where the drum is, where it would go, and the keys. */
export function mapText(now: { batterHz: number; resonantHz: number }, found: PairAnswer | null): string {
  const goal =
    found && found.resonantHz !== null
      ? ` Goal batter ${fixed(found.batterHz, 1)}, resonant ${fixed(found.resonantHz, 1)}, centre ${fixed(found.centreHz, 1)} hertz, ratio ${fixed(found.ratio, 2)}.`
      : ''
  return `Map of both heads. Now batter ${fixed(now.batterHz, 1)}, resonant ${fixed(now.resonantHz, 1)} hertz.${goal} Arrow keys move the goal; Home and End take the batter, Page Down and Page Up the resonant head to the ends.`
}
