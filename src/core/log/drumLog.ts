import type { LayerId } from '../pair/layers'
import type { EventOf, HeadEvent } from '../records/event'
import type { Drum, Side } from '../records/kit'
import type { HeadLog } from './headLog'
import { Memo } from './memo'

/** One stroke on the centre, both heads free, and how the drum stood then. */
export class StrokeLog {
  readonly #memo = new Memo()

  constructor(
    readonly event: EventOf<'centreRead'>,
    readonly layers: readonly LayerId[],
    readonly words: readonly string[],
    readonly then: Then,
  ) {}

  said(words: string): StrokeLog {
    return new StrokeLog(this.event, this.layers, [...this.words, words], this.then)
  }

  muffled(layers: readonly LayerId[]): StrokeLog {
    return new StrokeLog(this.event, layers, this.words, this.then)
  }

  /** Mean lug pitches of both heads then, worked out once by whoever can estimate a head. */
  lugs(estimate: (then: HeadsThen) => LugsThen): LugsThen {
    const { then } = this
    return 'heads' in then ? this.#memo.of('lugs', [then], () => estimate(then)) : then
  }
}

/** As an estimate finds them; null where a head was never read. */
export interface LugsThen {
  batterHz: number | null
  resonantHz: number | null
}

/** The drum and its two heads as the log knew them at the stroke. */
export interface HeadsThen {
  drum: Drum
  heads: Record<Side, HeadLog>
}

type Then = HeadsThen | LugsThen

/** A head moved far up and down on purpose: what of it was done. */
export interface DrasticLog {
  start: EventOf<'drasticStarted'>
  strokes: readonly string[]
  /** Times that its rods were turned, and the lugs read since. */
  moves: number
  lugs: readonly number[]
  ended: boolean
}

/** What the log says of a whole drum, beside its two heads; folded like a head. */
export interface DrumLog {
  /** The newest strokes on the centre, in the order of time. */
  readonly strokes: readonly StrokeLog[]
  /** Muffling that is on; null while nobody said. */
  readonly layers: readonly LayerId[] | null
  readonly wires: EventOf<'wiresSet'> | null
  /** A head was turned or changed since the newest stroke. */
  readonly movedSince: boolean
  /** Words are still said of the newest stroke: nothing was changed. */
  readonly wordsOpen: boolean
  readonly drastic: DrasticLog | null
}

export const EMPTY_DRUM: DrumLog = {
  strokes: [],
  layers: null,
  wires: null,
  movedSince: false,
  wordsOpen: false,
  drastic: null,
}

/** More than anybody looks through; what a drum taught is learned from fewer (bench/strokes). */
const STROKES_KEPT = 100

/** The drum after one more event. `then` is how it stands with this event. */
export function withDrumEvent(drum: DrumLog, event: HeadEvent, then: HeadsThen): DrumLog {
  const drastic = withDrastic(drum.drastic, event)
  const next = drastic === drum.drastic ? drum : { ...drum, drastic }
  switch (event.kind) {
    case 'dampingSet':
      return { ...next, layers: event.layers, wordsOpen: false }
    case 'strokeMuffled': {
      const strokes = drum.strokes.map((stroke) =>
        stroke.event.id === event.stroke ? stroke.muffled(event.layers) : stroke,
      )
      return { ...next, strokes }
    }
    case 'wiresSet':
      return { ...next, wires: event }
    case 'rodsTurned':
    case 'headFitted':
      // What was said is said of what stood: a turn or a new head ends it.
      return { ...next, movedSince: true, wordsOpen: false }
    case 'wordsNoted': {
      const last = drum.strokes.at(-1)
      if (!last || !drum.wordsOpen) return next
      return { ...next, strokes: [...drum.strokes.slice(0, -1), last.said(event.words)] }
    }
    case 'centreRead': {
      const strokes = [...drum.strokes, new StrokeLog(event, drum.layers ?? [], [], then)]
      return { ...next, strokes: strokes.slice(-STROKES_KEPT), movedSince: false, wordsOpen: true }
    }
    default:
      return next
  }
}

function withDrastic(going: DrasticLog | null, event: HeadEvent): DrasticLog | null {
  if (event.kind === 'drasticStarted') return { start: event, strokes: [], moves: 0, lugs: [], ended: false }
  if (!going || going.ended) return going
  if (event.kind === 'drasticEnded' || event.kind === 'headFitted') return { ...going, ended: true }
  if (event.kind === 'centreRead') return { ...going, strokes: [...going.strokes, event.id] }
  if (event.side !== going.start.side) return going
  if (event.kind === 'rodsTurned') return { ...going, moves: going.moves + 1, lugs: [] }
  if (event.kind === 'readingTaken' && !going.lugs.includes(event.lug))
    return { ...going, lugs: [...going.lugs, event.lug] }
  return going
}
