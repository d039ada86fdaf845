import { DAY_MS } from '../units/time'
import type { DiaryEvent, EventOf } from '../records/event'
import type { HeadRecord, Side } from '../records/kit'

/** A gig or a rehearsal as it was written last. */
export type Occasion = Pick<
  EventOf<'occasionNoted'>,
  ('on' | 'what' | 'minutes' | 'room' | 'sheet' | 'loadInAt') | 'doorsAt' | 'words' | 'source'
> & { id: string; writtenAt: string; cancelled: boolean }

export interface DayNote {
  /** Id of its event. */
  id: string
  on: string
  drum: string | null
  words: string
}

/** What was measured of the air on one day (UTC): sums, so that any order of samples gives the same day. */
export interface AirDay {
  celsius: { sum: number; count: number }
  humidity: { sum: number; count: number }
}

/** A head in the box, as it was written last. */
export interface BoxFilm {
  id: string
  name: string
  diameterInches: number
  side: Side | null
  head: HeadRecord
  gone: boolean
  writtenAt: string
}

/**
 * The days round the drums. What was said does not depend on the order in which it came in: of two writings of one thing the later
 * one counts, by its time.
 */
export interface Diary {
  /** By time. */
  readonly occasions: readonly Occasion[]
  readonly notes: readonly DayNote[]
  /** Keyed by whole days since 1970 (UTC). */
  readonly air: ReadonlyMap<number, AirDay>
  readonly box: ReadonlyMap<string, BoxFilm>
}

export const EMPTY_DIARY: Diary = { occasions: [], notes: [], air: new Map(), box: new Map() }

const dayOf = (at: string | number) => Math.floor((typeof at === 'number' ? at : Date.parse(at)) / DAY_MS)

const DIARY_KINDS: ReadonlySet<string> = new Set<DiaryEvent['kind']>([
  ...(['occasionNoted', 'dayNoted', 'weatherNoted', 'filmNoted'] as const),
])

export const isDiaryEvent = (event: { kind: string }): event is DiaryEvent => DIARY_KINDS.has(event.kind)

/** The diary after one more event. */
export function withDiaryEvent(diary: Diary, event: DiaryEvent): Diary {
  switch (event.kind) {
    case 'occasionNoted':
      return withOccasion(diary, event)
    case 'dayNoted': {
      const { id, on, drum, words } = event
      return { ...diary, notes: inTime([...diary.notes, { id, on, drum, words }]) }
    }
    case 'weatherNoted':
      return { ...diary, air: withSamples(diary.air, event.samples) }
    case 'filmNoted': {
      const { film: id, name, diameterInches, side, head, at: writtenAt } = event
      const known = diary.box.get(id)
      if (known && known.writtenAt > writtenAt) return diary
      const film = { id, name, diameterInches, side, head, gone: event.gone === true, writtenAt }
      return { ...diary, box: new Map(diary.box).set(id, film) }
    }
  }
}

function withOccasion(diary: Diary, event: EventOf<'occasionNoted'>): Diary {
  const { occasion: id, on, what, minutes, room, sheet, loadInAt, doorsAt, words, source } = event
  const known = diary.occasions.find((each) => each.id === id)
  if (known && known.writtenAt > event.at) return diary
  const next = {
    ...{ id, on, what, minutes, room, sheet, loadInAt, doorsAt, words, source },
    ...{ writtenAt: event.at, cancelled: event.cancelled === true },
  }
  return { ...diary, occasions: inTime([...diary.occasions.filter((each) => each !== known), next]) }
}

const inTime = <Each extends { on: string; id: string }>(all: Each[]) =>
  all.sort((a, b) => a.on.localeCompare(b.on) || a.id.localeCompare(b.id))

function withSamples(
  air: Diary['air'],
  samples: EventOf<'weatherNoted'>['samples'],
): ReadonlyMap<number, AirDay> {
  const next = new Map(air)
  const more = (part: AirDay['celsius'], value: number | null) =>
    value === null ? part : { sum: part.sum + value, count: part.count + 1 }
  for (const { at, celsius, humidityPercent } of samples) {
    const day = dayOf(at)
    const known = next.get(day) ?? { celsius: NOTHING, humidity: NOTHING }
    next.set(day, {
      celsius: more(known.celsius, celsius),
      humidity: more(known.humidity, humidityPercent),
    })
  }
  return next
}

const NOTHING = { sum: 0, count: 0 }

/** What was played or is to be played: everything that was not called off. */
export const heldOccasions = ({ occasions }: Diary): Occasion[] =>
  occasions.filter(({ cancelled }) => !cancelled)
