import { times } from '@ref/long'
import fc from 'fast-check'
import { lugsThen } from '../status/strokes'
import type { HumbraEvent } from '../records/event'
import { usualDrum } from '../records/usualDrum'
import {
  deadIds,
  kitsFromLog,
  newKitLog,
  TAIL_KEPT,
  WholeFold,
  withEvents,
  type KitLog,
  type Placed,
} from './kitLog'
import { restated } from './restate'
import { packed, stateOfSummary, summaryOf } from './summary'

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

const placedOf = (log: readonly HumbraEvent[]): Placed[] => log.map((event, i) => ({ event, place: i + 1 }))

function whole(log: readonly HumbraEvent[]): KitLog {
  const fold = new WholeFold('k', deadIds(log as never))
  placedOf(log).forEach((entry) => fold.add([entry]))
  return fold.end()
}

/** The state of a kit by what anybody can see of it. */
const seen = ({ kit }: { kit: KitLog['kit'] }) => kit && packed(kit, lugsThen)

/** The log fed piece by piece, as acts without a place that get one later; folded anew where that is asked for. */
function stepwise(log: readonly HumbraEvent[], sizes: readonly number[]): KitLog {
  let state = newKitLog('k')
  for (let from = 0, i = 0; from < log.length; i++) {
    const to = Math.min(log.length, from + 1 + (sizes[i % sizes.length] ?? 0))
    const piece = placedOf(log).slice(from, to)
    const asActs = withEvents(
      state,
      piece.map(({ event }) => ({ event, place: Infinity })),
    )
    state = (asActs && withEvents(asActs, piece)) ?? whole(log.slice(0, to))
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
    expect(state.basePlace).toBeGreaterThan(TAIL_KEPT)
    expect(state.tail.length).toBeLessThan(2 * TAIL_KEPT)
    const [all] = kitsFromLog(log)
    expect(seen(state)).toEqual(seen({ kit: all ?? null }))
    const summary = structuredClone(summaryOf(state, lugsThen))
    const base = stateOfSummary(summary)
    const opened = withEvents(
      newKitLog('k', base ?? null, summary.place, new Set(summary.settled)),
      state.tail,
    )!
    expect(seen(opened)).toEqual(seen({ kit: all ?? null }))
    expect(stateOfSummary({ ...summary, version: -1 })).toBeUndefined()
  },
)

test('two tabs: events that another tab wrote in between are put in their place', () => {
  fc.assert(
    fc.property(fc.array(step, { maxLength: 40 }), fc.array(fc.boolean()), (made, mine) => {
      const log = told(made)
      const entries = placedOf(log)
      const own = entries.filter((_, i) => i < 2 || mine[i % (mine.length || 1)])
      // Ours first, without places; then all of it, as the database has it.
      const acts = withEvents(
        newKitLog('k'),
        own.map(({ event }) => ({ event, place: Infinity })),
      )!
      const after = withEvents(acts, entries)!
      const [all] = kitsFromLog(log)
      expect(seen(after)).toEqual(seen({ kit: all ?? null }))
      expect(after.tail.length).toBe(log.length)
    }),
    { numRuns: 60 },
  )
})

test('what reaches back behind the base asks for the whole log', () => {
  const state = stepwise(long(4), [0])
  const undo: HumbraEvent = { ...long(4)[0], kind: 'withdrawn', id: 'u', event: 'e3' } as never
  expect(withEvents(state, [{ event: undo, place: Infinity }])).toBeNull()
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
