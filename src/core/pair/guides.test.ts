import { kickBatterHz } from './kick'
import { LAYER_IDS, LAYERS, layersFor } from './layers'
import { scaledRange, snareHeadAge } from './snare'
import type { PairDrum } from './types'

const kick = (diameterInches: number): PairDrum => {
  const head = { pliesMils: [10], hoop: 'wood' as const }
  return {
    kind: 'kick',
    diameterInches,
    depthInches: 16,
    lugs: 10,
    threadPitchMm: 1.058,
    batter: head,
    resonant: head,
    port: null,
  }
}

test('three quarters of a turn on a 22 is about 84 Hz, one turn on a 24 about 86 (common practice, no source)', () => {
  expect(kickBatterHz(kick(22), 0.75)).toBeCloseTo(84, -0.5)
  expect(kickBatterHz(kick(24), 1)).toBeCloseTo(86, -0.5)
})

test('a snare-side head is due between three and six months of hard playing (common practice, no source)', () => {
  const now = Date.UTC(2026, 5, 1)
  const age = (fittedOn: string | null) => snareHeadAge(fittedOn, now).age
  expect([age('2026-05-01'), age('2026-02-01'), age('2025-10-01'), age(null)]).toEqual([
    'fresh',
    'watch',
    'due',
    'unknown',
  ])
  expect(scaledRange(262, 13)).toBeGreaterThan(262)
})

test('every kind of drum has layers of muffling, each named and described', () => {
  for (const kind of ['kick', 'snare', 'tom', 'floor-tom']) expect(layersFor(kind).length).toBeGreaterThan(2)
  for (const id of LAYER_IDS) expect(LAYERS[id].says.length).toBeGreaterThan(5)
})
