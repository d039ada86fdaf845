import { newKitLog, withEvents } from '../log/kitLog'
import { headLog } from '../log/fold'
import type { HumbraEvent } from '../records/event'
import { usualDrum } from '../records/usualDrum'
import { believe, pastOf, remember } from './ahead'
import { headStatus } from './head'
import { NO_DIAL } from './inputs'

const DAY_MS = 86_400_000
const START = Date.UTC(2026, 0, 5, 12)
const DRUM = usualDrum('tom', 12, 'd')
const NOW = START + 9 * DAY_MS
/** Typed, lug 1 first: an uneven head, turned, read again. */
const BEFORE = [151, 149, 146, 147, 150, 153]
const AFTER = [150.4, 150.1, 149.2, 149.6, 150.2, 150.9]

/** Three sittings of two rounds each, days apart. */
function toldLog(): HumbraEvent[] {
  let atMs = START
  let count = 0
  const event = (body: object): HumbraEvent =>
    ({
      ...{ id: `e${count++}`, at: new Date((atMs += 7000)).toISOString(), kit: 'k', schema: 8 },
      ...{ source: 'typed', algorithm: null, ...body },
    }) as HumbraEvent
  const on = { drum: 'd', side: 'batter' }
  const round = (all: readonly number[], days: number) =>
    all.map((hz, i) =>
      event({
        ...{ kind: 'readingTaken', ...on, lug: i + 1, hz: hz + days / 3, standardErrorHz: 0.3 },
        ...{ poles: [], otherHead: 'muted' },
      }),
    )
  const log = [
    event({ kind: 'kitEdited', change: { what: 'kitMade', name: 'Kit', simulated: false } }),
    event({ kind: 'kitEdited', change: { what: 'drumAdded', drum: DRUM, after: null } }),
    event({ kind: 'headFitted', ...on, head: DRUM.batter, sameFilm: true }),
  ]
  for (const days of [0, 3, 6]) {
    atMs = START + days * DAY_MS
    log.push(...round(BEFORE, days))
    log.push(event({ kind: 'rodsTurned', ...on, turns: [-0.06, 0, 0.12, 0.08, -0.04, -0.1], planned: null }))
    log.push(...round(AFTER, days))
  }
  return log
}

const folded = (events: readonly HumbraEvent[]) => withEvents(newKitLog('k'), events)!.kit!

function at(events: readonly HumbraEvent[], nowMs = NOW) {
  const kit = folded(events)
  const here = { ...{ kit, practice: false, nowMs }, gauge: NO_DIAL }
  const [drum] = kit.drums
  return { here, drum, head: () => headStatus(here, drum, 'batter') }
}

test('what another thread worked out is what is worked out here, and is not worked out again', () => {
  const atOnce = at(toldLog()).head()
  const { here, drum, head } = at(toldLog())
  const believed = structuredClone(believe(structuredClone(pastOf(here, drum)!)))
  expect(believed.map((each) => each !== null)).toEqual([true, false])
  remember(here, drum, believed)
  expect(head().asRead).toEqual(atOnce.asRead)
  expect(head().learned).toEqual(atOnce.learned)
  expect(head().learned!.hz2PerTurn).toBeGreaterThan(0)
  // The very answer, not one like it.
  expect(head().learned).toBe(believed[0]!.learned[1])
  expect(head().lugHz).toBe(believed[0]!.told.lugHz)
})

test('of a head at work only what is over has taught', () => {
  const events = toldLog()
  const { here, drum, head } = at(events, Date.parse(events.at(-1)!.at) + 1000)
  const believed = believe(pastOf(here, drum)!)
  remember(here, drum, believed)
  expect(head().learned).toBe(believed[0]!.learned[0])
  const none = at(events.slice(0, 2))
  expect(pastOf(none.here, none.drum)).toBeNull()
})

test('a log that is folded anew, as by an undo, keeps what was worked out of what the undo did not touch', () => {
  const events = toldLog()
  const first = at(events)
  const before = first.head()
  const undone: HumbraEvent[] = [
    ...events,
    { ...events[3], id: 'more', at: new Date(START + 8 * DAY_MS).toISOString() } as HumbraEvent,
    {
      ...{ id: 'undo', at: new Date(START + 8 * DAY_MS).toISOString(), kit: 'k', schema: 8 },
      ...{ source: 'hand', algorithm: null, kind: 'withdrawn', event: 'more' },
    } as HumbraEvent,
  ]
  const again = at(undone)
  expect(again.drum).toBe(first.drum)
  const sittings = [again, first].map(({ here }) => headLog(here.kit, 'd', 'batter', false).sittings)
  expect(sittings[0]).toHaveLength(3)
  sittings[0].forEach((sitting, i) => expect(sitting).toBe(sittings[1][i]))
  const head = again.head()
  expect(head.learned).not.toBeNull()
  expect(head.learned).toBe(before.learned)
  expect(head.lugHz).toBe(before.lugHz)
})
