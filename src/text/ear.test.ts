import type { DrillResult } from '@/core/ear/result'
import { chanceText, lapseText, levelText, limenText, resultText, standsText, workText } from './ear'

const result = (change: Partial<DrillResult> = {}): DrillResult => ({
  ...{ threshold: 9.2, error: 1.8, lapse: 0.026, slope: 1.5, skill: 0.999, beyond: 0, trials: 40, right: 33 },
  ...{ byChance: 0.00002, told: true },
  ...change,
})

test('a threshold with its give and take, in the drill’s unit', () => {
  expect(resultText('higher', result())).toBe('you hear 9.2 c, give or take 2')
  expect(resultText('turned', result({ threshold: 0.26, error: 0.06 }))).toBe(
    'you tell the head and the way from a turn of 1/4 turn, give or take 1/16',
  )
  expect(levelText('higher', 40.2)).toBe('40 c')
})

test('what cannot be said is said to be so', () => {
  expect(resultText('higher', result({ told: false, trials: 8 }))).toBe('too few answers to say')
  const guess = result({ told: false, skill: 0.4, right: 21, byChance: 0.44 })
  expect(resultText('higher', guess)).toBe(
    'not told apart from guessing: 21 of 40 right; guessing alone does as well once in 2',
  )
  expect(resultText('higher', result({ told: false, beyond: 0.8 }))).toMatch(/beyond the largest/)
  expect(chanceText(result())).toBe(
    '33 of 40 right; guessing alone does as well less than once in ten thousand',
  )
  expect(lapseText(result())).toBe('lapses about 3 in 100')
})

test('beside the limens of tones, with a word where those were not measured', () => {
  expect(limenText(18, 180)).toMatch(
    /tell 6\.3 c apart \(measured from 200 Hz up, carried on below\).*2\.9 times as large/,
  )
  expect(limenText(5, 300)).toMatch(/about as fine/)
  expect(limenText(3, 300)).toMatch(/finer still/)
  expect(limenText(5, 300)).not.toMatch(/carried on/)
})

test('a head set by ear', () => {
  expect(standsText({ spreadCents: 9.4, offCents: -4.2 })).toBe('spread 9 c, 4 c under the pitch')
  expect(standsText({ spreadCents: 9.4, offCents: null })).toBe('spread 9 c')
  expect(workText({ passes: 1, turns: 0.5, taps: 12 })).toBe('1 pass, 1/2 turn of the key, 12 taps')
})
