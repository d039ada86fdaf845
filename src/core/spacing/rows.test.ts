import { midiToHz, shiftByCents } from '../units/pitch'
import { gapCost, kickCost, scoreOf, snareCost, workCost } from './cost'
import { rowsOf } from './rows'
import { wantedCents } from './scheme'
import type { PlanDrum } from './types'

const tom: PlanDrum = { id: 't', name: '12', kind: 'tom', diameterInches: 12 }
const snare: PlanDrum = { id: 's', name: '14', kind: 'snare', diameterInches: 14 }
const kick: PlanDrum = { id: 'k', name: '22', kind: 'kick', diameterInches: 22 }
const at = (id: string, batterHz: number, resonantHz: number) => ({ id, batterHz, resonantHz })

test('a tom on the snare’s own pitch makes its wires buzz, one a third away does not', () => {
  const risk = (tomHz: number) =>
    rowsOf([tom, snare], [at('t', tomHz, 1.26 * tomHz), at('s', 240, 390)]).rows.find(
      ({ against }) => against === 'snare',
    )!
  expect(risk(240)).toMatchObject({ tom: 't', nearest: { tom: 'lug', other: 'lug' } })
  expect(risk(240).risk).toBeCloseTo(1, 6)
  // Every tone of one is set against every tone of the other: the tom's resonant head may be the one that hits.
  expect(risk(240 / 1.26).nearest.tom).toBe('resonant lug')
  expect(risk(150).risk).toBeLessThan(risk(240).risk)
})

test('a kick speaks where a bass plays; a snare is never said to', () => {
  const { bass, centreHz } = rowsOf(
    [tom, snare, kick],
    [at('t', 160, 200), at('s', 240, 390), at('k', 70, 80)],
  )
  expect(bass.map(({ drum }) => drum)).toContain('k')
  expect(bass.map(({ drum }) => drum)).not.toContain('s')
  expect(centreHz.k).toBeGreaterThan(30)
  expect(centreHz.k).toBeLessThan(70)
  // A drum that is placed and unknown is passed over.
  expect(rowsOf([tom], [at('x', 100, 120)]).rows).toEqual([])
})

test('schemes, from the lowest drum up: the triad repeats at the octave, own steps are counted from the smallest', () => {
  const gaps = (scheme: Parameters<typeof wantedCents>[0], count: number) =>
    Array.from({ length: count }, (_, gap) => wantedCents(scheme, gap, count))
  expect(gaps({ kind: 'major-triad' }, 4)).toEqual([[400], [300], [500], [400]])
  expect(gaps({ kind: 'steps', cents: [310, 433] }, 2)).toEqual([[433], [310]])
  // Fewer own steps than gaps: what was not named is free.
  expect(gaps({ kind: 'steps', cents: [310] }, 2)).toEqual([[], [310]])
  expect(gaps({ kind: 'thirds' }, 1)).toEqual([[400, 300]])
  // A root with its triad closes on its own octave.
  expect(shiftByCents(midiToHz(45), 400 + 300 + 500)).toBeCloseTo(midiToHz(57), 9)
})

test('costs: nothing where nothing is wrong, rising with what is, and a whole scheme is never dearer than half of one', () => {
  expect([gapCost(500, [500]), kickCost(700), snareCost(100), workCost(0, 1)]).toEqual([0, 0, 0, 0])
  for (const cost of [
    (x: number) => gapCost(500 + x, [500]),
    (x: number) => gapCost(500 - x, [500]),
    (x: number) => kickCost(1200 + x),
    (x: number) => workCost(x / 100, 0.5),
  ]) {
    const values = [5, 20, 60, 150].map(cost)
    expect(values).toEqual([...values].sort((a, b) => a - b))
    expect(values[0]).toBeGreaterThanOrEqual(0)
  }
  // Without a scheme only what is too near or too far costs; two drums half a step apart give no separation.
  expect([gapCost(300, []), gapCost(900, [])]).toEqual([0, 0])
  expect(gapCost(50, [])).toBeGreaterThan(gapCost(250, []))
  expect(scoreOf(0, 5)).toBe(1)
  expect(scoreOf(10, 5)).toBeLessThan(scoreOf(5, 5))
})
