import { times } from '@ref/long'
import { benchHead } from './standing'
import { kitsFromLog } from '../log/kitLog'
import fc from 'fast-check'
import { even } from '../evening/even'
import { parseEvenRequest } from '../records/even'
import type { HumbraEvent } from '../records/event'
import type { HeadEvent } from '../records/event'
import { evenRequestFor } from './request'
import { usualDrum } from '../records/usualDrum'
import { headReports } from '../runs/reports'
import { DEFAULT_SETTINGS } from '../records/plain'

/**
 * One path: whatever the readings and wherever from, the Bench asks what its readings say and nothing else, what it asks is let
 * in at the door, and `state` answers the same for the kit's log.
 */
const START = Date.UTC(2026, 3, 2, 18)
const drum = { ...usualDrum('tom', 12, 'd'), lugs: 6 }

type Body = HeadEvent extends infer E ? (E extends unknown ? Partial<E> : never) : never

function kitOf(bodies: readonly Body[]) {
  const made: object[] = [
    { kind: 'kitEdited', change: { what: 'kitMade', name: 'Own', simulated: false } },
    { kind: 'kitEdited', change: { what: 'drumAdded', drum, after: null } },
    {
      kind: 'kitEdited',
      change: { what: 'aimSet', drum: 'd', side: 'batter', aim: { kind: 'hz', hz: 160 } },
    },
    ...bodies.map((body) => ({ drum: 'd', side: 'batter', ...body })),
  ]
  const log = made.map((event, i) => ({
    ...{ id: `e${i}`, at: new Date(START + 1000 * i).toISOString(), kit: 'k', schema: 5 },
    ...{ source: 'typed', algorithm: null },
    ...event,
  })) as HumbraEvent[]
  return { kit: kitsFromLog(log)[0], nowMs: START + 1000 * made.length }
}

const hz = fc.double({ min: 120, max: 220, noNaN: true }).map((value) => Math.round(100 * value) / 100)
const lug = fc.integer({ min: 1, max: 6 })
const anyBody = fc.oneof(
  {
    weight: 5,
    arbitrary: fc.record({ kind: fc.constant('readingTaken'), lug, hz, source: fc.constant('typed') }),
  },
  {
    weight: 3,
    arbitrary: fc.record({ kind: fc.constant('readingTaken'), lug, hz, source: fc.constant('microphone') }),
  },
  fc.record({ kind: fc.constant('gaugeRead'), lug, dial: fc.integer({ min: 50, max: 90 }) }),
  fc.record({
    kind: fc.constant('earHeard'),
    lug,
    word: fc.constantFrom('much-lower', 'lower', 'alike', 'higher', 'much-higher'),
    reference: fc.constant(1),
  }),
  fc.record({ kind: fc.constant('headRead'), hz, standardErrorHz: fc.constant(1.2) }),
  fc.record({ kind: fc.constant('pressed') }),
  fc.record({ kind: fc.constant('roundStarted') }),
  fc.record({
    kind: fc.constant('rodsTurned'),
    turns: fc.array(fc.constantFrom(-0.125, 0, 0, 0.125, 0.25), { minLength: 6, maxLength: 6 }),
    planned: fc.constant(null),
  }),
)

function completed(body: { kind: string; source?: string; hz?: number }): Body {
  if (body.kind !== 'readingTaken') return body as Body
  const poles =
    body.source === 'microphone'
      ? [{ hz: body.hz, decaySeconds: 0.2, levelDb: 0, standardErrorHz: 0.05 }]
      : []
  return { standardErrorHz: 0.2, otherHead: 'muted', ...body, poles } as Body
}

test('for any readings from any source the Bench asks what `even` is asked, and `state` says the same', () => {
  fc.assert(
    fc.property(fc.array(anyBody, { minLength: 1, maxLength: 16 }), (bodies) => {
      const { kit, nowMs } = kitOf(bodies.map(completed))
      const head = benchHead(kit, drum, 'batter', false, nowMs)
      const request = evenRequestFor(kit, head, null, DEFAULT_SETTINGS, true)
      const written = JSON.parse(JSON.stringify(request)) as unknown
      const parsed = parseEvenRequest(written)
      expect(parsed).toMatchObject({ ok: true })
      const answer = even(request)
      if (parsed.ok) expect(even(parsed.value)).toEqual(answer)
      const [report] = headReports(kit, nowMs, { side: 'batter' })
      if (head.sitting) expect(report.even).toEqual(answer)
      // No number becomes a pole on the way, and none is lost.
      const last = request.rounds
        .flatMap(({ readingsHz }) => readingsHz ?? [])
        .filter((value) => value !== null)
      const typed = new Set(
        bodies.flatMap((b) => ('hz' in b && b.kind === 'readingTaken' && b.source === 'typed' ? [b.hz] : [])),
      )
      if (bodies.filter(({ kind }) => kind === 'readingTaken').length === 1 && typed.size === 1)
        expect(last).toEqual([[...typed][0]])
    }),
    { numRuns: times(20, 60), seed: 3 },
  )
})

test('typed numbers are bare with their own errors; a tap twice is said to have come again', () => {
  const { kit, nowMs } = kitOf(
    [
      { kind: 'readingTaken', lug: 1, hz: 160, standardErrorHz: 0.5 },
      { kind: 'readingTaken', lug: 2, hz: 161.5, standardErrorHz: 0.2 },
      { kind: 'readingTaken', lug: 2, hz: 161.5, standardErrorHz: 0.2 },
    ].map((body) => completed({ ...body, source: 'typed' })),
  )
  const { rounds } = evenRequestFor(
    kit,
    benchHead(kit, drum, 'batter', false, nowMs),
    null,
    DEFAULT_SETTINGS,
    false,
  )
  expect(rounds[0].readings).toBeUndefined()
  expect(rounds[0].readingsHz).toEqual([160, expect.closeTo(161.5, 6), null, null, null, null])
  // 1731 * 0.5 / 160, and the cent by which two taps of a lug differ anyway.
  expect(rounds[0].readingErrorsCents![0]).toBeCloseTo(Math.hypot(5.41, 1), 1)
  expect(rounds[0].confirmed).toEqual([2])
})

test('a round begun anew is a round of its own in which nothing was turned', () => {
  const read = (first: number) =>
    [1, 2, 3].map((each) =>
      completed({ kind: 'readingTaken', source: 'typed', hz: first + each, lug: each } as never),
    )
  const { kit, nowMs } = kitOf([...read(150), { kind: 'roundStarted' } as Body, ...read(151)])
  const { rounds } = evenRequestFor(
    kit,
    benchHead(kit, drum, 'batter', false, nowMs),
    null,
    DEFAULT_SETTINGS,
    false,
  )
  expect(rounds.length).toBe(2)
  expect(rounds[0].turns).toEqual([0, 0, 0, 0, 0, 0])
  expect(rounds[1].readingsHz!.slice(0, 3)).toEqual([152, 153, 154])
})

test('readings that are to be believed go along: lug by lug, or all', () => {
  const one = completed({ kind: 'readingTaken', source: 'typed', hz: 150, lug: 1 } as never)
  const ask = (lugs: number[]) => {
    const { kit, nowMs } = kitOf([one, { kind: 'readingsBelieved', lugs } as Body])
    return evenRequestFor(kit, benchHead(kit, drum, 'batter', false, nowMs), null, DEFAULT_SETTINGS, false)
  }
  expect(ask([1]).rounds[0].confirmed).toEqual([1])
  expect(ask([1]).believe).toBeUndefined()
  expect(ask([]).believe).toBe('readings')
})

test('what was simulated never stands for a drum of one’s own', () => {
  const { kit, nowMs } = kitOf(
    [1, 2, 3, 4, 5, 6].map((each) => ({
      ...completed({ kind: 'readingTaken', source: 'microphone', hz: 150, lug: each } as never),
      source: 'practice',
    })) as Body[],
  )
  const [report] = headReports(kit, nowMs, { drum: 'd', side: 'batter' })
  expect(report).toMatchObject({ sitting: null, even: null, believed: null, forecast: null })
})
