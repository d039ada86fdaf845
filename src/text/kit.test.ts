import type { Gives, Plan } from '@/core/spacing/types'
import { minutesText } from './minutes'
import { bendText, logSays, ringText } from './pair'
import { doorsText } from './run'
import { givesText, planLabel, scoreText, troubleText, workText } from './spacing'
import { hungText, layersText } from './strokes'

const NAMES = new Map([
  ['a', '16'],
  ['b', '12'],
])

test.each<[Gives, string]>([
  [
    { what: 'favourite', drum: 'a', cents: 40, hz: 92 },
    'the 16’s edge at 92.0 Hz sits 40 c above its favourite pitch',
  ],
  [
    { what: 'range', drum: 'b', cents: -60, hz: 101.26 },
    'the 12’s edge at 101.3 Hz lies 60 c below where it speaks: it may growl',
  ],
  [
    { what: 'range', drum: 'b', cents: 25, hz: 240 },
    'the 12’s edge at 240.0 Hz lies 25 c above its range: it may choke',
  ],
  [
    { what: 'favour', drum: 'b', cents: 31, hz: 150 },
    'the 12’s edge at 150.0 Hz is 31 c from the nearest note of the key',
  ],
  [
    { what: 'gap', drum: 'a', next: 'b', cents: 470, wanted: 500 },
    'from the 16 to the 12 is fourth −30 c, not a fourth',
  ],
  [
    { what: 'gap', drum: 'a', next: 'b', cents: 902, wanted: 367 },
    'from the 16 to the 12 is major sixth +2 c, not 367 c',
  ],
  [{ what: 'close', drum: 'a', next: 'b', cents: 150 }, 'the 16 and the 12 are only 150 c apart at the edge'],
  [
    { what: 'snare', drum: 'b', cents: -20, hz: 230, snareHz: 232.7 },
    'the 12’s edge at 230.0 Hz is 20 c from the snare’s, 232.7 Hz: its wires may buzz along',
  ],
  [
    { what: 'kick', drum: 'a', cents: 300, hz: 80 },
    'the 16’s edge at 80.0 Hz lies minor third under the lowest tom; a fourth to an octave is usual',
  ],
])('what a plan gives up, in words: %#', (gives, words) => {
  expect(givesText(gives, NAMES)).toBe(words)
})

test('why there is no plan, with drum, mode, pitch and a way out', () => {
  expect(
    troubleText({ what: 'fixed-avoided', drum: 'a', mode: 'centre', hz: 61.04, avoidHz: 61.7 }, NAMES),
  ).toBe(
    'The 16 is to stay, and its centre at 61.0 Hz lies on 61.7 Hz, which is to be avoided. Let it move, or avoid less.',
  )
  expect(troubleText({ what: 'no-place', drum: 'b', by: 'resonant-ceiling' }, NAMES)).toMatch(
    /^Nowhere for the 12: with that relation its resonant head/,
  )
  expect(troubleText(null, NAMES)).toMatch(/Give the root back/)
})

test('a plan is named by what sets it apart, and its score by what it gives up', () => {
  const label = (what: Plan['what'], scheme: Plan['scheme'] = { kind: 'fourths' }) =>
    planLabel({ what, scheme }, NAMES)
  expect(label({ kind: 'best' })).toBe('best: fourths')
  expect(label({ kind: 'scheme', scheme: { kind: 'thirds' } })).toBe('thirds fit better')
  expect(label({ kind: 'relation', resonantAboveCents: 300 })).toBe('resonants a minor third above')
  expect(label({ kind: 'stays', drum: 'b' })).toBe('12 stays')
  expect(scoreText({ score: 0.4, gives: [] })).toBe('everything fits')
  const gives: Gives[] = [{ what: 'close', drum: 'a', next: 'b', cents: 150 }]
  expect([0.9, 0.6, 0.4].map((score) => scoreText({ score, gives }))).toEqual([
    'little is given up',
    'a compromise',
    'much is given up',
  ])
})

test('what a plan takes: turns, rods and minutes, or that nothing is known', () => {
  const drum = { id: 'a', batterHz: 100, resonantHz: 130, rods: 16, minutes: 4.2 }
  const plan = (turns: { batter: number; resonant: number } | null, rods = 16) =>
    ({ drums: [{ ...drum, rods, turns }] }) as unknown as Plan
  expect(workText(plan({ batter: 0.5, resonant: -0.25 }))).toBe('0.8 turns, 16 rods, about 4 min')
  expect(workText(plan({ batter: 0, resonant: 0 }, 0))).toBe('nothing to turn')
  expect(workText(plan(null))).toBe('where the drums stand is not known')
})

test('time as people say it', () => {
  expect([0.3, 1, 4.4].map(minutesText)).toEqual(['under a minute', 'about 1 min', 'about 4 min'])
  expect([19.9, 0.4, -3].map(doorsText)).toEqual([
    '19 min to doors',
    'under a minute to doors',
    'doors are open',
  ])
})

test('ring, bend, muffling and place in words', () => {
  expect(ringText({ decaySeconds: 0.4, factor: 2, radiated: 0, bendCents: 0, bendErrorCents: 0 })).toBe(
    '0.92 s (0.46 to 1.84)',
  )
  expect([bendText(30.4, 12), bendText(-8, null), bendText(0.2, null)]).toEqual([
    '30 c down, give or take 12',
    '8 c up',
    'none',
  ])
  expect([layersText([]), layersText(['padOne', 'ring'])]).toEqual(['bare', 'one gel pad, a ring'])
  expect([hungText(null), hungText(undefined), hungText('post')]).toEqual(['held by the rim', '', 'post'])
})

test('what a drum’s own log says of each relation: bare strokes only, by relation', () => {
  const stroke = (resonantHz: number, decaySeconds: number, layers: [] | ['ring'] = []) => ({
    ...{ batterHz: 180, resonantHz, decaySeconds, glideCents: 20, layers, hung: null },
  })
  expect(
    logSays([stroke(180, 0.5), stroke(240, 0.3), stroke(245, 0.2), stroke(240, 0.05, ['ring'])]),
  ).toEqual([
    'both alike: rang 1.15 s, bent 20 c down (one stroke)',
    'resonant higher: rang 0.58 s, bent 20 c down (2 strokes)',
  ])
  expect(logSays([])).toEqual([])
})
