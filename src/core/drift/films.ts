import { heldOccasions, type BoxFilm, type Occasion } from '../log/diary'
import { headKey, headLog, type KitState } from '../log/fold'
import { filmId, filmOn, historyOf, type HeadLog, type Stint } from '../log/headLog'
import { SIDES, sidesOf } from '../records/plain'
import type { Drum, HeadRecord, Side } from '../records/kit'
import type { PastSitting } from '../log/history'
import { DAY_MS } from '../units/time'

/** A head as a thing of its own, on whatever drum it is or was. */
export interface FilmAge {
  /** Id by which its history is found: of the box, of the event that fitted it, or of the head it was on first. */
  id: string
  /** Its name in the box; null where it has none. */
  name: string | null
  diameterInches: number
  head: HeadRecord
  /** Where it is; null in the box. */
  on: { drum: Drum; side: Side } | null
  gone: boolean
  /** Since it was new, in weeks; null where nobody knows. */
  weeks: number | null
  sittings: number
  /** Gigs, and gigs with rehearsals, while it was on. */
  gigs: number
  plays: number
  /** Minutes played while it was on, as far as they were counted. */
  minutes: number
  history: readonly PastSitting[]
  /** Where it was, oldest first. */
  stints: ReadonlyArray<Stint & { drum: Drum; side: Side }>
}

const played = (occasions: readonly Occasion[], { from, to }: Stint, nowMs: number) => {
  const now = new Date(nowMs).toISOString()
  return occasions.filter(({ on }) => on <= now && (from === null || on >= from) && (to === null || on < to))
}

/** Gigs and rehearsals played on the film that is on. */
export function playsOn(kit: KitState, log: HeadLog, drum: Drum, side: Side, nowMs: number): number {
  const id = filmId(filmOn(log), headKey(drum.id, side))
  return filmAges(kit, kit.simulated, nowMs).find((film) => film.id === id)?.plays ?? 0
}

/** Every head that is on a drum or in the box: those on the drums first, in the kit's order. */
export function filmAges(kit: KitState, practice: boolean, nowMs: number): FilmAge[] {
  const stints = kit.drums.flatMap((drum) =>
    sidesOf(drum).flatMap((side) =>
      headLog(kit, drum.id, side, practice).stints.map((stint) => ({ ...stint, drum, side })),
    ),
  )
  const ids = new Set(stints.map(({ film, drum, side }) => filmId(film, headKey(drum.id, side))))
  const occasions = heldOccasions(kit.diary)
  const ages = [...ids].flatMap((id): FilmAge[] => {
    const own = stints.filter(({ film, drum, side }) => filmId(film, headKey(drum.id, side)) === id)
    const now = own.find(({ to }) => to === null)
    const boxed = kit.diary.box.get(id)
    // What came off without a name of its own was thrown away.
    if (!now && !boxed) return []
    return [ageOf(kit, practice, nowMs, occasions, id, own, now ?? null, boxed)]
  })
  const rest = [...kit.diary.box.values()].filter(({ id }) => !ids.has(id))
  const boxed = rest.map((film) => ageOf(kit, practice, nowMs, occasions, film.id, [], null, film))
  const on = (film: FilmAge) => (film.on ? 0 : 1)
  return [...ages, ...boxed].sort((a, b) => on(a) - on(b))
}

function ageOf(
  kit: KitState,
  practice: boolean,
  nowMs: number,
  occasions: readonly Occasion[],
  id: string,
  stints: FilmAge['stints'],
  now: FilmAge['stints'][number] | null,
  boxed: BoxFilm | undefined,
): FilmAge {
  const at = now ?? stints.at(-1)
  const head = now ? now.drum[now.side] : boxed!.head
  // The day on which it was new is the first that anybody names.
  const days = [head.fittedOn, boxed?.head.fittedOn ?? null, stints[0]?.from ?? null]
  const since = days.filter((day) => day !== null).sort()[0] ?? null
  const history = stints.flatMap(({ drum, side, film, from, to }) =>
    historyOf(headLog(kit, drum.id, side, practice), drum.lugs).filter(
      // The same film may have been on the same head twice.
      (past) => past.film === film && (from === null || past.from >= from) && (to === null || past.from < to),
    ),
  )
  const times = stints.flatMap((stint) => played(occasions, stint, nowMs))
  return {
    ...{ id, name: boxed?.name ?? null, head, stints, history, gone: boxed?.gone ?? false },
    diameterInches: boxed?.diameterInches ?? at!.drum.diameterInches,
    on: now && { drum: now.drum, side: now.side },
    weeks: since === null ? null : Math.max(0, (nowMs - Date.parse(since)) / (7 * DAY_MS)),
    sittings: history.length,
    gigs: times.filter(({ what }) => what === 'gig').length,
    plays: times.length,
    minutes: times.reduce((sum, { minutes }) => sum + (minutes ?? 0), 0),
  }
}

/** Heads in the box that fit a drum's side: of its size, and not given away. */
export function sparesFor(kit: KitState, drum: Drum, side: Side): BoxFilm[] {
  const on = new Set(
    kit.drums.flatMap((each) => SIDES.map((one) => filmOn(headLog(kit, each.id, one, kit.simulated)))),
  )
  return [...kit.diary.box.values()].filter(
    (film) =>
      !film.gone &&
      !on.has(film.id) &&
      Math.abs(film.diameterInches - drum.diameterInches) < 0.3 &&
      (film.side === null || film.side === side),
  )
}
