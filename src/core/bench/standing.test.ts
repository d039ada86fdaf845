import { newKitLog, withEvents } from '../log/kitLog'
import { headLog } from '../log/fold'
import type { HumbraEvent } from '../records/event'
import { usualDrum } from '../records/usualDrum'
import { believing, benchHead, lastKnown } from './standing'

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

test('what is worked out in pieces is what is worked out at once, and is not worked out again', () => {
  const kit = folded(toldLog())
  const head = benchHead(kit, kit.drums[0], 'batter', false, NOW)
  const pauses = [...believing(head)].length
  // Two sittings taught the third, then all three: five estimates, and one after each.
  expect(pauses).toBe(7)
  expect([...believing(head)].length).toBe(2)
  // Another log of the same readings has nothing of it yet.
  const other = folded(toldLog())
  const atOnce = benchHead(other, other.drums[0], 'batter', false, NOW)
  expect(lastKnown(head)).toEqual(lastKnown(atOnce))
  expect(head.learned).toEqual(atOnce.learned)
  expect(head.learned!.hz2PerTurn).toBeGreaterThan(0)
})

test('a log that is folded anew, as by an undo, keeps what was worked out of what the undo did not touch', () => {
  const events = toldLog()
  const kit = folded(events)
  const before = benchHead(kit, kit.drums[0], 'batter', false, NOW)
  expect([...believing(before)].length).toBeGreaterThan(2)
  const known = lastKnown(before)
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
  // The very answer, not one like it.
  expect(known).not.toBeNull()
  expect(lastKnown(head)).toEqual(known)
  expect(again.drums[0]).toBe(kit.drums[0])
  const sittings = [again, kit].map((each) => headLog(each, 'd', 'batter', false).sittings)
  expect(sittings[0]).toHaveLength(3)
  sittings[0].forEach((sitting, i) => expect(sitting).toBe(sittings[1][i]))
  expect([...believing(head)].length).toBe(2)
})
