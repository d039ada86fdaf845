import { beatText, bytesText, levelText, pairText } from './heard'
import { even } from '@/core/evening/even'
import { adviceText, alikeMoves, whyText } from './advice'
import { evenAnswerRecord } from './evenAnswer'
import { centsText, filmText, hzText, noteText, offText } from './heads'
import { directionWord, listText, turnText } from './turns'

const READ = [228.1, 230, 231, 229, 228, 230.2, 231.1, 229.1]
const HEAD = {
  ...{ side: 'batter' as const, diameterInches: 14, lugs: 8, hoop: 'triple-flanged' as const },
  ...{ threadPitchMm: 1.058, pliesMils: [10] },
}
const ask = (readingsHz: (number | null)[]) =>
  even({ head: HEAD, target: { hz: 234 }, keys: 2, rounds: [{ readingsHz }] })

test('numbers in a tech’s words', () => {
  expect([turnText(0.125), turnText(1.25), turnText(-0.5), turnText(0)]).toEqual(['1/8', '1 1/4', '1/2', '0'])
  expect([directionWord(0.1), directionWord(-0.1)]).toEqual(['up', 'down'])
  expect([listText([2]), listText([2, 6]), listText([2, 6, 4])]).toEqual(['2', '2 and 6', '2, 6 and 4'])
  expect([hzText(234), noteText(234, 440), noteText(440, 440)]).toEqual(['234.0', 'A♯3 +7', 'A4'])
  expect([offText(-12.3), offText(3), offText(0.2)]).toEqual(['12 c low', '3 c high', 'on pitch'])
  expect([centsText(4), centsText(-4), centsText(0.3)]).toEqual(['+4', '−4', '0'])
  expect(filmText([7, 7], 'clear')).toBe('two plies, 7 + 7 mil, clear')
})

test('one sentence for every decision', () => {
  const move = ask(READ)
  expect(adviceText(move)).toMatch(/^Raise .* by 1\/\d+.*leave the rest\.$/)
  expect(whyText(move, READ)).toMatch(/\.$/)
  expect(adviceText(ask(READ.map(() => 234)))).toMatch(/^Even to \d cents? and on pitch/)
  expect(adviceText(ask(READ.map(() => 234)), true)).toMatch(/^Even to \d cents?: good enough/)
  expect(adviceText(ask(READ.map(() => null)))).toMatch(/^Too little is known yet\. Tap /)
  for (const reason of ['no-turn-helps', 'ceiling', 'back-to-slack'] as const) {
    expect(adviceText({ ...move, reason })).toMatch(/\.$/)
  }
  expect(alikeMoves([0.125, 0, -0.25, 0.125])).toEqual([
    { turn: -0.25, rods: [3] },
    { turn: 0.125, rods: [1, 4] },
  ])
  expect(
    evenAnswerRecord(move).predictedHz.every((hz) => Math.abs(hz * 100 - Math.round(hz * 100)) < 1e-6),
  ).toBe(true)
})

test('what was heard, in words', () => {
  expect(beatText(234, 234)).toBe('no beat: alike')
  expect(beatText(234, 234.5)).toBe('one beat in 2.0 s')
  expect(beatText(234, 237)).toBe('3.0 beats a second')
  expect([levelText(0), levelText(0.01)]).toEqual(['silent', '−40 dB'])
  expect([bytesText(3000), bytesText(1_700_000)]).toEqual(['3 KB', '1.7 MB'])
  const pair = { apartCents: 11.8, coupledCents: 12 }
  expect(pairText({ ...pair, cause: 'unevenness' })).toMatch(/^Two tones 12 c apart: the head pulls unevenly/)
  expect(pairText({ ...pair, cause: 'other-head' })).toMatch(/Mute it/)
  expect(pairText({ ...pair, cause: 'either' })).toMatch(/Mute the other head/)
})
