import type { BoxFilm, Occasion } from '@/core/log/diary'
import { filmId } from '@/core/log/headLog'
import { headKey } from '@/core/log/headKey'
import type { EventOf } from '@/core/records/event'
import type { Drum, Side } from '@/core/records/kit'
import { readWeather } from '@/text/weatherTable'
import type { Session } from '../session'

const hand = { source: 'hand' as const, algorithm: null }

export type OccasionSaid = Omit<Occasion, 'id' | 'writtenAt' | 'source' | 'cancelled'>

/** Writes a gig or a rehearsal down, or corrects the one of this id. */
export function noteOccasion(session: Session, said: OccasionSaid, id = session.deps.newId()): void {
  session.append([{ kind: 'occasionNoted', occasion: id, ...only(said), ...hand }])
}

/** What the record holds and no more: an occasion that is corrected carries more. */
const only = ({ on, what, minutes, room, sheet, loadInAt, doorsAt, words }: OccasionSaid): OccasionSaid => ({
  ...{ on, what, minutes, room, sheet, loadInAt, doorsAt, words },
})

export function callOff(session: Session, occasion: Occasion): void {
  const drafts = { kind: 'occasionNoted' as const, occasion: occasion.id, cancelled: true as const }
  session.append([{ ...drafts, ...only(occasion), ...hand }])
  session.notify(`Called off: the ${occasion.what}.`, { undo: true })
}

export function noteDay(session: Session, words: string, onMs: number, drum: string | null): void {
  const clean = words.trim().slice(0, 500)
  if (clean)
    session.append([{ kind: 'dayNoted', on: new Date(onMs).toISOString(), drum, words: clean, ...hand }])
}

export function dropNote(session: Session, id: string): void {
  session.append([{ kind: 'withdrawn', event: id, ...hand }])
}

type Sample = EventOf<'weatherNoted'>['samples'][number]

export function noteWeather(session: Session, samples: readonly Sample[], room: string | null): void {
  const pieces: Sample[][] = []
  for (let at = 0; at < samples.length; at += MOST_SAMPLES) pieces.push(samples.slice(at, at + MOST_SAMPLES))
  session.append(pieces.map((piece) => ({ kind: 'weatherNoted' as const, room, samples: piece, ...hand })))
}

const MOST_SAMPLES = 5000

/** Takes a table of weather in; @returns what is wrong with it, or null */
export function weatherFromTable(session: Session, text: string, room: string | null): string | null {
  const read = readWeather(text)
  if (!read.ok) return read.why
  noteWeather(session, read.samples, room)
  const left = read.odd ? `, ${read.odd} ${read.odd === 1 ? 'row' : 'rows'} could not be read` : ''
  session.notify(`Took in the weather of ${read.days} ${read.days === 1 ? 'day' : 'days'}${left}.`, {
    undo: true,
  })
  return null
}

export type FilmSaid = Pick<BoxFilm, 'name' | 'diameterInches' | 'side' | 'head'>

/** Puts a head in the box, or corrects the one of this id. */
export function noteFilm(
  session: Session,
  { name, diameterInches, side, head }: FilmSaid,
  id = session.deps.newId(),
  gone = false,
): string {
  session.append([
    {
      kind: 'filmNoted',
      film: id,
      name,
      diameterInches,
      side,
      head,
      ...(gone ? { gone: true as const } : {}),
      ...hand,
    },
  ])
  return id
}

/** A head from the box goes on a drum; the one that was on goes into the box where it has a name there. */
export function fitFromBox(session: Session, drum: Drum, side: Side, film: BoxFilm, nowMs: number): void {
  const head = { ...film.head, fittedOn: film.head.fittedOn ?? new Date(nowMs).toISOString().slice(0, 10) }
  const sameFilm = head.pliesMils.join() === drum[side].pliesMils.join()
  session.together(`${film.name} on ${drum.name}`, () => {
    if (film.head.fittedOn === null) noteFilm(session, { ...film, head }, film.id)
    session.append([{ kind: 'headFitted', drum: drum.id, side, head, film: film.id, sameFilm, ...hand }])
  })
}

/** The head that is on gets a name, so that its history goes with it wherever it goes. */
export function nameFilm(session: Session, drum: Drum, side: Side, name: string, film: string | null): void {
  const said = { name, diameterInches: drum.diameterInches, side, head: drum[side] }
  noteFilm(session, said, filmId(film, headKey(drum.id, side)))
}
