import { headStatus } from '../status/head'
import { roundsOf } from './rounds'
import { kitsFromLog } from './kitLog'
import type { HeadEvent, HumbraEvent } from '../records/event'
import { NO_DIAL, requestOf } from '../status/inputs'
import { usualDrum } from '../records/usualDrum'
import { SITTING_GAP_MS } from './sittings'
import { sittingsOf } from './testLog'
import type { KitState } from './fold'
import { aimOf, solverTarget, targetFromFit, targetLugHz } from '../status/targets'

const START = Date.UTC(2026, 0, 5, 12)
let count = 0
const base = (atMs: number, source: HumbraEvent['source'] = 'typed') => ({
  ...{ id: `e${++count}`, at: new Date(atMs).toISOString(), kit: 'k', schema: 1, nth: count, source },
  algorithm: null,
})
const onHead = { drum: 'd', side: 'batter' as const }
const reading = (atMs: number, lug: number, hz: number, source?: HumbraEvent['source']): HeadEvent => ({
  ...base(atMs, source),
  ...onHead,
  ...{ kind: 'readingTaken', lug, hz, standardErrorHz: 0.2, poles: [], otherHead: 'muted' },
})
const turned = (atMs: number, turns: number[]): HeadEvent => ({
  ...base(atMs),
  ...onHead,
  kind: 'rodsTurned',
  turns,
  planned: turns,
})
const pressed = (atMs: number): HeadEvent => ({ ...base(atMs), ...onHead, kind: 'pressed' })
const edited = (change: Extract<HumbraEvent, { kind: 'kitEdited' }>['change']): HumbraEvent => ({
  ...base(START),
  kind: 'kitEdited',
  change,
})

const TURNS = [0.125, 0, 0, 0.125, 0, 0]

test('events are cut into passes: readings, turns, readings', () => {
  const [sitting] = sittingsOf(
    [
      reading(START, 1, 150),
      reading(START + 1, 1, 150.2),
      reading(START + 2, 2, 151),
      turned(START + 3, TURNS),
      turned(START + 4, [0, 0.25, 0, 0, 0, 0]),
      pressed(START + 5),
      reading(START + 6, 1, 155),
    ],
    6,
  )
  expect(sitting.passes.length).toBe(2)
  const [first, second] = sitting.passes
  expect(first.readings.get(1)!.used.length).toBe(2)
  expect(first.turns).toEqual([0.125, 0.25, 0, 0.125, 0, 0])
  expect(first.moves).toBe(2)
  expect(second).toMatchObject({ pressed: true, turns: null })
  const rounds = roundsOf(sitting, 6, false)
  expect(rounds.map((round) => round.readingsHz!.filter(Boolean).length)).toEqual([2, 1])
  expect(rounds[0].turns).toEqual(first.turns)
})

test('a long pause begins a new sitting, a fitted head drops what was before', () => {
  const later = START + SITTING_GAP_MS + 1000
  const events = [reading(START, 1, 150), reading(later, 1, 149)]
  expect(sittingsOf(events, 6).length).toBe(2)
  const fitted: HeadEvent = {
    ...base(START + 10),
    ...onHead,
    kind: 'headFitted',
    head: usualDrum('tom', 12, 'd').batter,
  }
  const [only, ...none] = sittingsOf([events[0], fitted, events[1]], 6)
  expect(none).toEqual([])
  expect(only.passes[0].readings.get(1)!.hz).toBeCloseTo(149, 6)
})

test('a pass under way: the plan leaves its turns out, the forecast counts them', () => {
  const [sitting] = sittingsOf([reading(START, 1, 150), turned(START + 1, TURNS)], 6)
  expect(roundsOf(sitting, 6, false)).toHaveLength(1)
  expect(roundsOf(sitting, 6, false)[0].turns).toBeUndefined()
  const open = roundsOf(sitting, 6, true)
  expect(open).toHaveLength(2)
  expect(open[0].turns).toEqual(TURNS)
})

const made = () => edited({ what: 'kitMade', name: 'Kit', simulated: false })
const drum = usualDrum('tom', 12, 'd')

function kitOf(log: HumbraEvent[]): KitState {
  return kitsFromLog(log)[0]
}

test('drums in order, removed and copied', () => {
  const other = { ...drum, id: 'other', name: 'Other' }
  const third = { ...drum, id: 'third', name: 'Third' }
  const log = [
    made(),
    ...[drum, other].map((each) => edited({ what: 'drumAdded', drum: each, after: null })),
    edited({ what: 'drumAdded', drum: third, after: 'd' }),
  ]
  const ids = (events: HumbraEvent[]) => kitOf(events).drums.map(({ id }) => id)
  expect(ids(log)).toEqual(['d', 'third', 'other'])
  expect(ids([...log, edited({ what: 'drumsOrdered', order: ['other', 'd'] })])).toEqual([
    'other',
    'd',
    'third',
  ])
  expect(ids([...log, edited({ what: 'drumRemoved', drum: 'd' })])).toEqual(['third', 'other'])
  expect(kitsFromLog([...log, edited({ what: 'kitRemoved' })])).toEqual([])
})

const FIT = { meanHz: 150, meanErrorCents: 0.5, cosineCents: 4, sineCents: -3, waveErrorCents: 0.4 }

test('a kept target is even at its mean unless the unevenness was meant', () => {
  const even = targetFromFit(FIT, 8, false)
  expect(solverTarget(even, 6)).toEqual({ hz: 150 })
  targetLugHz(even, 6).forEach((hz) => expect(hz).toBeCloseTo(150, 9))
  const meant = targetFromFit(FIT, 8, true)
  const lugHz = targetLugHz(meant, 6)
  expect(1200 * Math.log2(Math.max(...lugHz) / Math.min(...lugHz))).toBeGreaterThan(7)
  expect(solverTarget(meant, 6)).toEqual({ profileHz: lugHz })
})

test('the sheet is the aim where it knows the head; the request holds the log’s readings', () => {
  const target = targetFromFit(FIT, 8, false)
  const log: HumbraEvent[] = [
    made(),
    edited({ what: 'drumAdded', drum, after: null }),
    ...[150, 151, 149, 150, 151, 149].map((hz, i) => reading(START + i, i + 1, hz)),
  ]
  const before = kitOf(log)
  expect(aimOf(before, 'd', 'batter')).toEqual({ kind: 'level' })
  log.push({ ...base(START + 9), ...onHead, kind: 'sheetKept', sheet: 's', name: 'Lounge', target })
  const kit = kitOf(log)
  expect(aimOf(kit, 'd', 'batter')).toEqual({ kind: 'sheet' })
  expect(aimOf(kit, 'd', 'resonant')).toEqual({ kind: 'level' })
  const at = (nowMs: number) =>
    headStatus({ ...{ kit, practice: false, nowMs }, gauge: NO_DIAL }, drum, 'batter')
  const request = requestOf(at(START + 60_000), null, { open: false, keys: 2, largestStepTurns: 0.5 })
  expect(request).toMatchObject({ target: { hz: 150 }, toleranceCents: 8, keys: 2 })
  expect(request.rounds[0].readingsHz).toHaveLength(6)
  expect(at(START + 60_000).pitch.hz).toBeCloseTo(150, 0)
  // Much later the sitting is over, and what was last known still stands.
  const later = at(START + 2 * SITTING_GAP_MS)
  expect(later.sitting).toBeNull()
  expect(later.pitch).toMatchObject({ known: 'aged', hz: expect.closeTo(150, 0) })
  log.push(edited({ what: 'aimSet', drum: 'd', side: 'batter', aim: { kind: 'hz', hz: 160 } }))
  expect(aimOf(kitOf(log), 'd', 'batter')).toEqual({ kind: 'hz', hz: 160 })
})
