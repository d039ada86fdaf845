import type { HumbraEvent, KitChange } from '../records/event'
import { SCHEMA_VERSION, SIDES } from '../records/plain'
import type { Side } from '../records/kit'
import { DAY_MS } from '../units/time'
import { headLog, type KitState } from './fold'
import type { HeadLog } from './headLog'

type Draft = { kind: HumbraEvent['kind']; at?: string; id?: string; drum?: string; side?: Side } & object

/**
 * A kit's state told again as a log that folds to it, as far as a state still knows its log: for a database that was lost while
 * the kit was open. Events that are still known keep their ids; older sittings, which only the log knew, are gone.
 * @param newId for what is told anew
 */
export function restated(kit: KitState, newId: () => string): HumbraEvent[] {
  let count = TOLD_AGAIN
  /** What is told anew of a moment stands behind what is known of it, in the order in which it is told. */
  const complete = (draft: Draft): HumbraEvent =>
    ({
      ...{ id: newId(), at: NEVER, schema: SCHEMA_VERSION, source: 'hand', algorithm: null, nth: ++count },
      ...draft,
      kit: kit.id,
    }) as HumbraEvent
  const change = (told: KitChange, at?: string) =>
    complete({ kind: 'kitEdited', change: told, ...(at ? { at } : {}) } as Draft)
  const made = [
    change({ what: 'kitMade', name: kit.name, simulated: kit.simulated, borrowed: kit.borrowed }),
    ...kit.drums.map((drum) => change({ what: 'drumAdded', drum, after: null })),
    ...(kit.owner || kit.job ? [change({ what: 'kitFiled', owner: kit.owner, job: kit.job })] : []),
    ...(kit.archived ? [change({ what: 'kitArchived', archived: true })] : []),
    ...[...kit.schemes].map(([name, cents]) => change({ what: 'schemeKept', name, cents })),
    ...[...kit.aims].map(([key, aim]) => {
      const [side, ...drum] = key.split('/').reverse()
      return change({ what: 'aimSet', drum: drum.reverse().join('/'), side: side as Side, aim })
    }),
  ]
  const sheets = kit.sheets.flatMap(({ id, name, versions }) =>
    versions.map(({ at, notes, drums }) =>
      change({ what: 'sheetWritten', sheet: id, name, notes, drums: [...drums.values()] }, at),
    ),
  )
  const runs = kit.runs.flatMap(({ id: run, sheet, startedAt, doorsAt, before, endedAt, after }) => [
    complete({ kind: 'runStarted', run, sheet, doorsAt, before, at: startedAt } as Draft),
    ...(endedAt ? [complete({ kind: 'runEnded', run, after, at: endedAt } as Draft)] : []),
  ])
  const { occasions, notes, air, box } = kit.diary
  const diary = [
    ...occasions.map(({ id: occasion, writtenAt, cancelled, ...rest }) =>
      complete({
        ...{ ...rest, kind: 'occasionNoted', occasion, at: writtenAt },
        ...(cancelled ? { cancelled } : {}),
      } as Draft),
    ),
    ...notes.map((note) => complete({ kind: 'dayNoted', ...note, at: note.on } as Draft)),
    ...[...box.values()].map(({ id: film, writtenAt, gone, ...rest }) =>
      complete({ kind: 'filmNoted', film, ...rest, at: writtenAt, ...(gone ? { gone } : {}) } as Draft),
    ),
  ]
  const worlds = kit.simulated ? [false] : [false, true]
  const work = new Map<string, HumbraEvent>()
  for (const practice of worlds) {
    const inWorld = (draft: Draft) => complete({ ...draft, source: practice ? 'practice' : 'hand' } as Draft)
    for (const drum of kit.drums) {
      for (const side of SIDES)
        for (const event of headEvents(headLog(kit, drum.id, side, practice), drum.id, side, inWorld))
          work.set(event.id, event)
      for (const event of drumEvents(kit, drum.id, practice, inWorld)) work.set(event.id, event)
    }
  }
  const last = [
    ...(air.size ? [complete({ kind: 'weatherNoted', room: null, samples: samplesOf(air) } as Draft)] : []),
    ...kit.sheets
      .filter(({ archived }) => archived)
      .map(({ id }) => change({ what: 'sheetArchived', sheet: id, archived: true })),
    change({ what: 'sheetChosen', sheet: kit.sheet }),
  ]
  const dated = [...sheets, ...diary, ...work.values(), ...runs]
  const moments = dated.flatMap(({ at }) => (at === NEVER ? [] : [at])).sort()
  const firstAt = moments[0] ?? LONG_AGO
  const since = (events: readonly HumbraEvent[], at: string) =>
    events.map((event) => (event.at === NEVER ? { ...event, at } : event))
  // The kit is there before anything is said of it.
  return [
    ...since(made, justBefore(firstAt)),
    ...since(dated, firstAt),
    ...since(last, moments.at(-1) ?? firstAt),
  ]
}

/** More than a moment ever had entries of its own. */
const TOLD_AGAIN = 1_000_000
/** Of what a state keeps no time of. */
const NEVER = ''
const LONG_AGO = '2000-01-01T00:00:00.000Z'
/** A moment before another one. */
const justBefore = (at: string) => new Date(Date.parse(at) - 1).toISOString()

/** Each day's mean as one sample: more is not known any more. */
const samplesOf = (air: KitState['diary']['air']) =>
  [...air].slice(-5000).map(([day, { celsius, humidity }]) => ({
    at: new Date((day + 0.5) * DAY_MS).toISOString(),
    celsius: celsius.count ? celsius.sum / celsius.count : null,
    humidityPercent: humidity.count ? humidity.sum / humidity.count : null,
  }))

function headEvents(
  head: HeadLog,
  drum: string,
  side: Side,
  complete: (draft: Draft) => HumbraEvent,
): HumbraEvent[] {
  const on = { drum, side }
  const at = head.fitted?.at
  const search = head.search
  return [
    ...head.older.flatMap(({ events }) => events),
    ...(head.fitted ? [head.fitted] : []),
    ...head.sittings.flatMap(({ events }) => events),
    ...head.findings.map(({ id, at: noted, finding, rods }) =>
      complete({ kind: 'findingNoted', ...on, id, at: noted, finding, rods } as Draft),
    ),
    ...[...head.looked].map(([area, seen]) =>
      complete({ kind: 'lookedOver', ...on, at: seen, area } as Draft),
    ),
    ...head.marks.map(({ mark, hz }) =>
      complete({ kind: 'rangeMarked', ...on, mark, hz, ...(at ? { at } : {}) } as Draft),
    ),
    ...(search?.answers ?? []).map(({ question, answer }) =>
      complete({
        kind: 'faultAnswered',
        ...on,
        search: search!.id,
        question,
        answer,
        ...(at ? { at } : {}),
      } as Draft),
    ),
  ]
}

function drumEvents(
  { struck, simulated }: KitState,
  drum: string,
  practice: boolean,
  complete: (draft: Draft) => HumbraEvent,
): HumbraEvent[] {
  const worlds = struck.get(drum)
  const log = practice && !simulated ? worlds?.practice : worlds?.real
  if (!log) return []
  const last = log.strokes.at(-1)?.event.at
  return [
    ...log.strokes.flatMap(({ event, layers, words }) => [
      complete({ kind: 'dampingSet', drum, side: event.side, layers, at: justBefore(event.at) } as Draft),
      event,
      ...words.map((said) =>
        complete({ kind: 'wordsNoted', drum, side: event.side, words: said, at: event.at } as Draft),
      ),
    ]),
    ...(log.layers
      ? [
          complete({
            kind: 'dampingSet',
            drum,
            side: 'batter',
            layers: log.layers,
            ...(last ? { at: last } : {}),
          } as Draft),
        ]
      : []),
    ...(log.wires ? [log.wires] : []),
  ]
}
