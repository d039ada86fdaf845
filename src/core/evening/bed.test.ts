import { even } from './even'
import { judged } from './verdict'
import { bedDepth, bedProfile } from './bed'
import type { EvenRequest, EvenTarget } from './types'

const HEAD: EvenRequest['head'] = {
  side: 'resonant',
  ...{ diameterInches: 14, lugs: 10, hoop: 'triple-flanged', threadPitchMm: 0.79, pliesMils: [3] },
  snareBed: { lugs: [1, 5, 6, 10], cents: 20 },
}
const ask = (readingsHz: number[], target: EvenTarget = { level: true }, head = HEAD): EvenRequest => ({
  ...{ head, target, toleranceCents: 9, rounds: [{ readingsHz, readingErrorCents: 2 }] },
})
/** Bed lugs so many cents under 375 Hz, and a little of what no hand is without. */
const read = (depth: number, change: Record<number, number> = {}) =>
  [0.6, -0.8, 0.5, -0.4, 0.7, -0.5, 0.4, -0.7, 0.8, -0.3].map((cents, i) => {
    const low = HEAD.snareBed!.lugs.includes(i + 1) ? depth : 0
    return 375 * 2 ** ((cents - low + (change[i + 1] ?? 0)) / 1200)
  })

// Bed lugs read lower, from a few cents to a whole tone, and are not to be forced (common practice, no source).
test.each([6, 20, 45, 120])(
  'over a bed %d cents deep a head is even, whatever was said of its depth',
  (depth) => {
    const answer = even(ask(read(depth)))
    expect(answer).toMatchObject({ done: true, reason: 'within-tolerance' })
    expect(judged(ask(read(depth))).even).toBe(true)
    // At a pitch all rods go alike: none is raised to match, none loosened to fit what was said.
    const { turns } = even(ask(read(depth), { hz: 390 }))
    expect(Math.max(...turns) - Math.min(...turns)).toBeLessThanOrEqual(1 / 16)
    expect(Math.min(...turns)).toBeGreaterThan(0)
  },
)

test('the same without a bed is uneven', () => {
  const plain = { ...HEAD }
  delete plain.snareBed
  expect(even(ask(read(45), { level: true }, plain)).done).toBe(false)
})

test('a lug beside no bed that is low is still turned up, and no bed lug with it', () => {
  const answer = even(ask(read(30, { 3: -60 })))
  expect(answer.done).toBe(false)
  expect(answer.turns[2]).toBeGreaterThan(0)
  for (const lug of HEAD.snareBed!.lugs) expect(answer.turns[lug - 1]).toBeLessThan(answer.turns[2])
})

test('the depth of a bed: as read, never below nothing; as was said where it was not', () => {
  const bed = { lugs: [1, 4], cents: 30 }
  const at = (cents: Record<number, number>) =>
    bedDepth(bed, new Map(Object.entries(cents).map(([lug, value]) => [Number(lug) - 1, value])))
  expect(at({ 1: -12, 2: 0, 3: 2, 4: -10 })).toBe(12)
  expect(at({ 1: 15, 2: 0 })).toBe(0)
  expect(at({ 2: 0, 3: 0 })).toBe(30)
  const profile = bedProfile(bed, 30, 90_000, 6)
  expect(600 * Math.log2(profile[1] / profile[0])).toBeCloseTo(30, 9)
  expect(profile.reduce((sum, hz2) => sum + hz2, 0) / 6).toBeCloseTo(90_000, 6)
})

test('by microphone a bed is a wave of two poles along its axis: even, and nothing read stands against anything else', () => {
  // Poles 70 cents apart, the low one's antinode between the bed's lugs; levels by the square of the sine and cosine.
  const [low, high] = [370, 370 * 2 ** (70 / 1200)]
  const readings = Array.from({ length: 10 }, (_, i) => {
    const angle = (2 * Math.PI * (i + 0.5)) / 10
    const db = (part: number) => 20 * Math.log10(Math.max(1e-3, part ** 2))
    const modes = [
      { hz: low, levelDb: db(Math.cos(angle)), standardErrorHz: 0.1 },
      { hz: high, levelDb: db(Math.sin(angle)), standardErrorHz: 0.1 },
    ]
    return { lug: i + 1, modes }
  })
  const answer = even({ head: HEAD, target: { level: true }, toleranceCents: 9, rounds: [{ readings }] })
  expect(answer).toMatchObject({ done: true, reason: 'within-tolerance', disagree: [] })
})
