import { isOfHead } from './sameHead'
import type { Mode, Tap } from './types'

const mode = (hz: number, levelDb = 0): Mode => ({ hz, levelDb, decaySeconds: 0.2, standardErrorHz: 0.05 })
const tap = (hz: number, ...others: Array<[number, number]>) =>
  ({ hz, modes: [mode(hz), ...others.map(([each, db]) => mode(each, db))] }) as Tap
/** Tones as recorded toms have them (avldrums.lv2-soundfont): a 12 inch tom, and a 16 inch one beside it. */
const taps = [tap(114, [205, -9], [260, -20]), tap(116, [204, -13])]
const known = { taps, expectHz: null }

test('a lug further round is of this head; a tom with another pitch is not, even where one of its tones lies near', () => {
  expect(isOfHead({ modes: [mode(121), mode(206, -8)] }, known)).toBe(true)
  expect(isOfHead({ modes: [mode(69), mode(191, -20), mode(112, -19)] }, known)).toBe(false)
  expect(isOfHead({ modes: [mode(174), mode(233, -8)] }, known)).toBe(false)
})

test('a louder tone that the head is known to have, or one above its lug’s, does not make it another drum', () => {
  expect(isOfHead({ modes: [mode(205), mode(115, -21)] }, known)).toBe(true)
  expect(isOfHead({ modes: [mode(172), mode(115, -18)] }, known)).toBe(true)
  expect(isOfHead({ modes: [mode(172), mode(115, -26)] }, known)).toBe(false)
  expect(isOfHead({ modes: [mode(70), mode(115, -2)] }, known)).toBe(true)
  expect(isOfHead({ modes: [mode(70), mode(115, -4)] }, known)).toBe(false)
})

test('on a rough head lugs lie further apart: what was read so far says how far', () => {
  const rough = { taps: [tap(129), tap(150)], expectHz: null }
  expect(isOfHead({ modes: [mode(172)] }, rough)).toBe(true)
  const alike = { taps: [tap(139), tap(140)], expectHz: null }
  expect([152, 155].map((hz) => isOfHead({ modes: [mode(hz)] }, alike))).toEqual([true, false])
})

test('before two taps the target tells; without one, and of a thud without tones, nothing does', () => {
  const other = { modes: [mode(69), mode(191, -20)] }
  expect(isOfHead(other, { taps: [], expectHz: 114 })).toBe(false)
  // 200 cents lie between: whoever aims elsewhere is believed at the second tap, by the session.
  expect(isOfHead({ modes: [mode(127)] }, { taps: [], expectHz: 114 })).toBe(true)
  expect(isOfHead({ modes: [mode(129)] }, { taps: [], expectHz: 114 })).toBe(false)
  expect(isOfHead(other, { taps: [], expectHz: null })).toBe(true)
  expect(isOfHead({ modes: [] }, known)).toBe(true)
})
