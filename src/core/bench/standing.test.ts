import { newKitLog, withEvents } from '../log/kitLog'
import { headLog } from '../log/fold'
import type { HumbraEvent } from '../records/event'
import { usualDrum } from '../records/usualDrum'
import { believe, benchHead, lastKnown, pastOf, remember, stateOf } from './standing'

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

const folded = (events: readonly HumbraEvent[]) =>
  withEvents(
    newKitLog('k'),
    events.map((event) => ({ event, place: Infinity })),
  )!.kit!

const headOf = (events: readonly HumbraEvent[], nowMs = NOW) => {
  const kit = folded(events)
  return benchHead(kit, kit.drums[0], 'batter', false, nowMs)
}

test('what another thread worked out is what is worked out here, and is not worked out again', () => {
  const atOnce = headOf(toldLog())
  const head = headOf(toldLog())
  const believed = structuredClone(believe(structuredClone(pastOf(head)!)))
  expect(believed.map(({ at, state }) => [at, state !== null])).toEqual([
    [2, true],
    [3, false],
  ])
  remember(head, believed)
  expect(lastKnown(head)).toEqual(lastKnown(atOnce))
  expect(head.learned).toEqual(atOnce.learned)
  expect(head.learned!.hz2PerTurn).toBeGreaterThan(0)
  expect(head.learned).toBe(believed[1].learned)
  expect(stateOf(head, head.before!, false)).toBe(believed[0].state)
})

test('of a head at work only what is over has taught', () => {
  const events = toldLog()
  const head = headOf(events, Date.parse(events.at(-1)!.at) + 1000)
  const believed = believe(pastOf(head)!)
  expect(believed.map(({ at }) => at)).toEqual([2])
  remember(head, believed)
  expect(head.learned).toBe(believed[0].learned)
  expect(pastOf(headOf(events.slice(0, 2)))).toBeNull()
})

test('a log that is folded anew, as by an undo, keeps what was worked out of what the undo did not touch', () => {
  const events = toldLog()
  const kit = folded(events)
  const before = benchHead(kit, kit.drums[0], 'batter', false, NOW)
  const undone: HumbraEvent[] = [
    ...events,
    { ...events[3], id: 'more', at: new Date(START + 8 * DAY_MS).toISOString() } as HumbraEvent,
    {
      ...{ id: 'undo', at: new Date(START + 8 * DAY_MS).toISOString(), kit: 'k', schema: 8 },
      ...{ source: 'hand', algorithm: null, kind: 'withdrawn', event: 'more' },
    } as HumbraEvent,
  ]
  const again = folded(undone)
  const head = benchHead(again, again.drums[0], 'batter', false, NOW)
  expect(again.drums[0]).toBe(kit.drums[0])
  const sittings = [again, kit].map((each) => headLog(each, 'd', 'batter', false).sittings)
  expect(sittings[0]).toHaveLength(3)
  sittings[0].forEach((sitting, i) => expect(sitting).toBe(sittings[1][i]))
  // The very answer, not one like it.
  expect(head.learned).not.toBeNull()
  expect(head.learned).toBe(before.learned)
})
