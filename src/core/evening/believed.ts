import { estimateHead, type HeadState } from '../head/estimate'
import { withMean } from '../head/pictures'
import { against } from './asRead'
import { isMany } from './judge'
import { namedOf, suspectsOf, withoutTurns, type Suspect } from './suspect'
import { targetMeanHz, type EvenRequest } from './types'

/** What all of a request tells of the head: the one state that advice, verdict and every place are made from. */
export interface BelievedHead {
  state: HeadState
  /** The request with the turns of rods that hold nothing left out. */
  known: EvenRequest
  /** Rods (0-based) found dead on looking over, and opposite ones that answer to nothing together. */
  dead: number[]
  held: number[]
  suspects: Suspect[]
  named: Suspect[]
}

export function believed(request: EvenRequest): BelievedHead {
  const dead = request.deadRods?.map((rod) => rod - 1) ?? []
  const asTold = dead.length ? withoutTurns(request, dead) : request
  const first = stateFor(asTold)
  // Readings that contradict each other prove nothing against a rod.
  const suspects = isMany(against(first).length, first.read.length) ? [] : suspectsOf(asTold, first, dead)
  const named = namedOf(suspects)
  // Opposite rods that were turned again and again and moved nothing: the rest of the head is brought right without them.
  const held = named.filter(({ together }) => together).map(({ rod }) => rod - 1)
  const known = held.length ? withoutTurns(asTold, held) : asTold
  return { state: held.length ? stateFor(known) : first, ...{ known, dead, held, suspects, named } }
}

/** A head with rods half a turn apart is no plain pattern of two poles any more: opposite lugs differ by tens of cents. */
const UNEVEN_MODEL_CENTS = 6

/** The head's state as all of a request tells it. */
export function stateFor(request: EvenRequest): HeadState {
  const state = estimateHead(request.head, request.rounds, {
    ...request,
    aroundHz: targetMeanHz(request.target),
    ...('offsetTurns' in request.target ? { modelErrorCents: UNEVEN_MODEL_CENTS } : {}),
  })
  const { byLug } = state
  if (!byLug || byLug.weight > AT_LEAST) return withMean(state)
  const contradicts = against({ ...state, byLug: null }).some(({ lug }) => !byLug.picture.stray.includes(lug))
  return withMean(contradicts ? { ...state, byLug: { ...byLug, weight: AT_LEAST } } : state)
}

/** Two poles that what was read contradicts are no likelier a story than lugs that differ by themselves. */
const AT_LEAST = 0.6
