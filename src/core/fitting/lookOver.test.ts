import { even } from '../evening/even'
import type { EvenRequest } from '../evening/types'
import { spreadCents } from '../head/harmonics'
import { afterPressing, afterTurning, practiceHead, turnedByHand, type PracticeDrum } from '../practice/drum'
import { lugTruth } from '../practice/model'
import { plant } from '../practice/plant'
import { startingBelief } from '../head/belief'
import { TURN_LAW } from '../head/kalman'
import type { EvenHead } from '../head/types'
import { AREA_IDS, AREAS, FINDING_IDS, FINDINGS, fitSteps, knownOf } from './lookOver'

const HEAD: EvenHead = {
  ...{ side: 'batter', diameterInches: 14, lugs: 8, hoop: 'triple-flanged' },
  ...{ threadPitchMm: 1.058, pliesMils: [10] },
}
const READ = [228.1, 230, 231, 229, 228, 230.2, 231.1, 229.1]
const ask = (change: object = {}) =>
  even({ head: HEAD, target: { hz: 234 }, keys: 2, rounds: [{ readingsHz: READ }], ...change })

test('every finding belongs to a part that is looked at, and says what it means, what to do and whether to go on', () => {
  for (const id of FINDING_IDS) {
    const { area, means, todo, goOn } = FINDINGS[id]
    expect(AREA_IDS).toContain(area)
    expect([means.length, todo.length].every((length) => length > 10)).toBe(true)
    expect(['yes', 'care', 'no']).toContain(goOn)
  }
  for (const id of AREA_IDS) expect(FINDING_IDS.some((finding) => FINDINGS[finding].area === id)).toBe(true)
  // Heat, sanding, solvents and hearing are said where the hand would go wrong.
  const cautions = AREA_IDS.map((id) => AREAS[id].caution ?? '').join(' ')
  for (const hazard of [/burn/, /lead/, /fumes/, /ear/, /heavy/]) expect(cautions).toMatch(hazard)
})

test('what open findings tell the model', () => {
  expect(knownOf([])).toEqual({})
  expect(
    knownOf([
      { finding: 'stripped', rods: [5, 2] },
      { finding: 'stripped', rods: [2] },
      { finding: 'hoop-oval', rods: [] },
      { finding: 'worn', rods: [] },
      { finding: 'muffled', rods: [] },
    ]),
  ).toEqual({ deadRods: [2, 5], hoopOrEdge: true, worn: true })
})

test('a stripped rod is left out of the pass, and the answer says so', () => {
  const plain = ask()
  const rod = plain.turns.findIndex((turn) => turn !== 0)
  expect(rod).toBeGreaterThanOrEqual(0)
  const answer = ask({ deadRods: [rod + 1] })
  expect(answer.turns[rod]).toBe(0)
  expect(answer.turns.some((turn) => turn !== 0)).toBe(true)
  expect(answer.leftAlone).toEqual([rod + 1])
  expect(answer.reason).toBeNull()
})

test('a worn film is believed to answer less, and less surely', () => {
  const fresh = startingBelief(HEAD, undefined, 50_000, 0.06)
  const worn = startingBelief({ ...HEAD, worn: true }, undefined, 50_000, 0.06)
  expect(worn.x[TURN_LAW]).toBeLessThan(fresh.x[TURN_LAW])
  expect(worn.p[TURN_LAW * 6]).toBeGreaterThan(fresh.p[TURN_LAW * 6])
  const own = { hz2PerTurn: 30_000, hz2PerTurnError: 3000, secondAnswer: 0.4, secondAnswerError: 0.05 }
  const known = startingBelief({ ...HEAD, worn: true }, own, 50_000, 0.06)
  expect(known.x[TURN_LAW]).toBeCloseTo(30_000, 6)
})

test('a hoop found out of round explains what no turn takes away', () => {
  // All rods but the four that could help are dead, and those are at their limit of help: nothing is left to turn.
  const dead = { deadRods: [1, 2, 3, 4, 5, 6, 7, 8] }
  expect(ask({ ...dead, hoopOrEdge: true })).toMatchObject({ reason: 'hoop-or-edge', hoopOrEdgeKnown: true })
  expect(ask(dead).reason).toBe('no-turn-helps')
})

test('fitting ends with the school’s own way to the start, and warns at the old edge', () => {
  const steps = fitSteps('Stop where it no longer rattles.')
  expect(steps.at(-1)!.todo).toMatch(/no longer rattles/)
  expect(steps[0].caution).toMatch(/lead/)
})

test.each([
  { inches: 12, lugs: 6, hz: 150 },
  { inches: 14, lugs: 8, hz: 200 },
  { inches: 14, lugs: 10, hz: 230 },
])(
  'a $inches inch head with $lugs rods, one of them stripped and known, comes even without it',
  ({ inches, lugs, hz }) => {
    const drum: PracticeDrum = {
      ...{ seedText: 'left alone', diameterInches: inches, depthInches: 8, lugs, hoop: 'triple-flanged' },
      ...{ threadPitchMm: 1.058, pliesMils: [10], otherPliesMils: [10] },
    }
    const trouble = plant(drum, hz, false, 'stripped-rod', 43)
    const [dead] = trouble.drum.faults!.strippedRods!
    let rods = trouble.rods
    const truth = () => lugTruth(practiceHead(trouble.drum, rods, { lugHz: hz, muted: true })).lugHz
    const found = spreadCents(truth())
    const own = { ...HEAD, diameterInches: inches, lugs }
    const request: EvenRequest = { head: own, target: { hz }, keys: 2, deadRods: [dead], rounds: [] }
    for (let pass = 0; pass < 6; pass++) {
      request.rounds.push({ readingsHz: truth(), readingErrorCents: 1.5, pressed: pass > 0 })
      const { turns, done } = even(request)
      expect(turns[dead - 1]).toBe(0)
      if (done) break
      rods = afterPressing(afterTurning(trouble.drum, rods, turnedByHand(rods.rods, turns, pass)))
      request.rounds.at(-1)!.turns = turns
    }
    expect(found).toBeGreaterThan(50)
    expect(spreadCents(truth())).toBeLessThan(16)
  },
)
