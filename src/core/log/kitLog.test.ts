import { times } from '@ref/long'
import fc from 'fast-check'
import { lugsThen } from '../status/strokes'
import { seededRandom } from '../numeric/random'
import type { HumbraEvent } from '../records/event'
import { usualDrum } from '../records/usualDrum'
import { kitsFromLog, newKitLog, TAIL_KEPT, WholeFold, withEvents, type KitLog } from './kitLog'
import { inOrder, isWithdrawal, liveEvents, nextMoment, Withdrawals, type Moment } from './order'
import { restated } from './restate'
import { logOfSummary, packed, summaryOf } from './summary'

/** Events of every kind that folds, in the order in which chance makes them; withdrawals of any that came before. */
const KINDS = [
  ...(['reading', 'reading', 'reading', 'turn', 'press', 'centre', 'finding', 'damping'] as const),
  ...(['words', 'fitted', 'answer', 'sheet', 'rename', 'run', 'drastic', 'pause', 'undo', 'undo'] as const),
]
const step = fc.record({
  what: fc.constantFrom(...KINDS),
  which: fc.nat({ max: 1000 }),
  practice: fc.boolean(),
})
type Step = { what: (typeof KINDS)[number]; which: number; practice: boolean }

const DRUM = usualDrum('tom', 12, 'd')

/** A log of one kit from steps. */
function told(steps: readonly Step[]): HumbraEvent[] {
  let atMs = Date.UTC(2026, 0, 5, 12)
  const log: HumbraEvent[] = []
  const add = (body: object, source: HumbraEvent['source'] = 'hand') =>
    log.push({
      ...{ id: `e${log.length}`, at: new Date((atMs += 7000)).toISOString(), kit: 'k', schema: 1, source },
      ...{ algorithm: null },
      ...body,
    } as HumbraEvent)
  add({ kind: 'kitEdited', change: { what: 'kitMade', name: 'Kit', simulated: false } })
  add({ kind: 'kitEdited', change: { what: 'drumAdded', drum: DRUM, after: null } })
  for (const { what, which, practice } of steps) {
    const side = which % 2 ? 'batter' : 'resonant'
    const on = { drum: 'd', side }
    const source = practice ? 'practice' : 'typed'
    const lug = (which % 6) + 1
    const hz = 150 + (which % 20)
    if (what === 'pause') atMs += 4 * 3600 * 1000
    if (what === 'reading')
      add(
        { kind: 'readingTaken', ...on, lug, hz, standardErrorHz: 0.2, poles: [], otherHead: 'muted' },
        source,
      )
    if (what === 'turn') {
      const turns = Array.from({ length: 6 }, (_, i) => (i === lug - 1 ? 0.125 : 0))
      add({ kind: 'rodsTurned', ...on, turns, planned: which % 3 ? turns : null }, source)
    }
    if (what === 'press') add({ kind: 'pressed', ...on }, source)
    if (what === 'centre')
      add({ kind: 'centreRead', ...on, hz: 90, standardErrorHz: 0.5, decaySeconds: 0.4 }, source)
    if (what === 'finding') add({ kind: 'findingNoted', ...on, finding: 'dirty', rods: [lug] })
    if (what === 'damping') add({ kind: 'dampingSet', ...on, layers: which % 3 ? ['ring'] : [] }, source)
    if (what === 'words') add({ kind: 'wordsNoted', ...on, words: `so ${which}` }, source)
    if (what === 'fitted') add({ kind: 'headFitted', ...on, head: DRUM.batter, sameFilm: which % 3 > 0 })
    if (what === 'answer')
      add({ kind: 'faultAnswered', ...on, search: `s${which % 2}`, question: 'feel', answer: 'near' })
    if (what === 'sheet')
      add({ kind: 'kitEdited', change: { what: 'sheetChosen', sheet: which % 2 ? 'one' : null } })
    if (what === 'rename') add({ kind: 'kitEdited', change: { what: 'kitRenamed', name: `Kit ${which}` } })
    if (what === 'run')
      add({ kind: 'runStarted', run: `r${log.length}`, sheet: 'one', doorsAt: null, before: [] })
    if (what === 'drastic') add({ kind: 'drasticStarted', ...on, up: 1, down: 1 }, source)
    if (what === 'undo') add({ kind: 'withdrawn', event: log[which % log.length].id })
  }
  return log
}

function whole(log: readonly HumbraEvent[]): KitLog {
  const fold = new WholeFold('k', new Withdrawals(inOrder(log).filter(isWithdrawal)))
  inOrder(log).forEach((event) => fold.add([event]))
  return fold.end()
}

/** The state of a kit by what anybody can see of it. */
const seen = ({ kit }: { kit: KitLog['kit'] }) => kit && packed(kit, lugsThen)

/** The log fed piece by piece; folded anew where that is asked for. */
function stepwise(log: readonly HumbraEvent[], sizes: readonly number[]): KitLog {
  let state = newKitLog('k')
  for (let from = 0, i = 0; from < log.length; i++) {
    const to = Math.min(log.length, from + 1 + (sizes[i % sizes.length] ?? 0))
    state = withEvents(state, log.slice(from, to)) ?? whole(log.slice(0, to))
    from = to
  }
  return state
}

test('folded step by step, in pieces and at once, the state is the same, whatever was withdrawn', () => {
  const steps = fc.array(step, { maxLength: 60 })
  fc.assert(
    fc.property(steps, fc.array(fc.nat({ max: 9 }), { minLength: 1 }), (made, sizes) => {
      const log = told(made)
      const [all] = kitsFromLog(log)
      expect(seen(stepwise(log, sizes))).toEqual(seen({ kit: all ?? null }))
      expect(seen(whole(log))).toEqual(seen({ kit: all ?? null }))
    }),
    { numRuns: 60 },
  )
})

/**
 * Devices that each go on with what they know: their clocks are off by as much as chance says, they meet now and then, and what
 * each has is what it did and what it was brought, in the order in which that came.
 */
function devices(steps: readonly Step[], offsMs: readonly number[]): HumbraEvent[][] {
  const begun = told([])
  const logs = offsMs.map(() => [...begun])
  for (const [i, event] of told(steps).slice(begun.length).entries()) {
    const { which } = steps[i] ?? { which: i }
    const [here, there] = [which % logs.length, (which * 7 + 1) % logs.length]
    const mine = logs[here]
    const newest = inOrder(mine).at(-1) as Moment
    const own = { ...event, ...nextMoment(newest, Date.parse(event.at) + offsMs[here]), device: `d${here}` }
    // What is taken back is of what stands here.
    if (own.kind === 'withdrawn') own.event = mine[which % mine.length].id
    mine.push(own)
    if (which % 5 === 0) merge(mine, logs[there])
  }
  return logs
}

/** Brings one log what another has and it has not, at its end, as an import does. */
function merge(into: HumbraEvent[], from: readonly HumbraEvent[]): void {
  const known = new Set(into.map(({ id }) => id))
  into.push(...from.filter(({ id }) => !known.has(id)))
}

test('any logs of any number of devices, merged in any order and in any pieces, are one state', () => {
  const minutes = fc.integer({ min: -3000, max: 3000 }).map((each) => each * 60_000)
  fc.assert(
    fc.property(
      fc.array(step, { maxLength: 50 }),
      fc.array(minutes, { minLength: 1, maxLength: 4 }),
      fc.array(fc.nat({ max: 20 }), { minLength: 1, maxLength: 5 }),
      fc.nat(),
      (made, offsMs, sizes, seed) => {
        const logs = devices(made, offsMs)
        const all = [...new Map(logs.flat().map((event) => [event.id, event])).values()]
        const [one] = kitsFromLog(all)
        const want = seen({ kit: one ?? null })
        for (const first of logs) {
          const merged = [...first]
          logs.forEach((other) => merge(merged, other))
          expect(seen(stepwise(merged, sizes))).toEqual(want)
        }
        const chance = seededRandom(seed)
        const anyOrder = all
          .map((event) => ({ event, by: chance.uniform() }))
          .sort((a, b) => a.by - b.by)
          .map(({ event }) => event)
        expect(seen(stepwise(anyOrder, sizes))).toEqual(want)
        expect(liveEvents(anyOrder)).toEqual(liveEvents(all))
      },
    ),
    { numRuns: times(60, 1000) },
  )
})

test('an entry that comes late never wins over a newer one, and what is done next stands behind all that is known', () => {
  const reading = (id: string, at: string, hz: number): HumbraEvent =>
    ({
      ...{ id, at, kit: 'k', schema: 12, source: 'typed', algorithm: null, kind: 'headRead' },
      ...{ drum: 'd', side: 'batter', hz, standardErrorHz: 0.2 },
    }) as HumbraEvent
  const kit = told([])
  const yesterday = reading('a', '2026-02-10T12:00:00.000Z', 170.5)
  const days5 = reading('b', '2026-02-06T12:00:00.000Z', 150.5)
  const hzOf = (log: readonly HumbraEvent[]) =>
    stepwise(log, [0]).kit!.heads.get('d/batter')!.real.sittings.at(-1)!.sitting(6).passes.at(-1)!.whole!.hz
  expect([hzOf([...kit, yesterday, days5]), hzOf([...kit, days5, yesterday])]).toEqual([170.5, 170.5])
  // A clock that went back a year: what is read now is the newest all the same.
  const now = nextMoment(yesterday, Date.parse('2025-02-10T12:00:00.000Z'))
  const read = { ...reading('c', now.at, 160), nth: now.nth }
  expect(hzOf([...kit, read, yesterday])).toBe(160)
  expect(nextMoment(yesterday, Date.parse(yesterday.at) + 1)).toEqual({
    at: '2026-02-10T12:00:00.001Z',
    nth: 0,
  })
})

test('withdrawals in a ring, on themselves or on what comes later say nothing; the last word on an entry counts', () => {
  const kit = told([{ what: 'rename', which: 1, practice: false }])
  const word = (id: string, event: string, second: number): HumbraEvent =>
    ({
      ...{ id, event, kind: 'withdrawn', at: new Date(Date.UTC(2026, 1, 1, 0, 0, second)).toISOString() },
      ...{ kit: 'k', schema: 12, source: 'hand', algorithm: null },
    }) as HumbraEvent
  const nameAfter = (...words: HumbraEvent[]) =>
    [kitsFromLog([...kit, ...words])[0], stepwise([...words, ...kit], [0]).kit!].map(({ name }) => name)
  const [named, before] = [
    ['Kit 1', 'Kit 1'],
    ['Kit', 'Kit'],
  ]
  expect(nameAfter(word('x', 'y', 1), word('y', 'x', 2), word('z', 'z', 3))).toEqual(named)
  expect(nameAfter(word('x', 'e2', 1))).toEqual(before)
  expect(nameAfter(word('x', 'e2', 1), word('y', 'x', 2))).toEqual(named)
  expect(nameAfter(word('x', 'e2', 1), word('y', 'x', 2), word('z', 'y', 3))).toEqual(before)
  expect(nameAfter(word('x', 'e2', -4e7))).toEqual(named)
  // A chain as long as a hostile file can make it.
  const chain = Array.from({ length: 50_001 }, (_, i) => word(`w${i}`, i ? `w${i - 1}` : 'e2', i))
  expect(kitsFromLog([...kit, ...chain])[0].name).toBe('Kit')
})

/** A long log by chance of its own: its first half lies behind the base. */
function long(seed: number, length = 5 * TAIL_KEPT): HumbraEvent[] {
  const made = fc.sample(fc.array(step, { minLength: length, maxLength: length }), { seed, numRuns: 1 })[0]
  // Only what is near is withdrawn, and now and then something long ago.
  return told(made).map((event, i, all) =>
    event.kind === 'withdrawn' && i % 17 ? { ...event, event: all[Math.max(2, i - 1 - (i % 5))].id } : event,
  )
}

test.each([1, 2, 3].slice(0, times(2, 3)))(
  'a long log (%i): the base is what the full fold says, and a summary brings it back',
  (seed) => {
    const log = long(seed)
    const state = stepwise(log, [0, 3, 1])
    expect(state.baseCount).toBeGreaterThan(TAIL_KEPT)
    expect(state.tail.length).toBeLessThan(2 * TAIL_KEPT)
    const [all] = kitsFromLog(log)
    expect(seen(state)).toEqual(seen({ kit: all ?? null }))
    const summary = structuredClone(summaryOf(state, 7, lugsThen)!)
    const opened = withEvents(logOfSummary(summary)!, state.tail)!
    expect(seen(opened)).toEqual(seen({ kit: all ?? null }))
    expect([opened.baseCount, opened.baseEnd!.id]).toEqual([state.baseCount, state.baseEnd!.id])
    expect(logOfSummary({ ...summary, version: -1 })).toBeNull()
  },
)

test('what reaches back behind the base asks for the whole log', () => {
  const state = stepwise(long(4), [0])
  const [{ at: first }, at] = [long(4)[0], state.tail.at(-1)!.at]
  const undo = { ...state.tail[0], kind: 'withdrawn', id: 'u', event: 'e3', at } as HumbraEvent
  expect(withEvents(state, [undo])).toBeNull()
  expect(withEvents(state, [{ ...state.tail[0], id: 'late', at: first }])).toBeNull()
})

test('a state told again folds to what anybody can see of it', () => {
  let told = 0
  for (const seed of [5, 6, 7, 8, 9, 10].slice(0, times(3, 6))) {
    const { kit } = stepwise(long(seed), [0, 3])
    // In some of them chance took the drum back.
    if (!kit?.drums.length) continue
    told++
    let count = 0
    const [again] = kitsFromLog(restated(kit!, () => `new-${count++}`))
    const plain = (state: NonNullable<typeof kit>) => ({
      ...{ name: state.name, drums: state.drums, sheet: state.sheet },
      heads: [...packed(state, lugsThen).heads]
        .sort(([a], [b]) => a.localeCompare(b))
        .map(([key, { real, practice }]) => [
          key,
          [real, practice].map(({ sittings, fitted, findings, looked }) => ({
            ...{ sittings, fitted, looked },
            findings: findings.map(({ finding, rods }) => ({ finding, rods })),
          })),
        ]),
      strokes: [...state.struck].map(([drum, { real, practice }]) => [
        drum,
        [real, practice].map(({ strokes, layers }) => [strokes.map(({ event }) => event.id), layers ?? []]),
      ]),
    })
    expect(plain(again)).toEqual(plain(kit!))
  }
  expect(told).toBeGreaterThan(0)
})
