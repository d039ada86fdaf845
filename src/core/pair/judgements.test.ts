import { turnLawPrior } from '../membrane/turnLaw'
import { CENTS_PER_NEPER, centsBetween } from '../units/pitch'
import { believePair } from './belief'
import { learnPair, predictCentre } from './learn'
import { pairGrid } from './map'
import { aboveBy, pairState, USUAL_PARTS } from './model'
import { plannedTones } from './preview'
import { foretellRing, learnRing } from './ring'
import { schoolOf } from './schools'
import { SIDE_SNARE_INCHES, SNARE_SIDE_HZ, USUAL_BED_CENTS } from './snare'
import { solvePair } from './solve'
import type { PairDrum } from './types'
import { wished } from './ways'

/** What each judgement of the pair means, so that none changes unseen (docs/decisions/two-heads.md, ring.md). */
const head = (pliesMils: number[]) => ({ pliesMils, hoop: 'triple-flanged' as const })
const TOM: PairDrum = {
  ...{ kind: 'tom', diameterInches: 12, depthInches: 8, lugs: 6, threadPitchMm: 1.058, port: null },
  ...{ batter: head([7, 7]), resonant: head([10]) },
}
const KICK: PairDrum = { ...TOM, kind: 'kick', diameterInches: 22, depthInches: 18, lugs: 10 }
const AT = { batterHz: 180, resonantHz: 240 }
const BARE = { layers: [], hung: null }
const ring = (above: number) =>
  foretellRing(
    TOM,
    { batterHz: 180, resonantHz: aboveBy(180, above), ...BARE },
    learnRing(TOM, [], USUAL_PARTS),
    USUAL_PARTS,
  )

test('a drum’s own loss grows with the pitch to the power 0.7; what is unknown of the loss is carried', () => {
  const own = (above: number) => {
    const { decaySeconds, radiated, factor } = ring(above)
    const { centreHz } = pairState(TOM, { batterHz: 180, resonantHz: aboveBy(180, above) }, USUAL_PARTS)
    return { loss: (1 - radiated) / decaySeconds, centreHz, radiated, factor }
  }
  const [low, high] = [own(0), own(900)]
  expect(high.loss / low.loss).toBeCloseTo((high.centreHz / low.centreHz) ** 0.7, 9)
  // One stroke 12%, own loss 0.6 and radiation 0.3 of a neper, each by its part of the loss.
  for (const { radiated, factor } of [low, high])
    expect(Math.log(factor) ** 2).toBeCloseTo(
      0.12 ** 2 + (0.6 * (1 - radiated)) ** 2 + (0.3 * radiated) ** 2,
      9,
    )
})

test('one centre reading is worth 3.6 cents, an unknown port 1.2% of the pitch', () => {
  const variance = (drum: PairDrum, seen: number) => {
    const { centreHz } = pairState(drum, AT, USUAL_PARTS)
    const learned = learnPair(drum, Array<typeof AT & { centreHz: number }>(seen).fill({ ...AT, centreHz }))
    return predictCentre(drum, AT, learned).errorCents ** 2
  }
  const r = 3.6 ** 2
  const prior = variance(TOM, 0) - r
  expect(variance(TOM, 1)).toBeCloseTo(r + 1 / (1 / prior + 1 / r), 1)
  const ported = variance({ ...KICK, port: { diameterInches: 5 } }, 0) - variance(KICK, 0)
  expect(Math.sqrt(ported) / CENTS_PER_NEPER).toBeCloseTo(0.012, 3)
})

test('a lug pitch that was read stands for 3 cents', () => {
  const read = { ...AT, centreHz: null }
  expect(believePair(TOM, read, learnPair(TOM, [])).errorCents.batter).toBeCloseTo(3, 1)
})

test('heads alike within 60 cents are one school, from there on another', () => {
  expect([0, 55, -55, 70, -70].map((cents) => schoolOf(cents).id)).toEqual([
    ...['alike', 'alike', 'alike', 'higher', 'lower'],
  ])
})

test('a snare side near 400 Hz on a 14, a side snare of 12 inches or less than 13, a bed some 10 to 30 cents low (common practice, no source)', () => {
  expect(SNARE_SIDE_HZ).toBe(400)
  expect(SIDE_SNARE_INCHES).toBeGreaterThan(12)
  expect(SIDE_SNARE_INCHES).toBeLessThan(13)
  expect(USUAL_BED_CENTS).toBeGreaterThanOrEqual(10)
  expect(USUAL_BED_CENTS).toBeLessThanOrEqual(30)
})

test('edge notes beat where both are heard and lie within 25 Hz', () => {
  // Computed for a 14 by 6.5, alike at 265 Hz: 252.8 and 279.8, 27 Hz apart: no beat but two notes.
  const snare: PairDrum = {
    ...TOM,
    kind: 'snare',
    diameterInches: 14,
    depthInches: 6.5,
    batter: head([10]),
    resonant: head([3]),
  }
  const alike = pairState(snare, { batterHz: 265, resonantHz: 265 })
  expect(alike.edge[1].hz - alike.edge[0].hz).toBeGreaterThan(25)
  expect(alike.warbleHz).toBe(0)
  // A mode with less than three tenths of its movement in the batter is not heard there.
  const shareAt = (above: number) => {
    const { edge, warbleHz } = pairState(TOM, { batterHz: 180, resonantHz: aboveBy(180, above) })
    return { share: Math.min(...edge.map(({ batter }) => Math.abs(batter))), warbleHz }
  }
  const heard = Array.from({ length: 120 }, (_, cents) => shareAt(cents))
  for (const { share, warbleHz } of heard) {
    if (share > 0.31) expect(warbleHz).toBeGreaterThan(0)
    if (share < 0.29) expect(warbleHz).toBe(0)
  }
  expect(heard.some(({ share }) => share > 0.31 && share < 0.45)).toBe(true)
})

test('heads speak from about 0.15 turns above slack: lower is warned of, not refused', () => {
  const k = turnLawPrior(12, 1.058, [7, 7]).mean
  const warned = (turns: number) =>
    solvePair({
      drum: TOM,
      now: { ...AT, centreHz: null },
      want: { batterHz: Math.sqrt(turns * k), resonantHz: 240 },
    }).warnings
  expect(warned(0.17)).toEqual([])
  expect(warned(0.13)).toEqual(['batter-slack'])
  // Never below where the head stands already.
  const low = { ...AT, batterHz: Math.sqrt(0.1 * k), centreHz: null }
  expect(
    solvePair({ drum: TOM, now: low, want: { batterHz: low.batterHz, resonantHz: 240 } }).warnings,
  ).toEqual([])
})

test('wants are met within a cent, and only then', () => {
  const ask = (offCents: number) =>
    solvePair({
      drum: { ...TOM, batter: { ...TOM.batter, ceilingHz: 200 * 2 ** (-offCents / 1200) } },
      now: { ...AT, centreHz: null },
      want: { batterHz: 200, resonantHz: 240 },
    }).reachable
  expect(ask(0.7)).toBe(true)
  expect(ask(1.4)).toBe(false)
})

test('a turn law that the head has shown is known to a tenth', () => {
  const { turns, turnsError } = solvePair({
    drum: TOM,
    now: { ...AT, centreHz: null },
    want: { batterHz: 250, resonantHz: 240 },
    turnLaw: { batter: 48_000 },
  })
  const stood = (2 * 180 ** 2 * 3) / CENTS_PER_NEPER / 48_000
  expect(turnsError.batter).toBeCloseTo(Math.hypot(0.1 * turns.batter, stood), 3)
})

test('the sound of what is only planned: the upper note 14 dB down, the edges 20, outlasting the low one by their pitch', () => {
  const tones = plannedTones(TOM, AT, ring(500), USUAL_PARTS)
  const { edge, centreHz } = pairState(TOM, AT, USUAL_PARTS)
  expect(tones.map(({ levelDb }) => Math.round(levelDb)).slice(0, 2)).toEqual([0, -14])
  edge.forEach(({ hz, batter }, i) => {
    const tone = tones[2 + i]
    expect(tone.levelDb).toBeCloseTo(-20 + 20 * Math.log10(Math.max(0.05, Math.abs(batter))), 9)
    expect((tone.decaySeconds * hz) / (ring(500).decaySeconds * centreHz)).toBeCloseTo(1.3, 9)
  })
})

test('one step of a wish: warmer is 60 cents down and towards a third, the others 100', () => {
  const warmer = wished('warmer', { batterHz: 180, resonantHz: aboveBy(180, 450) })
  expect(centsBetween(180, warmer.batterHz)).toBeCloseTo(-60, 9)
  expect(centsBetween(warmer.batterHz, warmer.resonantHz)).toBeCloseTo(400, 9)
  const shorter = wished('shorter', AT)
  expect(centsBetween(AT.resonantHz, shorter.resonantHz)).toBeCloseTo(100, 9)
})

test('the map is as fine as it is drawn: 17 places each way, a step of less than two whole tones', () => {
  const { batterHz, resonantHz } = pairGrid(TOM, learnPair(TOM, []), {}, AT)
  expect([batterHz.length, resonantHz.length]).toEqual([17, 17])
  expect(centsBetween(batterHz[0], batterHz[1])).toBeLessThan(400)
})
