import { fireEvent, render, screen } from '@testing-library/react'
import { learnPair } from '@/core/pair/learn'
import { pairGrid } from '@/core/pair/map'
import { pairState } from '@/core/pair/model'
import type { PairDrum } from '@/core/pair/types'
import { PairMap, type Place } from './PairMap'
import { pairMapModel } from './pairmap.model'

const TOM: PairDrum = {
  ...{ kind: 'tom', diameterInches: 12, depthInches: 8, lugs: 6, threadPitchMm: 1.058, port: null },
  batter: { pliesMils: [7, 7], hoop: 'triple-flanged' },
  resonant: { pliesMils: [10], hoop: 'triple-flanged' },
}
const learned = learnPair(TOM, [])
const grid = pairGrid(TOM, learned, {}, { batterHz: 180, resonantHz: 200 })
const model = pairMapModel(grid, 460, 380)
/** Points of a path of straight lines. */
const points = (path: string) =>
  [...path.matchAll(/[ML]([\d.]+),([\d.]+)/g)].map(([, x, y]) => model.at(Number(x), Number(y)))

test('the grid rises with both heads, and its places are those of the scales', () => {
  grid.centreHz.forEach((row, r) =>
    row.forEach((hz, b) => {
      if (b > 0) expect(hz).toBeGreaterThan(row[b - 1])
      if (r > 0) expect(hz).toBeGreaterThan(grid.centreHz[r - 1][b])
    }),
  )
  const { batterHz, resonantHz } = model.at(model.x(180), model.y(240))
  expect(batterHz).toBeCloseTo(180, 6)
  expect(resonantHz).toBeCloseTo(240, 6)
  // Off the sheet is held at its edge: no goal lies outside what the heads can take.
  expect(model.at(-50, 900).batterHz).toBeCloseTo(grid.batterHz[0], 6)
})

test('lines are where the model has that centre, and that ratio', () => {
  const named = model.centre.filter(({ label }) => label)
  expect(named.length).toBeGreaterThan(2)
  for (const { label, path } of named) {
    for (const { batterHz, resonantHz } of points(path).slice(1, -1)) {
      const off = pairState(TOM, { batterHz, resonantHz }, learned.parts).centreHz / parseFloat(label) - 1
      expect(Math.abs(off)).toBeLessThan(0.01)
    }
  }
  const fifteen = model.ratio.find(({ label }) => label === '1.5')!
  for (const { batterHz, resonantHz } of points(fifteen.path).slice(1, -1)) {
    expect(pairState(TOM, { batterHz, resonantHz }, learned.parts).ratio).toBeCloseTo(1.5, 1)
  }
  for (const { batterHz, resonantHz } of points(model.relation[0].path)) {
    expect(resonantHz / batterHz).toBeCloseTo(1, 2)
  }
})

test('the goal is moved by keys, ten cents a press, fifty with Shift, and said in words', () => {
  const goals: Place[] = []
  const at = { batterHz: 180, resonantHz: 240 }
  render(
    <PairMap
      model={model}
      now={at}
      was={[{ batterHz: 170, resonantHz: 200 }]}
      goal={at}
      label="Map of both heads"
      onGoal={(goal) => goals.push(goal)}
    />,
  )
  const map = screen.getByRole('application', { name: 'Map of both heads' })
  fireEvent.keyDown(map, { key: 'ArrowRight' })
  fireEvent.keyDown(map, { key: 'ArrowDown', shiftKey: true })
  fireEvent.keyDown(map, { key: 'x' })
  expect(goals.length).toBe(2)
  expect(1200 * Math.log2(goals[0].batterHz / 180)).toBeCloseTo(10, 3)
  expect(goals[0].resonantHz).toBeCloseTo(240, 3)
  expect(1200 * Math.log2(goals[1].resonantHz / 240)).toBeCloseTo(-50, 3)
})
