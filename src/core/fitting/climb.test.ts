import fc from 'fast-check'
import { learnedFrom, slackBelief } from '../head/belief'
import { estimateHead } from '../head/estimate'
import { MEAN, TURN_LAW } from '../head/kalman'
import { SLACK_SCHOOL_IDS, SLACK_SCHOOLS, type SlackSchoolId } from '../head/slackStart'
import type { EvenHead, Round } from '../head/types'
import {
  afterPressing,
  afterTurning,
  practiceHead,
  slackRods,
  turnedByHand,
  type PracticeDrum,
} from '../practice/drum'
import { lugTruth } from '../practice/model'
import { centsBetween } from '../units/pitch'
import { climb, ruleOfThumb } from './climb'
import { fastRoutine } from './fast'

const head = (diameterInches: number, lugs: number, pliesMils = [10]): EvenHead => ({
  ...{ side: 'batter', diameterInches, lugs, hoop: 'triple-flanged', threadPitchMm: 1.058, pliesMils },
})
const fromSlack = (
  own: EvenHead,
  targetHz: number,
  largestStepTurns = 0.5,
  school: SlackSchoolId = 'fingers',
) =>
  climb({
    belief: slackBelief(own, undefined, school),
    ...{ targetHz, largestStepTurns, turnedSinceReading: 0, anyReading: false },
  })

test('a 14 inch snare batter to a medium pitch is about three rounds of half turns (common practice, no source)', () => {
  const way = fromSlack(head(14, 10), 218)
  expect(way.turnsToGo).toBeGreaterThan(1.2)
  expect(way.turnsToGo).toBeLessThan(1.8)
  expect(Math.abs(way.turnsToGo - 1.5)).toBeLessThan(way.turnsToGoError)
})

test('a 22 inch kick half to three quarters of a turn past the point where wrinkles go (common practice, no source)', () => {
  const way = fromSlack(head(22, 10, [7, 7]), 75, 0.5, 'rattle')
  expect(way.turnsToGo).toBeGreaterThan(0.4)
  expect(way.turnsToGo).toBeLessThan(0.9)
})

test('rounds stay within the step, add up to less than the way, and stop under the target', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(8, 10, 12, 14, 16, 22),
      fc.double({ min: 40, max: 420, noNaN: true }),
      fc.constantFrom(1 / 8, 1 / 4, 1 / 2, 1),
      fc.constantFrom(...SLACK_SCHOOL_IDS),
      (inches, targetHz, step, school) => {
        const way = fromSlack(head(inches, 8), targetHz, step, school)
        const total = way.rounds.reduce((sum, turns) => sum + turns, 0)
        for (const turns of way.rounds) {
          expect(turns).toBeGreaterThan(0)
          expect(turns).toBeLessThanOrEqual(step)
          expect(16 * turns).toBeCloseTo(Math.round(16 * turns), 9)
        }
        expect(total).toBeLessThanOrEqual(Math.max(0, way.turnsToGo - 1 / 8) + 1e-9)
        if (way.rounds.length) expect(way.stopHz).toBeLessThan(targetHz)
        else expect(way.stage).toBe('there')
      },
    ),
  )
})

const DRUMS = [
  { inches: 10, lugs: 6, hz: 200 },
  { inches: 12, lugs: 6, hz: 175 },
  { inches: 14, lugs: 8, hz: 215 },
  { inches: 16, lugs: 8, hz: 105 },
]

/** A practice head brought up by the rounds shown, with check readings of two lugs; @returns pitch and what was learned. */
function bringUp({ inches, lugs, hz }: (typeof DRUMS)[number], school: SlackSchoolId, seed: number) {
  const own = head(inches, lugs)
  const drum: PracticeDrum = {
    ...{ seedText: `climb/${inches}/${seed}`, diameterInches: inches, depthInches: 8, lugs },
    ...{ hoop: 'triple-flanged', threadPitchMm: 1.058, pliesMils: [10], otherPliesMils: [10] },
  }
  let rods = { ...slackRods(drum, hz, school, seed), presses: 0 } as Parameters<typeof afterPressing>[0]
  const truth = () => lugTruth(practiceHead(drum, rods, { lugHz: hz, muted: true }))
  const rounds: Round[] = [{ readingsHz: [] }]
  let checks = 0
  for (let i = 0; i < 12; i++) {
    const { belief } = estimateHead(own, rounds, { start: 'slack', slackSchool: school })
    const anyReading = checks > 0
    const turned = rounds.at(-1)!.turns?.[0] ?? 0
    const way = climb({ belief, targetHz: hz, largestStepTurns: 0.5, turnedSinceReading: turned, anyReading })
    if (way.stage === 'there' && checks > 0 && turned === 0) {
      return { meanHz: truth().meanHz, way, belief, checks }
    }
    // Short of what speaks nothing can be read: the first reading is then that of evening, where the rounds stop.
    if (way.stage !== 'turn') {
      checks++
      const { lugHz } = truth()
      rounds.push({ readingsHz: lugHz.map((each, lug) => (lug < 2 ? each : null)), readingErrorCents: 2 })
      continue
    }
    const turns = new Array<number>(lugs).fill(way.rounds[0])
    rods = afterTurning(drum, rods, turnedByHand(rods.rods, turns, 100 * seed + i))
    const last = rounds.at(-1)!
    last.turns = turns.map((turn, rod) => turn + (last.turns?.[rod] ?? 0))
  }
  throw new Error('never there')
}

test('practice heads come up to just under their pitch by every school, and a check on the way corrects the law', () => {
  const ends: number[] = []
  for (const drum of DRUMS) {
    for (const school of SLACK_SCHOOL_IDS) {
      const { meanHz, way } = bringUp(drum, school, 7)
      ends.push(centsBetween(drum.hz, meanHz))
      expect(way.turnsToGo).toBeLessThan(0.6)
    }
  }
  // Upward at the end: nothing lands above the target by more than a hand corrects in one pass.
  expect(Math.max(...ends)).toBeLessThan(60)
  const sorted = [...ends].sort((a, b) => a - b)
  expect(sorted[Math.floor(sorted.length / 2)]).toBeLessThan(0)
  expect(sorted[0]).toBeGreaterThan(-450)
})

test('a reading on the way makes the drum’s own turn law surer', () => {
  const own = head(14, 8)
  const before = slackBelief(own, undefined, 'fingers')
  const turns = new Array<number>(8).fill(0.5)
  const k = before.x[TURN_LAW]
  // A drum that answers a third less than usual.
  const readHz = Math.sqrt(0.67 * k * 0.57)
  const { belief } = estimateHead(
    own,
    [{ turns }, { readingsHz: [readHz, readHz, null, null, null, null, null, null] }],
    { start: 'slack', slackSchool: 'fingers' },
  )
  expect(learnedFrom(belief).hz2PerTurn).toBeLessThan(0.85 * k)
  expect(belief.p[TURN_LAW * 6]).toBeLessThan(0.6 * before.p[TURN_LAW * 6])
})

test.each(SLACK_SCHOOL_IDS)(
  'the start "%s": pull and width as said, the mean in step with the turn law',
  (school) => {
    const { turns, turnsError } = SLACK_SCHOOLS[school]
    const { x, p } = slackBelief(head(12, 6), undefined, school)
    expect(x[MEAN] / x[TURN_LAW]).toBeCloseTo(turns, 9)
    expect(Math.sqrt(p[MEAN * 6]) / x[TURN_LAW]).toBeGreaterThan(turnsError)
    expect(p[MEAN * 5 + TURN_LAW]).toBeGreaterThan(0)
  },
)

test('rules of thumb are said by kind; the fast routine keeps to about five minutes', () => {
  expect(ruleOfThumb('snare', 'batter', 14)).toMatch(/Three rounds of half turns/)
  expect(ruleOfThumb('kick', 'batter', 24)).not.toBe(ruleOfThumb('kick', 'batter', 22))
  for (const [lugs, rounds] of [
    [6, [0.5]],
    [8, [0.5, 0.25]],
    [10, [0.5, 0.5, 0.25]],
  ] as const) {
    for (const keys of [1, 2] as const) {
      const { steps, minutes } = fastRoutine({ lugs, keys, rounds })
      expect(minutes).toBeCloseTo(
        steps.reduce((sum, step) => sum + step.minutes, 0),
        9,
      )
      expect(minutes).toBeLessThan(6)
      expect(steps.filter(({ what }) => what === 'up').map(({ turns }) => turns)).toEqual(rounds)
    }
  }
})
