import { FINDINGS, type AreaId, type OpenFinding } from '../fitting/lookOver'
import type { FaultAnswer } from '../fitting/faults'
import type { QuestionId } from '../fitting/questions'
import type { HeadEvent } from '../records/event'
import { SIDES, type Side } from '../records/kit'
import { eventsOfWorld } from './history'
import { headKey, type KitState } from './log'

/** What was found on looking over a drum, and the search for a fault, from the log. */
export interface NotedFinding extends OpenFinding {
  /** Id of its event. */
  id: string
  at: string
  side: Side
}

function eventsOf(kit: KitState, drum: string, side: Side, practice: boolean): HeadEvent[] {
  return eventsOfWorld(kit.heads.get(headKey(drum, side)) ?? [], practice, kit.simulated)
}

/** Findings of a drum that stand: not cleared, and of this film where they are of a film. Oldest first. */
export function openFindings(kit: KitState, drum: string, practice: boolean): NotedFinding[] {
  return SIDES.flatMap((side) => {
    let open: NotedFinding[] = []
    for (const event of eventsOf(kit, drum, side, practice)) {
      if (event.kind === 'findingNoted') {
        const { id, at, finding, rods } = event
        open.push({ id, at, side, finding, rods })
      }
      if (event.kind === 'findingCleared') open = open.filter(({ id }) => id !== event.noted)
      if (event.kind === 'headFitted') open = open.filter(({ finding }) => !FINDINGS[finding].endsWithHead)
    }
    return open
  }).sort((a, b) => a.at.localeCompare(b.at))
}

/** Those that bear on one head: its own, and those of the whole drum. */
export function findingsOfHead(findings: readonly NotedFinding[], side: Side): NotedFinding[] {
  return findings.filter((each) => each.side === side || !FINDINGS[each.finding].perHead)
}

/** When each part of a drum's head was last looked at. */
export function lookedAt(kit: KitState, drum: string, side: Side, practice: boolean): Map<AreaId, string> {
  const seen = new Map<AreaId, string>()
  for (const event of eventsOf(kit, drum, side, practice)) {
    if (event.kind === 'lookedOver') seen.set(event.area, event.at)
  }
  return seen
}

export interface FaultSearch {
  id: string
  answers: FaultAnswer[]
  passedOver: QuestionId[]
}

/** The search for a fault that is open on a head; null when none is. A newer answer to a question replaces the older. */
export function openSearch(kit: KitState, drum: string, side: Side, practice: boolean): FaultSearch | null {
  let search = null as FaultSearch | null
  for (const event of eventsOf(kit, drum, side, practice)) {
    if (event.kind === 'faultSearchEnded' && event.search === search?.id) search = null
    // Another head is another drum to ask.
    if (event.kind === 'headFitted') search = null
    if (event.kind !== 'faultAnswered') continue
    if (search?.id !== event.search) search = { id: event.search, answers: [], passedOver: [] }
    const { question, answer } = event
    search.answers = search.answers.filter((each) => each.question !== question)
    search.passedOver = search.passedOver.filter((each) => each !== question)
    if (answer === null) search.passedOver.push(question)
    else search.answers.push({ question, answer })
  }
  return search
}
