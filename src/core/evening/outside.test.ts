import { times } from '@ref/long'
import fc from 'fast-check'
import type { EvenHead, Round } from '../head/types'
import { parseEvenRequest } from '../records/even'
import { even } from './even'
import type { EvenRequest } from './types'

/** Numbers that the model did not make: tables as people write them down, ears, dials, hands. */
const HEAD: EvenHead = {
  ...{ side: 'batter', diameterInches: 12, lugs: 6, hoop: 'triple-flanged' },
  ...{ threadPitchMm: 1.058, pliesMils: [10] },
}
const ask = (head: EvenHead, rounds: Round[], change: Partial<EvenRequest> = {}) =>
  even({ head, target: { level: true }, keys: 2, rounds, ...change })
const typed = (...readingsHz: Array<number | null>): Round => ({ readingsHz })

/** Readings with opposite lugs alike: a plain twofold head, as the handbooks of the trade have it (common practice). */
test.each([
  ['eight lugs, 80 cents', 8, [110, 112.5, 115, 112.4, 110.3, 112.5, 115.2, 112.6], [0, 4], 60],
  ['six lugs, 99 cents', 6, [170, 180, 175, 170, 180, 175], [0, 3], 80],
])('%s apart: an uneven head gets a move that raises its low pair', (_, lugs, readingsHz, low, least) => {
  const answer = ask({ ...HEAD, lugs, diameterInches: lugs === 8 ? 14 : 12 }, [typed(...readingsHz)])
  expect(answer).toMatchObject({ done: false, reason: null, leftOut: [] })
  expect(answer.spreadCents).toBeGreaterThan(least)
  for (const rod of low) expect(answer.turns[rod]).toBeGreaterThan(0)
  expect(answer.likelySpreadCents).toBeLessThan(answer.spreadCents / 2)
})

test('three lugs that rise and fall: which lugs read unalike is said, and the low ones go up', () => {
  const answer = ask(HEAD, [typed(145, 160, 145, 160, 145, 160)])
  expect(answer).toMatchObject({ done: false, reason: null })
  const [first] = answer.unlike
  expect(first.what).toBe('opposite')
  expect(Math.abs(first.lugs[0] - first.lugs[1])).toBe(3)
  // 1200 log2(160 / 145)
  expect(Math.abs(first.cents)).toBeCloseTo(170.4, 1)
  for (const rod of [0, 2, 4]) expect(answer.turns[rod]).toBeGreaterThan(answer.turns[rod + 1])
})

test('one lug that no lug could show is asked for again, and believed when it comes again', () => {
  const far = typed(150.2, 150, 151.1, 150, 149.8, 99)
  const once = ask(HEAD, [far])
  expect(once).toMatchObject({ done: false, leftOut: [6] })
  expect(once.readNext).toContain(6)
  const twice = ask(HEAD, [{ ...far, turns: new Array<number>(6).fill(0) }, far])
  expect(twice).toMatchObject({ done: false, reason: null })
  expect(twice.turns[5]).toBeGreaterThan(0)
})

test('the obvious is said: one high comes down, two low or slack go up, pairs that read unalike are named, whole hertz move nothing', () => {
  const high = ask(HEAD, [typed(150.1, 149.8, 150.3, 150, 150.2, 156)])
  expect(high.reason).toBeNull()
  expect(high.turns[5]).toBe(Math.min(...high.turns))
  expect(high.turns[5]).toBeLessThan(0)
  expect(high.unlike[0].lugs).toEqual([3, 6])
  // One spread wherever it is shown, and the mean is that of the numbers: 151.07 Hz.
  expect(high.roundSpreadsCents.at(-1)).toBeCloseTo(high.spreadCents, 6)
  expect(Math.abs(1200 * Math.log2(high.meanHz / 151.07))).toBeLessThan(12)
  for (const [low, least] of [
    [145.1, 1 / 32],
    [120.4, 1 / 8],
  ]) {
    const two = ask(HEAD, [typed(150.1, 149.8, low, low - 0.3, 150.2, 150)])
    expect(two.reason).toBeNull()
    for (const rod of [2, 3]) expect(two.turns[rod]).toBeGreaterThanOrEqual(least)
    for (const rod of [0, 1, 4, 5]) expect(two.turns[rod]).toBeLessThan(two.turns[2])
  }
  const kick = { ...HEAD, diameterInches: 22, lugs: 8, hoop: 'wood' as const }
  expect(ask(kick, [typed(60.1, 60, 59.9, 57.7, 60, 60.2, 60, 59.9)]).turns[3]).toBeGreaterThan(0)
  const whole = ask({ ...HEAD, lugs: 8, diameterInches: 14 }, [typed(180, 181, 180, 180, 180, 181, 180, 180)])
  expect(whole.done).toBe(true)
})

test('numbers that scatter by 8 cents under a stated 2 are known for it, and two poles may still be all there is', () => {
  // Eight lugs alike, read five times with errors of 8 cents from a table of normal deviates.
  const deviates = [
    [0.46, -1.04, 0.28, 1.39, -0.62, 0.11, -1.47, 0.83],
    [-0.33, 0.74, -1.12, 0.05, 1.21, -0.9, 0.52, -0.18],
    [1.02, -0.47, 0.6, -1.33, 0.21, 0.95, -0.71, -0.08],
    [-0.58, 0.37, 1.48, -0.25, -1.06, 0.64, 0.16, -0.79],
    [0.89, -0.14, -0.97, 0.71, 0.33, -1.25, 1.1, -0.42],
  ]
  const turns = new Array<number>(8).fill(0)
  const rounds = deviates.map((row, i): Round => ({
    readingsHz: row.map((z) => 180.1 * 2 ** ((8 * z) / 1200)),
    readingErrorCents: 2,
    ...(i < 4 ? { turns } : {}),
  }))
  const answer = ask({ ...HEAD, lugs: 8, diameterInches: 14 }, rounds)
  expect(answer.readingScatterCents).toBeGreaterThan(5)
  expect(answer.readingScatterCents).toBeLessThan(12)
  expect(answer.spreadCents).toBeLessThan(12)
  expect(answer.reason).not.toBe('readings-disagree')
})

test('by ear one lug higher is one rod down', () => {
  const ear = ['alike', 'alike', 'alike', 'higher', 'alike'] as const
  const answer = ask(HEAD, [{ ear: [null, ...ear], earReference: 1 }])
  expect(answer.reason).toBeNull()
  expect(answer.turns[4]).toBeLessThan(0)
  expect(answer.turns.filter((turn) => turn > 0)).toEqual([])
})

test('what comes again is believed, and what was only once so is not', () => {
  const none = new Array<number>(6).fill(0)
  const better = ask(HEAD, [
    { ...typed(150, 150, 151, 150, 150, 163), turns: none },
    typed(150, 150, 151, 150, 150, 151.2),
  ])
  expect(better.reason).not.toBe('readings-disagree')
  expect(better.leftOut).toEqual([])
  const same = ask(HEAD, [
    { ...typed(150, 150, 151, 150, 150, 163), turns: none },
    typed(150, 150, 151, 150, 150, 163),
  ])
  expect(same.done).toBe(false)
  const so = ask(HEAD, [typed(150, 150, 151, 150, 150, 163)], { believe: 'readings', target: { hz: 151 } })
  expect(so.reason).toBeNull()
  // Turned and not read since: taken as they are, no readings are nothing.
  const unread = ask(HEAD, [{ ...typed(150, 150, 151, 150, 150, 163), turns: so.turns }, {}], {
    believe: 'readings',
  })
  expect(unread).toMatchObject({ done: false, reason: 'need-readings' })
  expect(so.turns[5]).toBeLessThan(0)
  expect(Math.max(...so.turns.map(Math.abs))).toBeLessThanOrEqual(1 / 8)
  expect(Math.min(...so.predictedErrorCents)).toBeGreaterThanOrEqual(8)
})

test('far poles: two levels on five lugs are a pair hundreds of cents apart, not an even head with strays', () => {
  const answer = ask({ ...HEAD, lugs: 5 }, [typed(129, 146, 129, 147, 147)], { target: { hz: 140 } })
  expect(answer.done).toBe(false)
  expect(answer.spreadCents).toBeGreaterThan(120)
  expect(answer.leftOut).toEqual([])
})

/** The rule stands outside the estimate: whatever is believed, readings outside the tolerance are not done. */
test('never done over readings that lie further apart than tolerance and errors', () => {
  const anyHead = fc.record({
    lugs: fc.integer({ min: 4, max: 12 }),
    hz: fc.constantFrom(70, 110, 180, 240, 330),
    inches: fc.constantFrom(10, 12, 14, 16, 22),
    spread: fc.double({ min: 0, max: 0.06, noNaN: true }),
    parts: fc.array(fc.double({ min: -0.5, max: 0.5, noNaN: true }), { minLength: 12, maxLength: 12 }),
    unread: fc.integer({ min: 0, max: 11 }),
    errorCents: fc.constantFrom(1, 2, 5, 12),
    toleranceCents: fc.constantFrom(3, 5, 8, 15),
    level: fc.boolean(),
  })
  fc.assert(
    fc.property(anyHead, ({ lugs, hz, inches, spread, parts, unread, errorCents, toleranceCents, level }) => {
      const readingsHz = parts
        .slice(0, lugs)
        .map((part, i) => (i === unread ? null : Math.round(100 * hz * (1 + spread * part)) / 100))
      const answer = even({
        head: { ...HEAD, lugs, diameterInches: inches },
        target: level ? { level: true } : { hz },
        toleranceCents,
        rounds: [{ readingsHz, readingErrorCents: errorCents }],
      })
      const read = readingsHz.filter((each): each is number => each !== null)
      const apart = 1200 * Math.log2(Math.max(...read) / Math.min(...read))
      const errors = Math.SQRT2 * Math.hypot(errorCents, 1)
      if (apart > toleranceCents + 2 * errors) expect(answer.done).toBe(false)
      if (answer.leftOut.length > 0) expect(answer.done).toBe(false)
    }),
    { numRuns: times(40, 150), seed: 12 },
  )
})

test('the mean is on pitch when it lies in the band as it is drawn: half the tolerance each way', () => {
  const at = (cents: number) =>
    even({
      head: { ...HEAD, lugs: 8, diameterInches: 14 },
      target: { hz: 234 },
      toleranceCents: 16,
      rounds: [{ readingsHz: new Array<number>(8).fill(234 * 2 ** (cents / 1200)), readingErrorCents: 1 }],
    })
  expect(at(6)).toMatchObject({ done: true, reason: 'within-tolerance' })
  expect(at(13).reason).not.toBe('within-tolerance')
  expect(at(13).turns.some((turn) => turn !== 0)).toBe(true)
})

const DIALS = [66, 70, 74, 70, 66, 70, 74, 70]

test('a gauge alone evens by its own evenness, says nothing of the pitch, and is done when the dial is', () => {
  const head = { ...HEAD, lugs: 8, diameterInches: 14 }
  const answer = ask(head, [{ gauge: DIALS }], { target: { hz: 234 } })
  expect(answer).toMatchObject({ done: false, reason: null, knownBy: 'gauge' })
  expect(answer.turns[0] + answer.turns[4]).toBeGreaterThan(0)
  expect(answer.turns[2] + answer.turns[6]).toBeLessThan(0)
  // The pitch is not moved on purpose: what is not known is not corrected.
  expect(Math.abs(answer.turns.reduce((sum, turn) => sum + turn, 0))).toBeLessThanOrEqual(1 / 8)
  expect(answer.meanErrorCents).toBeGreaterThan(100)
  // Dials at all lugs are not taps enough for who reads by pitch as well.
  expect(answer.enough).toBe(false)
  const even8 = ask(head, [{ gauge: DIALS.map(() => 70) }], { target: { hz: 234 } })
  expect(even8).toMatchObject({ done: true, knownBy: 'gauge' })
  expect(ask(head, [{ gauge: [...DIALS.slice(1).map(() => 70), 74] }]).done).toBe(false)
})

test('ears alone: five words against a reference lug give a move; alike all round is done', () => {
  const round: Round = {
    ear: [null, 'higher', 'much-higher', 'alike', 'higher', 'much-higher'],
    earReference: 1,
  }
  const answer = ask(HEAD, [round])
  expect(answer).toMatchObject({ done: false, reason: null, knownBy: 'ear' })
  expect(answer.turns[0] + answer.turns[3]).toBeGreaterThan(answer.turns[2] + answer.turns[5])
  expect(Math.min(...answer.predictedErrorCents)).toBeGreaterThan(5)
  const alike: Round = { ear: [null, 'alike', 'alike', 'alike', 'alike', 'alike'], earReference: 1 }
  expect(ask(HEAD, [alike])).toMatchObject({ done: true, knownBy: 'ear' })
  // A word that is not alike is never done.
  expect(ask(HEAD, [{ ...alike, ear: [null, 'alike', 'lower', 'alike', 'alike', 'alike'] }]).done).toBe(false)
})

test('hands alone: a pair that feels loose goes up', () => {
  const answer = ask(HEAD, [{ feel: ['loose', 'alike', 'alike', 'loose', 'alike', 'alike'] }])
  expect(answer).toMatchObject({ done: false, knownBy: 'feel' })
  expect(answer.turns[0]).toBeGreaterThan(0)
  expect(answer.turns[3]).toBeGreaterThan(0)
})

test('one number for the head brings it to pitch, rod by rod alike, and says nothing of its evenness', () => {
  const kick = { ...HEAD, lugs: 10, diameterInches: 22 }
  const answer = ask(kick, [{ wholeHz: 74 }], { target: { hz: 80 } })
  expect(answer).toMatchObject({ done: false, reason: null, knownBy: 'whole' })
  expect(new Set(answer.turns).size).toBeLessThanOrEqual(2)
  expect(Math.min(...answer.turns)).toBeGreaterThan(0)
  expect(ask(kick, [{ wholeHz: 80.1 }], { target: { hz: 80 } })).toMatchObject({
    done: true,
    knownBy: 'whole',
  })
})

test('a rod turned by mistake is put right from what is believed, with nothing read since', () => {
  const head = { ...HEAD, lugs: 8, diameterInches: 14 }
  const alike = new Array<number>(8).fill(234)
  const wrong = [0, 0, 0.25, 0, 0, 0, 0, 0]
  const answer = ask(head, [{ readingsHz: alike, turns: wrong }, {}], { target: { hz: 234 } })
  expect(answer.reason).toBeNull()
  expect(answer.turns[2] + answer.turns[6]).toBeLessThan(0)
  // A whole pass as planned leaves nothing to plan until it is read.
  const planned = ask(head, [{ readingsHz: alike, turns: new Array<number>(8).fill(0) }, {}], {
    target: { hz: 234 },
  })
  expect(planned).toMatchObject({ done: false, reason: 'need-readings' })
})

test('uneven on purpose from slack is a recipe: turns without a reading, opposite rods as two moves', () => {
  const head = { ...HEAD, lugs: 10, diameterInches: 14 }
  const offsetTurns = [1, 0.5, 0, 0, -0.6, -0.7, -0.6, 0, 0, 0.5]
  const answer = ask(head, [{}], {
    ...{ target: { hz: 150, offsetTurns }, start: 'slack', slackSchool: 'rattle', largestStepTurns: 2 },
  })
  expect(answer.reason).toBeNull()
  expect(answer.turns[0] - answer.turns[5]).toBeGreaterThan(0.8)
  for (const { rods, turns } of answer.steps) {
    expect(rods.length).toBeLessThanOrEqual(2)
    expect(new Set(turns).size).toBe(1)
  }
})

test('of typed numbers nobody asks where a microphone stood, and saying so changes nothing', () => {
  const readingsHz = [230, 238, 238, 230, 238, 230, 230, 238]
  const head = { ...HEAD, lugs: 8, diameterInches: 14 }
  const bare = ask(head, [{ readingsHz }], { target: { hz: 234 } })
  expect(bare.micStoodStill).toBe(false)
  // Of a number without a sound nobody knows where it was heard: saying so changes nothing.
  expect(ask(head, [{ readingsHz, mic: 'standing' }], { target: { hz: 234 } })).toEqual(bare)
})

test('a surprise is followed by a small pass', () => {
  const head = { ...HEAD, lugs: 8, diameterInches: 14 }
  const before = new Array<number>(8).fill(200)
  const up = new Array<number>(8).fill(0.125)
  const calm = ask(
    head,
    [
      { readingsHz: before, turns: up },
      { readingsHz: before.map(() => 209.4), pressed: true },
    ],
    {
      ...{ target: { hz: 240 }, largestStepTurns: 0.5 },
    },
  )
  const odd = ask(
    head,
    [
      { readingsHz: before, turns: up },
      { readingsHz: before.map(() => 176), pressed: true },
    ],
    {
      ...{ target: { hz: 240 }, largestStepTurns: 0.5 },
    },
  )
  expect(Math.max(...calm.turns)).toBeGreaterThan(0.4)
  expect(Math.max(...odd.turns)).toBeLessThanOrEqual(3 / 16)
})

test('what the door lets in is answered as it is; strange fields and lengths are refused by name', () => {
  const round = {
    readingsHz: [150, 150, 151, 150, 150, 151],
    readingErrorsCents: [2, 2, 2, 2, 2, 2],
    confirmed: [3],
  }
  const request = { head: HEAD, target: { level: true }, rounds: [round], believe: 'head' }
  const parsed = parseEvenRequest(request)
  expect(parsed.ok).toBe(true)
  const refuse = (change: object, where: string) =>
    expect(parseEvenRequest({ ...request, ...change })).toMatchObject({ ok: false, problem: { where } })
  refuse({ rounds: [{ ...round, ear: ['alike'] }] }, 'rounds[0].ear')
  refuse({ rounds: [{ ...round, readingErrorsCents: [1] }] }, 'rounds[0].readingErrorsCents')
  refuse({ rounds: [{ ...round, earReference: 7 }] }, 'rounds[0].earReference')
  refuse({ rounds: [{ ...round, confirmed: [9] }] }, 'rounds[0].confirmed')
})
