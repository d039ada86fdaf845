import { times } from '@ref/long'
import { kitsFromLog } from '../log/kitLog'
import fc from 'fast-check'
import { even } from '../evening/even'
import { parseEvenRequest } from '../records/even'
import type { HumbraEvent } from '../records/event'
import type { HeadEvent } from '../records/event'
import { headStatus, type HeadStatus } from './head'
import { NO_DIAL, requestOf, type Here } from './inputs'
import { drumStatus } from './drum'
import { kitStatus } from './kit'
import { drumJob } from './line'
import { nextOfHead } from './next'
import { drumStanding, standingNow } from '../sheets/compare'
import { knownKit } from '../sheets/planning'
import { worklist } from './worklist'
import { centsBetween } from '../units/pitch'
import type { Aim } from '../records/kit'
import type { SheetDrum } from '../records/sheet'
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

function asked(kit: ReturnType<typeof kitOf>['kit'], nowMs: number, open: boolean) {
  const head = headStatus({ ...{ kit, practice: false, nowMs }, gauge: NO_DIAL }, drum, 'batter')
  const { keys, largestStepTurns } = DEFAULT_SETTINGS
  const anew = head.sitting === null
  return { head, request: requestOf(head, head.otherHz, { open, anew, keys, largestStepTurns }) }
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
      const { head, request } = asked(kit, nowMs, true)
      const written = JSON.parse(JSON.stringify(request)) as unknown
      const parsed = parseEvenRequest(written)
      expect(parsed).toMatchObject({ ok: true })
      const answer = even(request)
      if (parsed.ok) expect(even(parsed.value)).toEqual(answer)
      const [report] = headReports({ ...{ kit, practice: false, nowMs }, gauge: NO_DIAL }, { side: 'batter' })
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
  const { rounds } = asked(kit, nowMs, false).request
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
  const { rounds } = asked(kit, nowMs, false).request
  expect(rounds.length).toBe(2)
  expect(rounds[0].turns).toEqual([0, 0, 0, 0, 0, 0])
  expect(rounds[1].readingsHz!.slice(0, 3)).toEqual([152, 153, 154])
})

test('readings that are to be believed go along: lug by lug, or all', () => {
  const one = completed({ kind: 'readingTaken', source: 'typed', hz: 150, lug: 1 } as never)
  const ask = (lugs: number[]) => {
    const { kit, nowMs } = kitOf([one, { kind: 'readingsBelieved', lugs } as Body])
    return asked(kit, nowMs, false).request
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
  const [report] = headReports(
    { ...{ kit, practice: false, nowMs }, gauge: NO_DIAL },
    { drum: 'd', side: 'batter' },
  )
  expect(report).toMatchObject({ sitting: null, even: null, believed: null, forecast: null })
})

/** One head in every state that a log can bring about: read so, the other head so, found so, turned since. */
const anyHead = fc.record({
  source: fc.constantFrom('lugs', 'one-number', 'dial', 'ear', 'nothing'),
  lugs: fc.subarray([1, 2, 3, 4, 5, 6], { minLength: 1 }),
  base: fc.double({ min: 140, max: 180, noNaN: true }),
  rough: fc.constantFrom(0, 0.4, 3),
  otherHead: fc.constantFrom('muted', 'free', 'off'),
  otherRead: fc.boolean(),
  law: fc.boolean(),
  dead: fc.constantFrom([], [3], [2, 5]),
  aim: fc.constantFrom(
    null,
    { kind: 'hz', hz: 160 },
    { kind: 'offsets', hz: 160, offsetTurns: [0.1, 0, 0, 0.1, 0, 0] },
    { kind: 'bed', hz: 160, bedCents: 20 },
  ),
  kept: fc.boolean(),
  turned: fc.constantFrom(null, [0.25, 0.25, 0.25, 0.25, 0.25, 0.25], [0, 0.125, 0, 0, 0.125, 0]),
  struck: fc.boolean(),
  laterHours: fc.constantFrom(0, 30),
})
type AnyHead = typeof anyHead extends fc.Arbitrary<infer Head> ? Head : never

const handOf = ({ hand }: Partial<SheetDrum>) => (hand?.batter ? { hand: hand.batter } : {})

function hereOf(head: AnyHead, keptNow: Partial<SheetDrum> = {}): Here {
  const { source, lugs, base, rough, aim, turned } = head
  const at = (lug: number) => base + rough * Math.cos(2 * lug) + 0.02 * lug
  const poles = { standardErrorHz: 0.2, otherHead: head.otherHead, poles: [] }
  const bodies: object[] = [
    ...(head.otherRead
      ? [1, 2, 3, 4, 5, 6].map((lug) => ({ kind: 'readingTaken', side: 'resonant', lug, hz: 205, ...poles }))
      : []),
    ...(head.dead.length ? [{ kind: 'findingNoted', finding: 'stripped', rods: head.dead }] : []),
    ...(source === 'lugs' ? lugs.map((lug) => ({ kind: 'readingTaken', lug, hz: at(lug), ...poles })) : []),
    ...(source === 'one-number' ? [{ kind: 'headRead', hz: base, standardErrorHz: 0.6 }] : []),
    ...(source === 'dial'
      ? lugs.map((lug) => ({ kind: 'gaugeRead', lug, dial: Math.round(70 + rough * Math.cos(2 * lug)) }))
      : []),
    ...(source === 'ear'
      ? lugs.map((lug) => ({ kind: 'earHeard', lug, word: lug % 2 ? 'alike' : 'higher', reference: 1 }))
      : []),
    ...(head.struck ? [{ kind: 'centreRead', hz: 0.6 * base, standardErrorHz: 0.2, decaySeconds: 0.3 }] : []),
    ...(turned ? [{ kind: 'rodsTurned', turns: turned, planned: turned }] : []),
    ...(keptNow.batter
      ? [{ kind: 'sheetKept', sheet: 's', name: 'Hall', target: keptNow.batter, ...handOf(keptNow) }]
      : []),
  ]
  const target = { meanHz: 158, meanErrorCents: 1, cosineCents: 0, sineCents: 0, waveErrorCents: 1 }
  const { kit, nowMs } = kitOf([
    ...(head.kept
      ? [
          {
            ...{ kind: 'sheetKept', sheet: 's', name: 'Hall' },
            target: { ...target, keepUneven: false, toleranceCents: 8 },
          } as Body,
        ]
      : []),
    ...(bodies as Body[]),
  ])
  const aims = new Map(kit.aims)
  if (aim) aims.set('d/batter', aim as Aim)
  else aims.delete('d/batter')
  return {
    kit: { ...kit, aims },
    practice: false,
    nowMs: nowMs + head.laterHours * 3_600_000,
    gauge: { gaugeLaw: head.law ? { g0: 100, c: 30_000 } : null, gaugeError: 1, scatter: [] },
  }
}

test('every place says one pitch, one evenness, one verdict and one next of a head, however it is known', () => {
  fc.assert(
    fc.property(anyHead, (one) => {
      const here = hereOf(one)
      const head = headStatus(here, drum, 'batter')
      const { batter } = drumStatus(here, drum).heads
      const says = ({ pitch, evenness, verdict, offCents }: HeadStatus) => ({
        pitch,
        evenness,
        verdict,
        offCents,
      })
      if (head.pitch.known !== 'unknown') expect(says(batter)).toEqual(says(head))
      const [inKit] = kitStatus(here)
      const job = drumJob(here, drum, 'batter')
      for (const other of [inKit.heads.batter, job.heads.batter]) expect(says(other)).toEqual(says(batter))
      expect(job.next.batter).toEqual(nextOfHead(batter))
      // What is kept, planned and judged is that pitch.
      const keeps = drumStanding(here, drum).batter
      expect(keeps?.meanHz ?? null).toBe(batter.asRead ? batter.pitch.hz : null)
      expect(standingNow(here).get('d')!.batter).toEqual(keeps)
      const { pair } = knownKit(here).drums[0]
      expect([pair.batterHz, pair.stands.batterHz]).toEqual([head.pitch.hz, batter.pitch.hz])
      const [report] = headReports(here, { side: 'batter' })
      expect(report.status).toEqual({ ...says(batter), next: nextOfHead(batter) })
      const sheet = here.kit.sheets[0]
      const work = sheet && worklist({ ...here, sheet, keys: 2 }).find(({ side }) => side === 'batter')
      if (work && batter.pitch.hz !== null)
        expect(work.offCents).toBeCloseTo(centsBetween(158, batter.pitch.hz), 6)
      if (work && batter.pitch.hz === null) expect(work.offCents).toBeNull()
      // What was just kept is where it is: on its pitch, at once.
      if (keeps) {
        const after = hereOf(
          { ...one, aim: null, kept: false, laterHours: 0 },
          drumStanding(hereOf({ ...one, aim: null, kept: false, laterHours: 0 }), drum),
        )
        expect(Math.abs(drumStatus(after, drum).heads.batter.offCents ?? 0)).toBeLessThan(1)
        expect(drumJob(after, drum, 'batter').heads.batter.verdict).not.toBe('off')
      }
      // The pass is made from the same head: its figures, and done only where the verdict is no worse.
      if (head.sitting) {
        const answer = even(requestOf(head, head.otherHz, { open: true, keys: 2, largestStepTurns: 0.25 }))
        if (head.pitch.known !== 'unknown') expect(answer.meanHz).toBeCloseTo(head.pitch.hz!, 6)
        if (head.pitch.known === 'lugs' && head.evenness.known === 'lugs')
          expect(answer.spreadCents).toBeCloseTo(head.evenness.spreadCents!, 6)
        const ends = answer.reason === 'within-tolerance' || answer.reason === 'no-turn-helps'
        if (head.verdict === 'even') expect([answer.done, ends]).toEqual([true, true])
        if (answer.done && ends && head.evenness.known === 'lugs') expect(head.verdict).toBe('even')
      }
      // Whoever turned is not told to turn again, nor back.
      if (one.turned && batter.pitch.known === 'expected') expect(nextOfHead(batter)?.what).not.toBe('turn')
      // No word beyond what is known.
      if (head.verdict === 'even') expect([head.pitch.known, head.evenness.known]).not.toContain('unknown')
      if (one.source === 'one-number' || one.source === 'nothing') expect(head.evenness.known).toBe('unknown')
      if (one.source === 'lugs' && one.lugs.length < 2) expect(head.verdict).not.toBe('even')
      if (one.turned && one.source === 'lugs') expect(head.pitch.known).toBe('expected')
    }),
    { numRuns: times(60, 400), seed: 31 },
  )
})
