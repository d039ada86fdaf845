import { lugAngle } from '../head/harmonics'
import type { Hoop } from '../membrane/turnLaw'
import { centsBetween } from '../units/pitch'
import { afterPressing, afterTurning, practiceHead, type PracticeDrum } from './drum'
import { holdDown, hoopStiffness, type Parts } from './mechanics'
import { lugTruth, type PracticeHead } from './model'
import { idealNature, natureOf } from './nature'

function head(change: Partial<PracticeHead> = {}): PracticeHead {
  const lugs = change.lugs ?? 8
  return {
    ...{ diameterInches: 14, depthInches: 6.5, lugs, hoop: 'triple-flanged', threadPitchMm: 1.058 },
    ...{ pliesMils: [10], evenHz: 234, rods: new Array<number>(lugs).fill(0), nature: idealNature(lugs) },
    other: { pliesMils: [10], lugHz: 300, muted: true },
    ...change,
  }
}

const parts = (change: Partial<Parts> = {}): Parts => ({ ...head(), ...change })
const spreadOf = (hz: readonly number[]) => centsBetween(Math.min(...hz), Math.max(...hz))

/** Common practice, no source: one turn of every rod on two 14 inch heads, 353 to 396 Hz and 144 to 228 Hz. */
test.each([
  [[3], 353, 396],
  [[10], 144, 228],
])('one turn of every rod on a 14 with %p mil: %i Hz to %i', (pliesMils, from, to) => {
  const at = (turns: number) =>
    lugTruth(
      head({
        pliesMils,
        evenHz: from,
        lugs: 10,
        rods: new Array<number>(10).fill(turns),
        nature: idealNature(10),
      }),
    ).meanHz
  expect(at(0)).toBeCloseTo(from, 0.5)
  expect(Math.abs(at(1) / to - 1)).toBeLessThan(0.01)
})

/** Common practice, no source: opposite lugs sound alike, whichever of the two rods is the loose one. */
test('a pair of lugs reads alike while the tension beside them differs', () => {
  const one = lugTruth(head({ rods: [0.2, 0, 0, 0, 0, 0, 0, 0] }))
  for (let i = 0; i < 4; i++) expect(Math.abs(one.lugHz[i] - one.lugHz[i + 4])).toBeLessThan(0.06)
  expect(one.lugHz[0]).toBeGreaterThan(one.lugHz[2] + 1)
  const opposed = lugTruth(head({ rods: [0.2, 0, 0, 0, -0.2, 0, 0, 0] }))
  opposed.lugHz.forEach((hz) => expect(Math.abs(hz - 234)).toBeLessThan(0.35))
  expect(opposed.edgeTension[0] / opposed.edgeTension[4]).toBeGreaterThan(1.08)
})

/** Common practice, no source: a stiff hoop carries one rod's pull far round, a flanged one keeps it local. */
test('one rod up: the stiffer hoop spreads the pull and lets the neighbours go', () => {
  const pulls = (hoop: Hoop) => holdDown(parts({ hoop }), [1.5, 1, 1, 1, 1, 1, 1, 1]).rodNewtons
  const drop = (hoop: Hoop) =>
    1 - pulls(hoop)[1] / holdDown(parts({ hoop }), new Array<number>(8).fill(1)).rodNewtons[1]
  expect(drop('die-cast')).toBeGreaterThan(drop('triple-flanged'))
  expect(hoopStiffness('die-cast', 2, 0.18)).toBeGreaterThan(hoopStiffness('single-flanged', 2, 0.18))
  expect(hoopStiffness('wood', 1, 0.18)).toBe(0)
})

test('rods only pull, and what they pull is what the film pulls', () => {
  const { rodNewtons, edge } = holdDown(parts(), [2.2, 0.4, 0.4, 0.4, 0.4, 0.4, 0.4, 0.4])
  expect(Math.min(...rodNewtons)).toBe(0)
  expect(edge.cosine[0]).toBeGreaterThan(0)
  const even = lugTruth(head())
  const load = even.held.rodNewtons.reduce((sum, n) => sum + n, 0)
  // The film's pull along the whole edge, over the rods: T times the circumference.
  expect(load / (even.edgeTension[0] * Math.PI * 14 * 0.0254)).toBeCloseTo(1, 2)
  const slack = holdDown(parts(), new Array<number>(8).fill(-0.1))
  expect(slack.rodNewtons.every((n) => n === 0)).toBe(true)
})

test('an out-of-round hoop parts the poles of even rods, a stripped rod pulls nothing, a worn film answers less', () => {
  const oval = natureOf(head(), 3, { outOfRound: { at: 0.125, bindsTurns: 1.5 } })
  const round = natureOf(head(), 3)
  expect(spreadOf(lugTruth(head({ nature: oval })).lugHz)).toBeGreaterThan(
    4 * spreadOf(lugTruth(head({ nature: round })).lugHz),
  )
  const stripped = natureOf(head(), 3, { strippedRods: [3] })
  expect(lugTruth(head({ nature: stripped })).held.rodNewtons[2]).toBe(0)
  const answer = (worn: number) => {
    const nature = natureOf(head(), 3, { worn })
    return (
      lugTruth(head({ nature, rods: new Array<number>(8).fill(0.25) })).meanHz ** 2 -
      lugTruth(head({ nature })).meanHz ** 2
    )
  }
  expect(answer(0.5)).toBeLessThan(0.95 * answer(0))
})

test('a turn back sticks until the head is pressed, and the first press takes the most', () => {
  const drum: PracticeDrum = {
    ...{ seedText: 'stick', diameterInches: 14, depthInches: 6.5, lugs: 8, hoop: 'triple-flanged' },
    ...{ threadPitchMm: 1.058, pliesMils: [10], otherPliesMils: [10] },
  }
  const other = { lugHz: 300, muted: true }
  const mean = (state: Parameters<typeof practiceHead>[1]) =>
    lugTruth(practiceHead(drum, state, other)).meanHz
  const start = { evenHz: 234, rods: new Array<number>(8).fill(0), presses: 9 }
  const down = afterTurning(
    drum,
    start,
    start.rods.map(() => -0.125),
  )
  const pressed = afterPressing(down)
  expect(mean(down)).toBeLessThan(mean(start))
  expect(mean(pressed)).toBeLessThan(mean(down) - 0.5)
  const fresh = { evenHz: 234, rods: start.rods }
  const first = mean(fresh) - mean(afterPressing(fresh))
  const second = mean(afterPressing(fresh)) - mean(afterPressing(afterPressing(fresh)))
  expect(first).toBeGreaterThan(second)
  expect(second).toBeGreaterThan(0)
})

test('irregular hoops mix the patterns by little, and a harmonic that pitch does not see moves it by less', () => {
  for (let seed = 1; seed <= 5; seed++) {
    const nature = natureOf(head(), seed)
    const base = lugTruth(head({ nature }))
    const turned = (k: number) =>
      lugTruth(head({ nature, rods: base.lugHz.map((_, i) => 0.05 * Math.cos(k * lugAngle(i, 8))) }))
    const moved = (k: number) =>
      Math.max(...turned(k).lugHz.map((hz, i) => Math.abs(centsBetween(base.lugHz[i], hz))))
    expect(moved(2)).toBeGreaterThan(4)
    for (const k of [1, 3]) expect(moved(k)).toBeLessThan(0.2 * moved(2))
  }
})
