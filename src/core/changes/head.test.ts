import { stateErrorCents, stateLugHz } from '../head/belief'
import { estimateHead } from '../head/estimate'
import { explainPair } from '../head/pairCause'
import { rodPulls } from '../head/rods'
import { evenRequests } from '@ref/changes/heads'
import { digits, HEAD, holds, type Lines } from '@ref/changes/held'

/** What is estimated of heads that no model made. */
function estimated(): Lines {
  const states = evenRequests(90).map(({ head, rounds, ...known }, i) => {
    const state = estimateHead(head, rounds, known)
    const cause = explainPair(head, rounds.at(-1)!)
    const numbers = [
      ...stateLugHz(state.leading, head.lugs).slice(0, 3),
      ...stateErrorCents(state.belief, head.lugs).slice(0, 2),
      ...rodPulls(state.rods).flatMap(({ turns, error }) => [turns, error]),
      ...[state.logEvidence, ...state.surprises, state.hypotheses.length],
    ]
    return [
      `head ${i}`,
      `${state.knownBy} out ${state.leftOut} ${cause?.cause} ${numbers.map(digits).join(' ')}`,
    ]
  })
  return Object.fromEntries(states) as Lines
}

holds('head', HEAD, estimated)
