import { kitsFromLog } from '../log/kitLog'
import type { Aim, Drum, Side } from '../records/kit'
import type { HumbraEvent } from '../records/event'
import { usualDrum } from '../records/usualDrum'
import { SITTING_GAP_MS } from '../log/sittings'
import { DEFAULT_SETTINGS } from '../records/plain'
import { headStatus } from './head'
import { requestOf, type Gauge } from './inputs'

/** The Bench's head and what it asks, from the log alone. */
const START = Date.UTC(2026, 4, 4, 19)
const TOM = { ...usualDrum('tom', 12, 'd'), lugs: 6 }
const UP = [0.125, 0.125, 0.125, 0.125, 0.125, 0.125]

interface Told {
  kind: string
  atMs?: number
  [key: string]: unknown
}

/** A head's log over some sittings; each begins a day after the one before. */
function benchOf(
  bodies: Told[],
  { drum = TOM as Drum, aim, side = 'batter' as Side }: { drum?: Drum; aim?: Aim; side?: Side } = {},
) {
  const made: Told[] = [
    { kind: 'kitEdited', change: { what: 'kitMade', name: 'Own', simulated: false } },
    { kind: 'kitEdited', change: { what: 'drumAdded', drum, after: null } },
    ...(aim ? [{ kind: 'kitEdited', change: { what: 'aimSet', drum: 'd', side, aim } }] : []),
    ...bodies.map((body) => ({ drum: 'd', side, ...body })),
  ]
  // The drum is there before anything is read.
  let now = START - 60_000
  const log = made.map(({ atMs, ...event }, i): unknown => {
    now = atMs ?? now + 1000
    return {
      ...{
        id: `e${i}`,
        at: new Date(now).toISOString(),
        kit: 'k',
        schema: 5,
        source: 'typed',
        algorithm: null,
        nth: i,
      },
      ...event,
    }
  })
  const kit = kitsFromLog(log as HumbraEvent[])[0]
  const nowMs = now + 1000
  const headBy = (gauge: Gauge) =>
    headStatus({ ...{ kit, practice: false, nowMs }, gauge }, kit.drums[0], side)
  const head = headBy(DEFAULT_SETTINGS)
  const ask = (change: Partial<typeof DEFAULT_SETTINGS> = {}, open = false) => {
    const { keys, largestStepTurns, ...gauge } = { ...DEFAULT_SETTINGS, ...change }
    const anew = head.sitting === null
    return requestOf(headBy(gauge), head.otherHz, { open, anew, keys, largestStepTurns })
  }
  return { kit, head, ask }
}
const tap = (lug: number, hz: number, atMs?: number): Told => ({
  ...{ kind: 'readingTaken', lug, hz, standardErrorHz: 0.2, poles: [], otherHead: 'muted' },
  ...(atMs === undefined ? {} : { atMs }),
})
const all = (hz: number, atMs?: number) =>
  [1, 2, 3, 4, 5, 6].map((lug) => tap(lug, hz, lug === 1 ? atMs : undefined))
const turn = (turns: number[]): Told => ({ kind: 'rodsTurned', turns, planned: turns })

/** A sitting in which the head went from 150 to `hz` by an eighth of every rod. */
const taught = (atMs: number, hz: number) => [
  ...all(150, atMs),
  turn(UP),
  { kind: 'pressed' as const },
  ...all(hz),
]
const DAY = 86_400_000

test('the sitting that goes on is the newest within three hours; what was before is kept beside', () => {
  const { head } = benchOf([...all(150), ...all(152, START + SITTING_GAP_MS + 60_000)])
  expect(head.sitting!.passes[0].readings.get(1)!.hz).toBeCloseTo(152, 6)
  expect(head.before!.passes[0].readings.get(1)!.hz).toBeCloseTo(150, 6)
  expect(head.pitch.hz).toBeCloseTo(152, 0)
  const none = benchOf([])
  expect(none.head).toMatchObject({
    sitting: null,
    before: null,
    learned: null,
    fittedAt: null,
    markTurns: null,
  })
  expect(none.head).toMatchObject({ pitch: { hz: null, known: 'unknown' }, asRead: null, verdict: 'unknown' })
  expect(none.ask()).toMatchObject({ rounds: [{}], target: { level: true } })
})

test('what a drum’s turns did is learned from sittings before, and is less sure with each that passed', () => {
  const gain = (162 ** 2 - 150 ** 2) / 0.125
  const one = benchOf([...taught(START, 162), ...all(160, START + DAY)])
  expect(one.head.learned!.hz2PerTurn / gain).toBeGreaterThan(0.8)
  expect(one.head.learned!.hz2PerTurn / gain).toBeLessThan(1.2)
  expect(one.ask().learned).toEqual(one.head.learned)
  // A sitting in which nothing was turned teaches nothing.
  expect(benchOf([...all(150), ...all(151, START + DAY)]).head.learned).toBeNull()
  const sittings = (count: number) =>
    benchOf([
      ...Array.from({ length: count }, (_, i) => taught(START + i * DAY, 162)).flat(),
      ...all(160, START + 9 * DAY),
    ]).head.learned!
  // Four sittings are learned from; a fifth further back no longer counts.
  const numbers = ({
    hz2PerTurn,
    hz2PerTurnError,
    secondAnswer,
    secondAnswerError,
  }: ReturnType<typeof sittings>) =>
    `${hz2PerTurn.toFixed(0)} ± ${hz2PerTurnError.toFixed(0)}, ${secondAnswer.toFixed(3)} ± ${secondAnswerError.toFixed(3)}`
  expect([1, 2, 4, 5].map((count) => numbers(sittings(count)))).toMatchInlineSnapshot(`
   [
     "31223 ± 6099, 0.380 ± 0.145",
     "30404 ± 4421, 0.380 ± 0.171",
     "30080 ± 3617, 0.380 ± 0.229",
     "30080 ± 3617, 0.380 ± 0.229",
   ]
  `)
  expect(numbers(sittings(5))).toBe(numbers(sittings(4)))
  // However often it was seen, a tenth stays open: a head that changed must be able to say so.
  for (const count of [1, 4])
    expect(sittings(count).hz2PerTurnError / sittings(count).hz2PerTurn).toBeGreaterThanOrEqual(0.1)
})

test('a fresh film drops what the old one taught, one of the same kind keeps it', () => {
  const fitted = (sameFilm: boolean): Told => ({
    kind: 'headFitted',
    head: TOM.batter,
    sameFilm,
    markTurns: 0.25,
    atMs: START + DAY,
  })
  const kept = benchOf([...taught(START, 162), fitted(true), ...all(140)])
  expect(kept.head.learned).not.toBeNull()
  expect(kept.head.markTurns).toBe(0.25)
  expect(kept.head.fittedAt).toBe(new Date(START + DAY).toISOString())
  expect(benchOf([...taught(START, 162), fitted(false), ...all(140)]).head.learned).toBeNull()
})

test('the aim is what is asked for: a pitch, offsets that fit the drum, a bed, else even where it stands', () => {
  const target = (aim?: Aim, drum: Drum = TOM, side: Side = 'batter') =>
    benchOf(all(150), { aim, drum, side }).ask().target
  expect(target()).toEqual({ level: true })
  expect(target({ kind: 'hz', hz: 160 })).toEqual({ hz: 160 })
  const offsets = [0.25, 0, 0, 0.25, 0, 0]
  expect(target({ kind: 'offsets', hz: 160, offsetTurns: offsets })).toEqual({
    hz: 160,
    offsetTurns: offsets,
  })
  // Offsets for another number of lugs are none.
  expect(target({ kind: 'offsets', hz: 160, offsetTurns: [0.25, 0] })).toEqual({ level: true })
  const bed = target({ kind: 'bed', hz: 160, bedCents: 40 })
  expect('profileHz' in bed && bed.profileHz.length).toBe(6)
})

test('a snare bed is told of the snare side alone, and an empty answer is none', () => {
  const snare: Drum = { ...usualDrum('snare', 14, 'd'), lugs: 6, snareBed: { lugs: [1, 4], cents: 30 } }
  const told = (drum: Drum, side: Side) => benchOf([tap(2, 300)], { drum, side }).ask().head.snareBed
  expect(told(snare, 'resonant')).toEqual({ lugs: [1, 4], cents: 30 })
  expect(told(snare, 'batter')).toBeUndefined()
  expect(told({ ...snare, snareBed: { lugs: [], cents: 0 } }, 'resonant')).toBeUndefined()
})

test('tolerance: the drum’s own, and never under ten cents where it is uneven on purpose', () => {
  const ask = (aim: Aim, drum: Drum = TOM) => benchOf(all(150), { aim, drum }).ask().toleranceCents
  const tight: Drum = { ...usualDrum('snare', 14, 'd'), lugs: 6 }
  const offsetTurns = [0.25, 0, 0, 0.25, 0, 0]
  expect(ask({ kind: 'hz', hz: 300 }, tight)).toBeLessThan(10)
  expect(ask({ kind: 'offsets', hz: 300, offsetTurns }, tight)).toBe(10)
  expect(ask({ kind: 'hz', hz: 150 })).toBeGreaterThanOrEqual(8)
})

test('settings and what stands open of looking over go along', () => {
  const law = { g0: 90, c: 40_000 }
  const { ask } = benchOf([...all(150), { kind: 'gaugeRead', lug: 1, dial: 70 }])
  expect(ask({ keys: 1, largestStepTurns: 0.5, gaugeLaw: law, gaugeError: 0.5 })).toMatchObject({
    ...{ keys: 1, largestStepTurns: 0.5, gaugeLaw: law, gaugeError: 0.5 },
    rounds: [{ gauge: [70, null, null, null, null, null] }],
  })
  // Without a dial in it the dial's error is nobody's business.
  expect(benchOf(all(150)).ask({ gaugeError: 0.5 }).gaugeError).toBeUndefined()
  expect(benchOf([...all(150), { kind: 'readingsBelieved', lugs: [] }]).ask().believe).toBe('readings')
  expect(benchOf([{ kind: 'slackStarted', school: 'fingers' }, ...all(150)]).ask()).toMatchObject({
    start: 'slack',
    slackSchool: 'fingers',
  })
})

test('what is known after a sitting, the open turns counted; a dial alone says nothing of the pitch', () => {
  const { head, ask } = benchOf([...all(150), turn(UP)])
  expect(ask({}, true).rounds.length).toBe(ask({}, false).rounds.length + 1)
  expect(head.pitch.known).toBe('expected')
  expect(head.pitch.hz).toBeGreaterThan(154)
  const read = benchOf(all(150)).head
  expect(read.pitch).toMatchObject({ known: 'lugs', lugs: [1, 2, 3, 4, 5, 6], hz: expect.closeTo(150, 0) })
  expect(read.asRead!.errorCents).toBeGreaterThan(0)
  expect(Math.hypot(read.asRead!.cosineCents, read.asRead!.sineCents)).toBeLessThan(3)
  const dial = benchOf([{ kind: 'gaugeRead', lug: 1, dial: 70 }])
  expect(dial.head.asRead).toBeNull()
})
