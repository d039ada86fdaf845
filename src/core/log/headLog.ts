import { FINDINGS, type AreaId, type OpenFinding } from '../fitting/lookOver'
import type { QuestionId } from '../fitting/questions'
import type { FaultAnswer } from '../fitting/faults'
import type { RangeMark } from '../kit/range'
import type { EventOf, HeadEvent, Source } from '../records/event'
import type { Side } from '../records/kit'
import { pastSitting, workersOf, type PastSitting } from './history'
import { Memo } from './memo'
import { isWorked, SITTING_GAP_MS, sittingFrom, WORK, type Sitting } from './sittings'

/** So many acts back a sitting is kept with what was worked out of it. */
const UNDONE = 2
/** Sittings by their newest event: a log that is folded anew, as an undo does, finds what was worked out before. */
const sittingsBy = new WeakMap<HeadEvent, SittingLog>()

/** The events of one sitting at a head, and what was worked out of them. */
export class SittingLog {
  readonly #memo = new Memo()

  private constructor(readonly events: readonly HeadEvent[]) {}

  /** The sitting of these events, the same one whenever they are the same. */
  static of(events: readonly HeadEvent[]): SittingLog {
    const newest = events[events.length - 1]
    const known = sittingsBy.get(newest)
    if (known?.events.length === events.length && events.every((event, i) => event === known.events[i]))
      return known
    const made = new SittingLog(events)
    sittingsBy.set(newest, made)
    // What an undo or two go back to is worth its room, what lies further back is not.
    if (events.length > UNDONE) sittingsBy.delete(events[events.length - 1 - UNDONE])
    return made
  }

  with(event: HeadEvent): SittingLog {
    return SittingLog.of([...this.events, event])
  }

  sitting(lugs: number): Sitting {
    return this.#memo.of(`sitting of ${lugs} lugs`, [], () => sittingFrom(this.events, lugs))
  }

  /** Works something out of this sitting, once for what it was asked on. */
  derive<Value>(what: string, on: readonly unknown[], work: () => Value): Value {
    return this.#memo.of(what, on, work)
  }
}

/** How long one film was on. */
export interface Stint {
  /** As `PastSitting.film`. */
  film: string | null
  /** Null where it was on before anybody wrote. */
  from: string | null
  to: string | null
}

/** What was found on looking over a drum and not put right yet. */
export interface NotedFinding extends OpenFinding {
  /** Id of its event. */
  id: string
  at: string
  side: Side
}

export interface FaultSearch {
  id: string
  answers: FaultAnswer[]
  passedOver: QuestionId[]
}

/**
 * One head as its log has told it so far. It is folded event by event and never changed: an event makes the next one, which
 * shares all that the event did not touch. Only the newest sittings keep their events.
 */
export interface HeadLog {
  /** Events of every kind so far. */
  readonly count: number
  /** Sittings on the film that is on, newest last. */
  readonly sittings: readonly SittingLog[]
  /** Sittings on films before that were of the like: what the drum taught then still holds. */
  readonly older: readonly SittingLog[]
  /** The film that is on, as far as the log says. */
  readonly fitted: EventOf<'headFitted'> | null
  /** Findings that stand: not cleared, and of this film where they are of a film. */
  readonly findings: readonly NotedFinding[]
  /** When each part was last looked at. */
  readonly looked: ReadonlyMap<AreaId, string>
  readonly search: FaultSearch | null
  /** Where the user marked that the drum growls, speaks best or chokes. */
  readonly marks: readonly RangeMark[]
  /** Sittings in short, of every film, oldest first; the newest one, which may still change, is not among them: ask `historyOf`. */
  readonly past: readonly PastSitting[]
  /** Films that were on, oldest first; the last one is on. */
  readonly stints: readonly Stint[]
  /** Where the newest reading came from. */
  readonly readBy: Source | null
  /** Strokes on the centre of this head. */
  readonly strokes: number
}

export const EMPTY_HEAD: HeadLog = {
  count: 0,
  sittings: [],
  older: [],
  fitted: null,
  findings: [],
  looked: new Map(),
  search: null,
  marks: [],
  past: [],
  stints: [{ film: null, from: null, to: null }],
  readBy: null,
  strokes: 0,
}

/** The one at hand, the one before it, and as many as a head is learned from. */
const SITTINGS_KEPT = 6
const MARKS_KEPT = 24
/** The most rods a drum can have: for what does not depend on their number. */
const ANY_LUGS = 24

const READS: ReadonlySet<HeadEvent['kind']> = new Set(['readingTaken', 'gaugeRead', 'earHeard', 'headRead'])

/** The head after one more event, of a drum of so many lugs. */
export function withHeadEvent(head: HeadLog, event: HeadEvent, lugs = ANY_LUGS): HeadLog {
  const next = { ...head, count: head.count + 1, ...noted(head, event, lugs) }
  if (READS.has(event.kind)) next.readBy = event.source
  return WORK.has(event.kind) ? { ...next, ...worked(next, event, lugs) } : next
}

/** Id of a film over all drums of a kit: one of which nobody wrote is known by where it was first (`headKey`). */
export const filmId = (film: string | null, key: string) => film ?? `first/${key}`

/** The film that is on, as `PastSitting.film`. */
export const filmOn = ({ stints }: Pick<HeadLog, 'stints'>) => stints[stints.length - 1].film

/** The head without its film: it went to another drum. */
export function withoutFilm(head: HeadLog, event: EventOf<'headFitted'>, lugs: number): HeadLog {
  const gone = { ...event, film: `off/${event.id}` }
  return { ...head, ...noted(head, gone, lugs), count: head.count + 1, fitted: null }
}

const PAST_KEPT = 4000

/** What was done at this head, oldest first, the newest sitting as it stands now. */
export function historyOf(head: HeadLog, lugs: number): readonly PastSitting[] {
  const last = head.sittings.at(-1)
  if (!last || !isWorked(last.sitting(lugs))) return head.past
  return [...head.past, inShort(last, filmOn(head), lugs)]
}

const inShort = (log: SittingLog, film: string | null, lugs: number): PastSitting =>
  log.derive('in short', [film, lugs], () =>
    pastSitting(
      log.sitting(lugs),
      lugs,
      film,
      log.events.findLast(({ kind }) => READS.has(kind))?.source ?? null,
      workersOf(log.events),
    ),
  )

/** The past with the newest sitting added to it, which is over. */
function withPast({ past, sittings, stints }: HeadLog, lugs: number): HeadLog['past'] {
  const last = sittings.at(-1)
  if (!last || !isWorked(last.sitting(lugs))) return past
  return [...past, inShort(last, filmOn({ stints }), lugs)].slice(-PAST_KEPT)
}

/** What the event changes beside the sittings. */
function noted(head: HeadLog, event: HeadEvent, lugs: number): Partial<HeadLog> {
  switch (event.kind) {
    case 'headFitted':
      return {
        past: withPast(head, lugs),
        stints: [
          ...head.stints.slice(0, -1),
          { ...head.stints[head.stints.length - 1], to: event.at },
          { film: event.film ?? event.id, from: event.at, to: null },
        ],
        fitted: event,
        sittings: [],
        older: event.sameFilm ? [...head.older, ...head.sittings].slice(-SITTINGS_KEPT) : [],
        findings: head.findings.filter(({ finding }) => !FINDINGS[finding].endsWithHead),
        // Another head is another drum to ask.
        search: null,
      }
    case 'findingNoted': {
      const { id, at, side, finding, rods } = event
      return { findings: [...head.findings, { id, at, side, finding, rods }] }
    }
    case 'findingCleared':
      return { findings: head.findings.filter(({ id }) => id !== event.noted) }
    case 'lookedOver':
      return { looked: new Map(head.looked).set(event.area, event.at) }
    case 'faultAnswered':
      return { search: answered(head.search, event) }
    case 'faultSearchEnded':
      return event.search === head.search?.id ? { search: null } : {}
    case 'rangeMarked':
      return { marks: [...head.marks, { mark: event.mark, hz: event.hz }].slice(-MARKS_KEPT) }
    case 'centreRead':
      return { strokes: head.strokes + 1 }
    default:
      return {}
  }
}

/** A newer answer to a question replaces the older; the answer to another search begins that one. */
function answered(open: FaultSearch | null, event: EventOf<'faultAnswered'>): FaultSearch {
  const search = open?.id === event.search ? open : { id: event.search, answers: [], passedOver: [] }
  const { question, answer } = event
  const answers = search.answers.filter((each) => each.question !== question)
  const passedOver = search.passedOver.filter((each) => each !== question)
  return answer === null
    ? { ...search, answers, passedOver: [...passedOver, question] }
    : { ...search, answers: [...answers, { question, answer }], passedOver }
}

/** The event joins the sitting at hand, or begins the next one. */
function worked(head: HeadLog, event: HeadEvent, lugs: number): Partial<HeadLog> {
  const { sittings } = head
  const last = sittings.at(-1)
  const anew = event.kind === 'sittingStarted' || event.kind === 'slackStarted'
  if (last && !anew && Date.parse(event.at) - Date.parse(last.events.at(-1)!.at) <= SITTING_GAP_MS)
    return { sittings: [...sittings.slice(0, -1), last.with(event)] }
  const begun = SittingLog.of([event])
  if (!last) return { sittings: [begun] }
  // A sitting in which nothing was read or turned is none, once another one begins.
  if (!isWorked(last.sitting(lugs))) return { sittings: [...sittings.slice(0, -1), begun] }
  return { past: withPast(head, lugs), sittings: [...sittings, begun].slice(-SITTINGS_KEPT) }
}
