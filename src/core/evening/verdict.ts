import { asIfPitchWereKnown } from '../head/belief'
import { lugsLead, shownLugHz } from '../head/pictures'
import { COSINE, MEAN, SINE } from '../head/kalman'
import { CENTS_PER_NEPER } from '../units/pitch'
import { against, asRead } from './asRead'
import { believed } from './believed'
import { oddsOf, PITCH_PART, spreadAgainst } from './confidence'
import { even } from './even'
import { doDisagree, evenByOwnMeasure, isMany, LIKELY, SURELY_OUT, UNLIKELY } from './judge'
import { isPitchKnown, wantedPattern } from './plan'
import { defaultToleranceCents } from './tolerance'
import { targetMeanHz, type EvenRequest } from './types'

/** A head held against what is wanted of it: the figures that every place shows, and the verdict that the pass would end with. */
export interface Judged {
  /** Null where nothing says anything of the pitch. */
  meanHz: number | null
  meanErrorCents: number
  /** Highest minus lowest lug against what is wanted of them, as believed. */
  spreadCents: number
  spreadErrorCents: number
  /** Lug pitches of the likeliest story, lug 1 first, and its second harmonic against the mean, with one standard error. */
  lugHz: number[]
  cosineCents: number
  sineCents: number
  waveErrorCents: number
  toleranceCents: number
  /** Even as far as was read: nothing lies outside, nothing is left out, nothing contradicts. */
  even: boolean
  /** Readings cannot stand together: some are to be taken again before anything is turned. */
  disagree: boolean
  /** On its pitch; null where none is wanted or none is known. */
  on: boolean | null
}

/**
 * The judgement of a head without the search for turns. Only where it lies at the edge of the tolerance the search itself is asked
 * whether any turn helps: so the verdict is that of {@link even}, always.
 */
export function judged(request: EvenRequest): Judged {
  const { state, known } = believed(request)
  const target = wantedPattern(request, state)
  const { belief } = state
  const toleranceCents = request.toleranceCents ?? defaultToleranceCents(known.head, Math.sqrt(target.mean))
  const pitch = isPitchKnown(state)
  const told = state.hypotheses.map((one) =>
    pitch ? one : { ...one, belief: asIfPitchWereKnown(one.belief) },
  )
  const odds = oddsOf({ ...state, hypotheses: told }, target, toleranceCents)
  const lugHz = shownLugHz(state)
  const spreadCents =
    state.knownBy && state.knownBy !== 'whole' ? spreadAgainst(lugHz, target, lugsLead(state)) : 0
  const toCents = CENTS_PER_NEPER / (2 * Math.max(1, belief.x[MEAN]))
  const wanted = targetMeanHz(request.target)
  const off =
    pitch && wanted !== null ? Math.abs(CENTS_PER_NEPER * Math.log(belief.x[MEAN] / wanted ** 2)) / 2 : null
  const seen = asRead(state, target, toleranceCents, false, !('offsetTurns' in request.target))
  const odd = against(state)
  const spoken =
    seen.outside ||
    state.leftOut.length > 0 ||
    odd.some(({ confirmed }) => confirmed) ||
    isMany(odd.length, state.read.length)
  const figures = {
    ...{ meanHz: pitch ? Math.sqrt(Math.max(1, belief.x[MEAN])) : null, lugHz, toleranceCents },
    meanErrorCents: toCents * Math.sqrt(Math.max(0, belief.p[MEAN * 6])),
    ...{ cosineCents: toCents * state.leading.x[COSINE], sineCents: toCents * state.leading.x[SINE] },
    waveErrorCents: toCents * Math.sqrt(Math.max(0, belief.p[COSINE * 6], belief.p[SINE * 6])),
    ...{ spreadCents, spreadErrorCents: odds.spreadErrorCents },
  }
  const disagree =
    request.believe !== 'readings' && state.knownBy !== null && doDisagree(state, odd, odds.spreadErrorCents)
  const on = off === null ? null : off <= PITCH_PART * toleranceCents
  const says = (isEven: boolean, isOn = on, cannot = disagree): Judged => ({
    ...{ ...figures, even: isEven, on: isOn, disagree: cannot },
  })
  if (state.knownBy !== 'pitch') return says(state.knownBy !== null && evenByOwnMeasure(known, state, target))
  const inside = spreadCents <= toleranceCents
  const within = inside && on !== false && odds.within >= LIKELY && odds.farOut <= UNLIKELY
  if (spoken) return says(false, on, disagree || (within && even(request).reason === 'readings-disagree'))
  if (within) return says(true)
  if (spreadCents - toleranceCents > SURELY_OUT * odds.spreadErrorCents) return says(false)
  if (off !== null && off - PITCH_PART * toleranceCents > toleranceCents) return says(inside, false)
  const { done, reason } = even(request)
  const ends = done && (reason === 'within-tolerance' || reason === 'no-turn-helps')
  return ends ? says(true, on === null ? null : true) : says(inside && on === false)
}
