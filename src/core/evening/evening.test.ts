import { times } from '@ref/long'
import fc from 'fast-check'
import { turnedByHand } from '../practice/drum'
import { lugTruth, type PracticeHead } from '../practice/model'
import { natureOf } from '../practice/nature'
import { spreadCents } from '../head/harmonics'
import type { EvenHead, Round } from '../head/types'
import { centsBetween } from '../units/pitch'
import { even } from './even'
import { orderSteps, starOrder } from './order'
import { defaultToleranceCents, handSpreadCents, likelyKind } from './tolerance'
import type { EvenRequest } from './types'

const HEAD: EvenHead = {
  ...{ side: 'batter', diameterInches: 14, lugs: 8, hoop: 'triple-flanged' },
  ...{ threadPitchMm: 1.058, pliesMils: [10] },
}
const READ = [228.1, 230, 231, 229, 228, 230.2, 231.1, 229.1]
const request = (change: Partial<EvenRequest> = {}): EvenRequest => ({
  head: HEAD,
  target: { hz: 234 },
  keys: 2,
  rounds: [{ readingsHz: READ }],
  ...change,
})

const anyRequest = fc
  .record({
    lugs: fc.integer({ min: 4, max: 12 }),
    inches: fc.constantFrom(8, 10, 12, 14, 16, 22),
    keys: fc.constantFrom<1 | 2>(1, 2),
    largestStepTurns: fc.constantFrom(1 / 8, 1 / 4, 1 / 2),
    off: fc.double({ min: -0.06, max: 0.06, noNaN: true }),
    shape: fc.array(fc.double({ min: -0.02, max: 0.02, noNaN: true }), { minLength: 12, maxLength: 12 }),
  })
  .map(({ lugs, inches, keys, largestStepTurns, off, shape }): EvenRequest => ({
    head: { ...HEAD, lugs, diameterInches: inches },
    target: { hz: 220 },
    keys,
    largestStepTurns,
    rounds: [{ readingsHz: shape.slice(0, lugs).map((x) => 220 * (1 + off + x)) }],
  }))

test('steps add up to the turns, within the step, the quantum and the keys, and say the same when asked twice', () => {
  fc.assert(
    fc.property(anyRequest, (asked) => {
      const answer = even(asked)
      const sums = new Array<number>(asked.head.lugs).fill(0)
      for (const step of answer.steps) {
        expect(step.rods.length).toBeLessThanOrEqual(asked.keys!)
        step.rods.forEach((rod, i) => (sums[rod - 1] += step.turns[i]))
      }
      answer.turns.forEach((turn, i) => {
        expect(sums[i]).toBeCloseTo(turn, 9)
        expect(Math.abs(turn)).toBeLessThanOrEqual(asked.largestStepTurns! + 1e-9)
        expect(Math.abs(turn * 32 - Math.round(turn * 32))).toBeLessThan(1e-9)
      })
      if (answer.done) expect(answer.turns.every((turn) => turn === 0)).toBe(true)
      expect(even(asked)).toEqual(answer)
    }),
    { numRuns: times(15, 60), seed: 4 },
  )
})

test('the low pair goes up and nothing goes down', () => {
  const answer = even(request())
  expect(answer.reason).toBeNull()
  expect(answer.turns[0]).toBeGreaterThan(answer.turns[2])
  expect(Math.min(...answer.turns)).toBeGreaterThanOrEqual(0)
  expect(answer.pressAfter).toBe(true)
  expect(spreadCents(answer.predictedHz)).toBeLessThan(answer.spreadCents)
})

test('an even head on pitch is left alone; nothing read asks for readings, best first', () => {
  const done = even(request({ rounds: [{ readingsHz: READ.map(() => 234.1) }] }))
  expect(done).toMatchObject({ done: true, reason: 'within-tolerance' })
  const unread = even(request({ rounds: [{ readingsHz: READ.map(() => null) }] }))
  expect(unread).toMatchObject({ done: false, reason: 'need-readings' })
  expect(new Set(unread.readNext).size).toBe(6)
})

test('no lug is planned above the ceiling, and a target above it says so', () => {
  const low = even(request({ head: { ...HEAD, ceilingHz: 232 } }))
  expect(Math.max(...low.predictedHz)).toBeLessThan(232.5)
  const at = even(
    request({ head: { ...HEAD, ceilingHz: 232 }, rounds: [{ readingsHz: READ.map(() => 231.8) }] }),
  )
  expect(at).toMatchObject({ done: true, reason: 'ceiling' })
})

test('level seeks a pitch between the mean and the highest lug', () => {
  const answer = even(request({ target: { level: true } }))
  expect(answer.targetHz).toBeGreaterThan(Math.min(...READ))
  expect(answer.targetHz).toBeLessThanOrEqual(Math.max(...READ) + 0.5)
})

test('a profile is the target: a head that has it is done', () => {
  const profileHz = READ.map((_, i) => Math.sqrt(234 ** 2 + 1500 * Math.cos((4 * Math.PI * i) / 8)))
  expect(even(request({ target: { profileHz }, rounds: [{ readingsHz: profileHz }] })).done).toBe(true)
  expect(even(request({ rounds: [{ readingsHz: profileHz }] })).done).toBe(false)
})

test('a swinging mean is called a pendulum', () => {
  const rounds: Round[] = [244, 224, 245, 223].map((hz, i) => ({
    readingsHz: READ.map(() => hz),
    pressed: true,
    ...(i < 3 ? { turns: READ.map(() => (i % 2 ? 0.3 : -0.3)) } : {}),
  }))
  expect(even(request({ rounds })).reason).toBe('back-to-slack')
})

test('rough heads are even after three passes by a hand of 1/64 turn', () => {
  for (let seed = 1; seed <= times(3, 6); seed++) {
    const head: PracticeHead = {
      ...{
        diameterInches: 14,
        depthInches: 6.5,
        lugs: 8,
        pliesMils: [10],
        ...{ evenHz: 228, hoop: 'triple-flanged', threadPitchMm: 1.058 },
      },
      rods: [0.12, -0.08, 0.05, 0.1, -0.11, 0.02, -0.06, 0.09].map(
        (x, i) => x * (1 + 0.1 * ((seed + i) % 3)),
      ),
      nature: natureOf({ hoop: 'triple-flanged', lugs: 8, diameterInches: 14 }, seed),
      other: { pliesMils: [10], lugHz: 300, muted: true },
    }
    const rounds: Round[] = []
    for (let pass = 0; pass < 4; pass++) {
      rounds.push({ readingsHz: lugTruth(head).lugHz, readingErrorCents: 1, pressed: true })
      const answer = even(request({ rounds, largestStepTurns: 0.5 }))
      if (answer.done) break
      rounds.at(-1)!.turns = answer.turns
      head.rods = turnedByHand(head.rods, answer.turns, seed * 10 + pass)
    }
    const truth = lugTruth(head)
    expect(spreadCents(truth.lugHz)).toBeLessThan(9)
    expect(Math.abs(centsBetween(234, truth.meanHz))).toBeLessThan(8)
  }
})

/** Common practice, no source: opposite rods in turn; 8 lugs: a pair, the pair at right angles, then the two between. */
test('star order', () => {
  expect(starOrder(8).slice(0, 2)).toEqual([
    [0, 4],
    [2, 6],
  ])
  for (const lugs of [4, 5, 6, 8, 10, 12]) {
    expect(
      starOrder(lugs)
        .flat()
        .sort((a, b) => a - b),
    ).toEqual(Array.from({ length: lugs }, (_, i) => i))
  }
})

test('with one key a large turn is made in quarters, no rod running ahead', () => {
  const steps = orderSteps([0.5, 0.5, 0.5, 0.5, 0.5, 0.5], 1)
  expect(steps.length).toBe(12)
  const made = new Array<number>(6).fill(0)
  for (const step of steps) {
    made[step.rods[0] - 1] += step.turns[0]
    expect(Math.max(...made) - Math.min(...made)).toBeLessThanOrEqual(0.25)
  }
})

test('tolerance by kind, and never less than a hand can do', () => {
  expect(likelyKind(14, 234)).toBe('snare')
  expect(likelyKind(22, 70)).toBe('kick')
  expect(defaultToleranceCents(HEAD, 234)).toBe(6)
  // Low pitches on a small head answer a hand's error with more cents than the kind's own tolerance.
  const small = { ...HEAD, diameterInches: 10, lugs: 6 }
  expect(defaultToleranceCents(small, 170, 'tom')).toBeGreaterThanOrEqual(handSpreadCents(small, 170))
})
