import { usualDrum } from '@/core/records/usualDrum'
import { cardModel } from './sheetCard.model'
import { spectrumModel, waveModel } from './heard.model'
import { keyMapModel } from './keymap.model'
import { intervalText } from '@/core/units/intervals'
import { railModel } from './rail.model'
import { ringingModel } from './ringing.model'
import { rimModel, rimText, type RimInput } from './rim.model'
import { spacingModel } from './spacing.model'
import { sweepModel } from './sweep.model'

const RIM: RimInput = {
  ...{
    width: 700,
    height: 390,
    lugs: 8,
    zeroHz: 234,
    targetHz: new Array<number>(8).fill(234),
    toleranceCents: 6,
  },
  readings: [
    { lug: 1, hz: 234, errorHz: 0.2, taps: 1 },
    { lug: 3, hz: 230, errorHz: 0.2, taps: 2 },
  ],
  ...{ expected: [], fit: { mean: 234 ** 2, cosine: 500, sine: 0 } },
}

test('the rim strip: lugs left to right, higher pitch higher up, everything inside', () => {
  const model = rimModel(RIM)
  expect(model.lugX).toEqual([...model.lugX].sort((a, b) => a - b))
  const [on, low] = model.readings
  expect(low.y).toBeGreaterThan(on.y)
  expect(on.y).toBeCloseTo(model.ticks.find((tick) => tick.zero)!.y, 6)
  for (const mark of model.readings) {
    expect(mark.high).toBeLessThan(mark.y)
    expect(mark.low).toBeGreaterThan(mark.y)
    expect(mark.y).toBeGreaterThan(model.top)
    expect(mark.y).toBeLessThan(model.bottom)
  }
  expect(model.curve).toMatch(/^M/)
  expect(rimText(RIM)).toBe('lug 1 234.0 hertz, on target; lug 3 230.0 hertz, 30 cents low')
  expect(rimText({ ...RIM, readings: [] })).toMatch(/No lug/)
})

test('the rail: one logarithmic axis, an octave is everywhere as wide', () => {
  const lane = (id: string, hz: number) => ({
    ...{ id, batterHz: hz, resonantHz: hz * 1.335, spreadCents: 10, targetHz: hz, toleranceCents: 8 },
    range: null,
    foretold: { batter: false, resonant: false },
  })
  const { lanes, notes } = railModel([lane('a', 60), lane('b', 120), lane('c', 240)], 600, 440)
  expect(lanes[1].batter! - lanes[0].batter!).toBeCloseTo(lanes[2].batter! - lanes[1].batter!, 6)
  expect(lanes[0].next).toEqual({ x: lanes[1].batter, label: 'octave' })
  expect(lanes[2].next).toBeNull()
  expect(lanes[0].relation).toBe('fourth up')
  for (const { bracket, batter } of lanes) {
    expect(bracket!.from).toBeLessThan(batter!)
    expect(bracket!.to).toBeGreaterThan(batter!)
  }
  expect(notes.length).toBeGreaterThan(2)
  expect(
    railModel([{ ...lane('a', 60), batterHz: null, resonantHz: null, targetHz: null }], 300, 440).lanes[0]
      .batter,
  ).toBeNull()
})

test.each([
  [0, 'alike'],
  [498.04, 'fourth −2 c'],
  [-702, 'fifth +2 c'],
  [1200, 'octave'],
  [1910, 'octave + fifth +10 c'],
])('%f cents is called %s', (cents, words) => {
  expect(intervalText(cents)).toBe(words)
})

test('the key map: lug 1 first clockwise after the badge', () => {
  const { lugs, badge } = keyMapModel(160, [0.125, 0, 0, 0, 0.125, 0, 0, 0], 3)
  expect(lugs[0].x).toBeGreaterThan(badge.x)
  expect(lugs[7].x).toBeLessThan(badge.x)
  expect(lugs.filter((lug) => lug.next).map((lug) => lug.lug)).toEqual([1, 5])
  expect(lugs.filter((lug) => lug.tapped).map((lug) => lug.lug)).toEqual([3])
})

test('a left-handed drummer’s lugs go round the other way; a badge at a lug has lug 1 under it', () => {
  const still = new Array<number>(8).fill(0)
  const left = keyMapModel(160, still, null, null, { mirrored: true, badgeAtLug: false })
  expect(left.lugs[0].x).toBeLessThan(left.badge.x)
  const atLug = keyMapModel(160, still, null, null, { mirrored: false, badgeAtLug: true })
  expect(atLug.lugs[0].x).toBeCloseTo(atLug.badge.x, 6)
  const facing = keyMapModel(160, still, null, 3, { mirrored: true, badgeAtLug: false })
  expect(facing.lugs.reduce((a, b) => (b.y > a.y ? b : a)).lug).toBe(3)
})

test('a sweep goes clockwise to tighten, the rod turned with it', () => {
  expect(sweepModel(0.25, 50)).toMatchObject({ tighten: true, degrees: 90 })
  expect(sweepModel(-0.125, 50)).toMatchObject({ tighten: false, degrees: -45 })
  expect(sweepModel(2, 50).degrees).toBe(360)
})

test('a tap’s waveform counts time from the stroke; the tones of its spectrum stand inside, the reading labelled', () => {
  const wave = waveModel({
    ...{ width: 500, height: 100, seconds: 2, strokeSeconds: 0.4 },
    wave: Array.from({ length: 50 }, (_, i) => [-i / 50, i / 50] as const),
  })
  expect(wave.ticks[0]).toMatchObject({ label: '0 s', x: wave.strokeX })
  expect(wave.strokeX).toBeGreaterThan(0.15 * 500)
  const spectrum = spectrumModel({
    ...{ width: 500, height: 200, stepHz: 10, spectrumDb: new Array<number>(76).fill(-30) },
    tones: [
      { hz: 231, levelDb: 0, chosen: true },
      { hz: 233, levelDb: -3, chosen: false },
      { hz: 320, levelDb: -9, chosen: false },
      { hz: 2000, levelDb: -9, chosen: false },
    ],
  })
  expect(spectrum.tones.map(({ hz, label }) => [hz, label])).toEqual([
    [231, true],
    [233, false],
    [320, true],
  ])
  const [first, , third] = spectrum.tones
  expect(third.x).toBeGreaterThan(first.x)
  expect(third.y).toBeGreaterThan(first.y)
  expect(spectrum.path).toMatch(/^M/)
})

test('the key map turns with the drum: the rod that faces the hand lies at the bottom, the badge goes along', () => {
  const still = keyMapModel(150, new Array<number>(8).fill(0))
  expect(still.badge.y).toBeLessThan(still.size / 2 - still.radius)
  const turned = keyMapModel(150, new Array<number>(8).fill(0), null, 4)
  const lowest = turned.lugs.reduce((a, b) => (b.y > a.y ? b : a))
  expect(lowest.lug).toBe(4)
  expect(lowest.x).toBeCloseTo(75, 6)
  const apart = Math.hypot(turned.badge.x - 75, turned.badge.y - 75)
  expect(apart).toBeCloseTo(turned.radius + 9, 6)
  // Lugs go clockwise all the same.
  expect(turned.lugs[4].x).toBeLessThan(75)
})

test.each([1, 5, 12, 24])('a sheet of %d drums stays on its one page, however long its notes', (count) => {
  const drum = usualDrum('tom', 12, 'd')
  const target = { meanHz: 146.8, meanErrorCents: 0, cosineCents: 0, sineCents: 0, waveErrorCents: 0 }
  const kept = { ...target, keepUneven: false, toleranceCents: 8 }
  const says = {
    ...{
      drum: 'd',
      batter: kept,
      resonant: { ...kept, meanHz: 196 },
      centreHz: 104,
      layers: [],
      wires: null,
    },
    heads: { batter: drum.batter, resonant: drum.resonant },
  }
  const { rows, height, notes } = cardModel({
    ...{ name: 'Deck', kit: 'Kit', date: '1 June', notes: 'wind from the sea '.repeat(60), a4Hz: 440 },
    drums: Array.from({ length: count }, () => ({ drum, says, layers: 'bare' })),
  })
  expect(notes.length).toBe(3)
  expect(notes[2].endsWith('…')).toBe(true)
  expect(rows.at(-1)!.y + rows.at(-1)!.height).toBeLessThanOrEqual(height)
  for (const row of rows) expect(row.lines.length * 13).toBeLessThanOrEqual(row.height)
  expect(rows[0].lines[0]).toBe('heads: fourth up')
})

test('a plan on the rail: ranges and marks on one axis, toms joined past what stands between, and back from a place to its pitch', () => {
  const lane = (id: string, batterHz: number | null, chained: boolean) => ({
    ...{ id, lowestHz: 90, favouriteHz: 120, highestHz: 180, nowHz: 110, resonantHz: 150, otherHz: null },
    ...{ batterHz, chained },
  })
  const model = spacingModel(
    [lane('floor', 100, true), lane('kick', 60, false), lane('tom', 133.48, true)],
    600,
  )
  const [floor, kick, tom] = model.lanes
  expect(floor.next).toMatchObject({ label: 'fourth', lanes: 2, x: tom.batter })
  expect([kick.next, tom.next]).toEqual([null, null])
  expect(floor.range.from).toBeLessThan(floor.favourite)
  expect(floor.favourite).toBeLessThan(floor.range.to)
  expect(model.hzAt(tom.batter!)).toBeCloseTo(133.48, 6)
  expect(spacingModel([lane('a', null, true)], 300).lanes[0]).toMatchObject({ batter: null, next: null })
})

test('two ringing states: curves begin together and fall at their own rates, tones stand where they sound', () => {
  const tone = (hz: number, decaySeconds: number, levelDb = 0) => ({ hz, decaySeconds, levelDb })
  const model = ringingModel([[tone(100, 0.5), tone(200, 0.1, -10)], [tone(110, 0.2)]], 700, 200)
  const points = model.curves.map((path) =>
    path
      .slice(1)
      .split('L')
      .map((point) => point.split(',').map(Number)),
  )
  expect(points[0][0]).toEqual(points[1][0])
  // Down is later in the picture: the shorter one lies lower at the same time.
  expect(points[1][5][1]).toBeGreaterThan(points[0][5][1])
  expect(points[1].length).toBeLessThan(points[0].length)
  expect(model.tones[0][1].x).toBeGreaterThan(model.tones[0][0].x)
  expect(model.tones[0][1].y).toBeGreaterThan(model.tones[0][0].y)
  expect(ringingModel([[], []], 700, 200).curves).toEqual(['', ''])
})
