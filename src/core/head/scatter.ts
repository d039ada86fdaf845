import type { BareSource, ScatterWeights } from '../records/even'
import type { ScatterTold } from '../records/settings'

/**
 * How far readings scatter that have no sound behind them, in the errors that were stated for them: as said, a hand that presses now and
 * then, one that has nothing to hold on to. Nobody knows it of himself, so it is learned: in a sitting with the head, and from sitting to
 * sitting of the person.
 */
export const SCATTERS: Record<BareSource, ScatterWeights> = {
  number: [1, 2.2, 5],
  dial: [0.5, 1, 2.2],
  ear: [1, 2.2, 5],
}
/** Of a hand that nobody saw at work. */
export const SCATTER_WEIGHTS: ScatterWeights = [0.6, 0.25, 0.15]

/** However many digits were typed, a number from elsewhere is no better than this, in cents (a judgement). */
export const TYPED_CENTS = 2

/** Tomorrow a hand may be another one: no scatter becomes less likely than this. */
const LEAST_SHARE = 0.03
/** One sitting tells no more than odds of e to this. */
const MOST_TOLD = 3

/** What sittings before a moment (ISO; null for all) have shown of a hand; undefined where none did. */
export function handBefore(told: readonly ScatterTold[], source: BareSource, before: string | null) {
  const own = told.filter((one) => one.source === source && (before === null || one.at < before))
  return own.length ? weightsAfter(own) : undefined
}

function weightsAfter(told: readonly ScatterTold[]): ScatterWeights {
  return told.reduce<ScatterWeights>((weights, { logs }) => {
    const most = Math.max(...logs)
    const next = weights.map((weight, i) => weight * Math.exp(Math.max(-MOST_TOLD, logs[i] - most)))
    const total = next.reduce((sum, weight) => sum + weight, 0)
    const held = next.map((weight) => Math.max(LEAST_SHARE, weight / total))
    const all = held.reduce((sum, weight) => sum + weight, 0)
    return held.map((weight) => weight / all) as ScatterWeights
  }, SCATTER_WEIGHTS)
}

/** Scatter as it is expected, in stated errors. */
export const scatterExpected = (source: BareSource, weights: ScatterWeights): number =>
  weights.reduce((sum, weight, i) => sum + weight * SCATTERS[source][i], 0)
