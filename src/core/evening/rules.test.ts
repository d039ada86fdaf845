import { MEAN, SECOND, type Belief } from '../head/kalman'
import { estimateHead, type HeadState } from '../head/estimate'
import type { EvenHead, Round } from '../head/types'
import { isEnough, readNext, rodsToFeel } from './ask'
import type { Odds } from './confidence'
import { even } from './even'
import { isDone, isMany, judge, type Seen } from './judge'
import { orderSteps } from './order'
import { choose } from './plan'
import { namedOf, type Suspect } from './suspect'
import type { EvenRequest, Reason } from './types'

/** Each rule of when to stop, ask or go on, just on both sides of its edge. */
const HEAD: EvenHead = {
  ...{ side: 'batter', diameterInches: 14, lugs: 8, hoop: 'triple-flanged' },
  ...{ threadPitchMm: 1.058, pliesMils: [10] },
}
const EVEN_ROUND: Round = { readingsHz: new Array<number>(8).fill(200), readingErrorCents: 2 }
const CALM: Odds = { within: 0.9, farOut: 0, spreadErrorCents: 1, likelyCents: 3, withinCents: 5 }

interface Case {
  rounds?: Round[]
  request?: Partial<EvenRequest>
  state?: Partial<HeadState>
  seen?: Partial<Seen>
  turns?: number[]
}
function look({ rounds = [EVEN_ROUND], request, state, seen, turns = new Array<number>(8).fill(0) }: Case) {
  const asked: EvenRequest = { head: HEAD, target: { hz: 200 }, toleranceCents: 6, rounds, ...request }
  const all: Seen = {
    state: { ...estimateHead(asked.head, rounds, { aroundHz: 200 }), ...state },
    plan: { turns, target: { mean: 200 ** 2, cosine: 0, sine: 0 }, targetHz: 200, atCeiling: false },
    now: CALM,
    twoFar: 0,
    asRead: { spreadCents: 2, outside: false },
    toleranceCents: 6,
    ...{ against: [], disagree: [], suspected: false, held: false },
    ...seen,
  }
  const reason = judge(asked, all)
  return { reason, done: isDone(asked, reason, all) }
}
const reason = (one: Case) => look(one).reason
const PASS = [0.125, 0, 0, 0, 0.125, 0, 0, 0]
const surely = (change: Partial<Odds>) => ({ now: { ...CALM, ...change } })

test('done: likelier within than not, and far out in no more than one in fifty', () => {
  expect(look({})).toEqual({ reason: 'within-tolerance', done: true })
  expect(reason({ seen: surely({ within: 0.5 }) })).toBe('within-tolerance')
  expect(reason({ seen: surely({ within: 0.49 }), turns: PASS })).toBeNull()
  expect(reason({ seen: surely({ farOut: 0.02 }) })).toBe('within-tolerance')
  expect(reason({ seen: surely({ farOut: 0.025 }), turns: PASS })).toBeNull()
})

test('not done while what was read lies outside, or one was left out and not read again', () => {
  for (const seen of [{ asRead: { spreadCents: 20, outside: true } }]) {
    expect(look({ seen })).toEqual({ reason: 'readings-disagree', done: false })
    expect(reason({ seen, turns: PASS })).toBeNull()
  }
  expect(look({ state: { leftOut: [3] } })).toEqual({ reason: 'readings-disagree', done: false })
})

test('lugs read: none is no reading, few and unsure is too few, three at least to be done', () => {
  const none = { ...EVEN_ROUND, readingsHz: new Array<null>(8).fill(null) }
  expect(reason({ rounds: [none] })).toBe('need-readings')
  expect(reason({ state: { readSinceTurn: 3 } })).toBe('within-tolerance')
  expect(reason({ state: { readSinceTurn: 2 } })).toBe('need-readings')
  // Read two of eight: nobody knows the wave. Three and four neighbours tell more.
  const some = (count: number): Round => ({
    readingsHz: EVEN_ROUND.readingsHz!.map((hz, i) => (i < count ? hz : null)),
    readingErrorCents: 2,
  })
  expect([1, 2, 3, 4].map((count) => reason({ rounds: [some(count)], turns: PASS }))).toEqual([
    'need-readings',
    'need-readings',
    'within-tolerance',
    'within-tolerance',
  ])
  // Turned since and nothing read behind it.
  expect(reason({ rounds: [{ ...EVEN_ROUND, turns: PASS, pressed: true }, {}] })).toBe('need-readings')
})

test('readings that stand against the head: two, or a third of few, are no single slip', () => {
  const against = (count: number, confirmed = false) =>
    Array.from({ length: count }, (_, lug) => ({ lug, cents: 40, confirmed }))
  expect([1, 2].map((count) => isMany(count, 8))).toEqual([false, true])
  expect([1, 2].map((count) => isMany(count, 3))).toEqual([false, true])
  expect(isMany(1.03, 3)).toBe(true)
  expect(reason({ seen: { against: against(1) }, turns: PASS })).not.toBe('readings-disagree')
  expect(reason({ seen: { against: against(2) }, turns: PASS })).toBe('readings-disagree')
  // One that came again is a fact; and one against a head nobody knows is asked about at once.
  expect(reason({ seen: { against: against(1, true) }, turns: PASS })).toBe('readings-disagree')
  expect(
    reason({
      state: { byLug: null },
      seen: { against: against(1), ...surely({ spreadErrorCents: 24 }) },
      turns: PASS,
    }),
  ).not.toBe('readings-disagree')
  expect(
    reason({
      state: { byLug: null },
      seen: { against: against(1), ...surely({ spreadErrorCents: 26 }) },
      turns: PASS,
    }),
  ).toBe('readings-disagree')
})

test('no turn helps: done only where neither what was read nor what is believed lies outside by its error', () => {
  const off = (cents: number): Partial<HeadState> => {
    const { belief, ...rest } = estimateHead(HEAD, [EVEN_ROUND])
    const moved: Belief = { x: belief.x.slice(), p: belief.p }
    moved.x[MEAN] *= 2 ** (cents / 600)
    return { ...rest, belief: moved, leading: moved }
  }
  const at = (cents: number) => look({ state: off(cents) })
  expect(at(2.9)).toEqual({ reason: 'within-tolerance', done: true })
  // On pitch is half the tolerance; beyond, and no turn helps: as near as it goes.
  expect(at(3.1)).toEqual({ reason: 'no-turn-helps', done: true })
  expect(at(9)).toEqual({ reason: 'no-turn-helps', done: false })
  expect(look({ seen: { suspected: true }, state: off(9) }).reason).toBe('suspect-rod')
})

test('where no turn helps a head out of even: a hoop that pulls by itself is named, or one that was found', () => {
  const uneven = (hoop: number) => {
    const state = estimateHead(HEAD, [
      { readingsHz: [196, 200, 204, 200, 196, 200, 204, 200], readingErrorCents: 1 },
    ])
    const rods = { ...state.rods, u: state.rods.u.slice(), c: state.rods.c.slice() }
    rods.u[8] = hoop
    for (const at of [8, 9]) rods.c[at * 11] = 1e-6
    return { ...state, rods }
  }
  const out = { asRead: { spreadCents: 60, outside: true }, ...surely({ within: 0 }) }
  expect(reason({ state: uneven(0.11), seen: out })).toBe('no-turn-helps')
  expect(reason({ state: uneven(0.13), seen: out })).toBe('hoop-or-edge')
  expect(look({ state: uneven(0), seen: out, request: { hoopOrEdge: true } })).toEqual({
    reason: 'hoop-or-edge',
    done: true,
  })
  expect(look({ state: uneven(0), seen: { ...out, held: true } })).toEqual({
    reason: 'hoop-or-edge',
    done: false,
  })
})

test('by dial alone: even is what the dial’s error does not tell apart, at every lug', () => {
  const dials = (spread: number, lugs = 8): Case => ({
    rounds: [{ gauge: Array.from({ length: 8 }, (_, i) => (i < lugs ? 70 + (i === 2 ? spread : 0) : null)) }],
    request: { target: { level: true } },
  })
  expect(look(dials(0))).toEqual({ reason: 'within-tolerance', done: true })
  expect(reason(dials(3.1))).toBe('no-turn-helps')
  expect(look(dials(3.1)).done).toBe(false)
  expect(reason({ ...dials(3.1), request: { target: { level: true }, gaugeError: 3 } })).toBe(
    'within-tolerance',
  )
  expect(look(dials(0, 7)).done).toBe(false)
})

test('the mean swings over its target and back: after the third crossing that came no nearer, back to slack', () => {
  const swings = (...cents: number[]) =>
    reason({
      state: { meanHistoryHz2: cents.map((c) => 200 ** 2 * (1 + c / 100)) },
      seen: surely({ within: 0 }),
      turns: PASS,
    })
  expect(swings(5, -5, 5, -4.2)).toBe('back-to-slack')
  expect(swings(5, -5, 5, -3.9)).toBeNull()
  expect(swings(5, -5, 5, 5)).toBeNull()
  expect(swings(-5, 5, -5)).toBeNull()
  expect(swings(1.2, -1.2, 1.2, -0.98)).toBeNull()
})

test('enough to turn: all lugs, or six that agree and are known; a dial is no tap', () => {
  const read = (count: number, change: Partial<HeadState> = {}) => {
    const state = estimateHead(HEAD, [
      {
        readingsHz: EVEN_ROUND.readingsHz!.map((hz, i) => (i < count ? hz! + 0.1 : null)),
        readingErrorCents: 1,
      },
    ])
    return isEnough({ ...state, ...change }, 6)
  }
  expect([4, 5, 6, 7, 8].map((count) => read(count))).toEqual([false, false, true, true, true])
  expect(read(7, { leftOut: [1] })).toBe(false)
  expect(read(7, { surprises: [8.9] })).toBe(true)
  expect(read(7, { surprises: [9.1] })).toBe(false)
  expect(read(8, { surprises: [30], leftOut: [1] })).toBe(true)
  const wide = (cents: number) => {
    const state = estimateHead(HEAD, [
      { ...EVEN_ROUND, readingsHz: EVEN_ROUND.readingsHz!.map((hz, i) => (i < 7 ? hz : null)) },
    ])
    const belief = { x: state.belief.x, p: new Float64Array(25) }
    belief.p[0] = ((2 * 200 ** 2 * cents) / 1731.2) ** 2
    return (tolerance: number) => isEnough({ ...state, leading: belief }, tolerance)
  }
  expect([2.1, 2.3].map((cents) => wide(cents)(3))).toEqual([true, false])
  expect([3.9, 4.1].map((cents) => wide(cents)(12))).toEqual([true, false])
})

test('lugs to tap next: six at most before a pass, three or four behind one, those to read again first', () => {
  const { belief, ...rest } = estimateHead(
    { ...HEAD, lugs: 12 },
    [{ readingsHz: new Array<null>(12).fill(null) }],
    { aroundHz: 200 },
  )
  const state = { ...rest, belief } as HeadState
  expect(readNext(state, belief, false, []).length).toBe(6)
  expect(readNext(state, belief, true, []).length).toBe(4)
  expect(readNext(state, belief, false, [9, 3]).slice(0, 2)).toEqual([9, 3])
  const known = { ...belief, p: new Float64Array(25) }
  expect(readNext(state, known, true, []).length).toBe(3)
})

test('the hand is asked of pairs that turn a sixteenth a rod or more, and whose rods nothing tells apart', () => {
  const state = estimateHead(HEAD, [EVEN_ROUND])
  const surelyKnown = { ...state, rods: { ...state.rods, c: new Float64Array(100) } }
  const turns = (each: number) => [each, 0, 0, 0, each, 0, 0, 0]
  expect(rodsToFeel(state, turns(1 / 16))).toEqual([1, 5])
  expect(rodsToFeel(state, turns(1 / 17))).toEqual([])
  expect(rodsToFeel(surelyKnown, turns(1 / 4))).toEqual([])
  expect(rodsToFeel(state, new Array<number>(8).fill(0.25)).length).toBe(6)
})

test('named: at nine in ten and after two passes without an answer', () => {
  const suspect = (probability: number, turns: number, together = false): Suspect => ({
    ...{ rod: 1, probability, together, turns, test: { rods: [1], turns: [0.125] } },
  })
  expect(namedOf([suspect(0.9, 2)]).length).toBe(1)
  expect(namedOf([suspect(0.89, 2)])).toEqual([])
  expect(namedOf([suspect(0.99, 1)])).toEqual([])
  // The two rods of a pair share what is known of them; a pair that is held together counts once.
  expect(namedOf([suspect(0.46, 2), suspect(0.46, 2)]).length).toBe(2)
  expect(namedOf([suspect(0.5, 2, true), suspect(0.5, 2, true)])).toEqual([])
})

test('with one key a quarter at most before the opposite follows', () => {
  const steps = orderSteps([0.5, 0, 0, 0, 0.375, 0, 0, 0], 1)
  expect(steps.map(({ turns: [turn] }) => turn)).toEqual([0.25, 0.25, 0.25, 0.125])
  expect(steps.map(({ rods: [rod] }) => rod)).toEqual([1, 5, 1, 5])
})

test('after a surprise the next pass is small, and smaller after a second in a row', () => {
  const no = new Array<number>(8).fill(0)
  const far = (hz: number): Round => ({ ...EVEN_ROUND, readingsHz: EVEN_ROUND.readingsHz!.map(() => hz) })
  const largest = (rounds: Round[]) =>
    Math.max(...even({ head: HEAD, target: { hz: 240 }, largestStepTurns: 0.5, rounds }).turns.map(Math.abs))
  expect(largest([far(200)])).toBe(0.5)
  expect(largest([{ ...far(200), turns: no }, far(190)])).toBe(3 / 16)
  expect(largest([{ ...far(200), turns: no }, { ...far(190), turns: no }, far(203)])).toBeCloseTo(3 / 32, 9)
  const third = [{ ...far(200), turns: no }, { ...far(190), turns: no }, { ...far(203), turns: no }, far(191)]
  expect(largest(third)).toBe(1 / 16)
})

test('lug by lug: six tenths of the need, an eighth at most, forecasts no surer than eight cents', () => {
  const answer = even({
    head: HEAD,
    target: { hz: 200 },
    believe: 'readings',
    rounds: [{ readingsHz: [200, 199, 198, 196, 170, 204, 200, 200], readingErrorCents: 2 }],
  })
  const k = answer.learned.hz2PerTurn
  // A display of whole hertz adds four tenths of one.
  const rounded = (hz: number) => (1731.2 * 0.4) / hz
  // A lug outside half the tolerance gets the smallest step at least.
  const need = (hz: number) => {
    const steps = Math.round((32 * 0.6 * (200 ** 2 - hz * hz)) / k) / 32
    const least = Math.abs(1731.2 * Math.log(hz / 200)) > answer.toleranceCents / 2 ? 1 / 32 : 0
    return Math.sign(200 - hz) * Math.min(0.125, Math.max(least, Math.abs(steps)))
  }
  expect(answer.turns).toEqual([200, 199, 198, 196, 170, 204, 200, 200].map((hz) => need(hz) + 0))
  expect(Math.max(...answer.turns)).toBe(0.125)
  expect(answer.predictedErrorCents[0]).toBeCloseTo(Math.hypot(8, 2, 0.7, rounded(200)), 1)
  const moved = 1731.2 * Math.log(answer.predictedHz[4] / 170)
  expect(answer.predictedErrorCents[4]).toBeCloseTo(Math.hypot(8, 2.12, 0.7 * moved, rounded(170)), 1)
})

test('a reason that is none of the ends is never done', () => {
  const reasons: Reason[] = ['suspect-rod', 'readings-disagree', 'back-to-slack', 'need-readings']
  const seen = { state: estimateHead(HEAD, [EVEN_ROUND]) } as Seen
  const request: EvenRequest = { head: HEAD, target: { hz: 200 }, rounds: [EVEN_ROUND] }
  for (const each of [...reasons, null])
    expect(
      isDone(request, each, {
        ...seen,
        plan: { turns: [], target: { mean: 4e4, cosine: 0, sine: 0 }, targetHz: 200, atCeiling: false },
        now: CALM,
        asRead: { spreadCents: 0, outside: false },
        toleranceCents: 6,
        against: [],
        disagree: [],
        suspected: false,
        held: false,
      }),
    ).toBe(false)
  expect(estimateHead(HEAD, [EVEN_ROUND]).belief.x[SECOND]).toBeGreaterThan(0)
})

test('a mean that swung over its target and back is brought half the way', () => {
  const rounds: Round[] = [{ readingsHz: new Array<number>(8).fill(194), readingErrorCents: 1 }]
  const request: EvenRequest = { head: HEAD, target: { hz: 200 }, keys: 2, largestStepTurns: 0.5, rounds }
  const state = estimateHead(HEAD, rounds)
  const total = (...hz: number[]) =>
    choose(request, { ...state, meanHistoryHz2: hz.map((each) => each * each) }, []).turns.reduce(
      (a, b) => a + b,
      0,
    )
  const whole = total(194)
  expect(total(206, 194.5, 206, 194) / whole).toBeGreaterThan(0.35)
  expect(total(206, 194.5, 206, 194) / whole).toBeLessThan(0.65)
  // Twice over is no swing yet, and what stays within a hundredth of the square is none.
  expect(total(194.5, 206, 194)).toBe(whole)
  expect(total(206, 199.5, 206, 194)).toBe(whole)
  expect(total(206, 194.5, 194.2, 194)).toBe(whole)
})

test('a recipe on a head nobody read: rod by rod as it was chosen, what a pass does not reach is left, then reading is asked for', () => {
  const offsetTurns = [0, 0, 0, -0.5, -0.75, -0.5, 0, 0]
  const ask = (rounds: Round[]) =>
    even({ head: HEAD, target: { hz: 200, offsetTurns }, largestStepTurns: 0.5, rounds })
  const first = ask([{}])
  expect(first).toMatchObject({ reason: null, turns: [0, 0, 0, -0.5, -0.5, -0.5, 0, 0] })
  const second = ask([{ turns: first.turns }, {}])
  expect(second.turns).toEqual([0, 0, 0, 0, -0.25, 0, 0, 0])
  expect(ask([{ turns: first.turns }, { turns: second.turns }, {}])).toMatchObject({
    done: false,
    reason: 'need-readings',
  })
})
