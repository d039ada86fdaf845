import { digits, evenRequests } from '@ref/advised'
import { changedSince } from '@ref/pinned'
import { stateErrorCents, stateLugHz } from './belief'
import { estimateHead } from './estimate'
import { explainPair } from './pairCause'
import { rodPulls } from './rods'

test('what is estimated of heads that no model made stays as it was', () => {
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
  expect(changedSince('reference/pinned/head.json', Object.fromEntries(states))).toEqual([])
})
