import { groove, type GrooveDrum } from './groove'

const RATE = 8000
/** A click of one sample, so that hits can be counted. */
const click = (part: GrooveDrum['part'], own: boolean): GrooveDrum => ({
  ...{ part, own },
  sound: { samples: Float32Array.from({ length: 200 }, (_, i) => (i === 0 ? 1 : 0)), rateHz: RATE },
})
const hits = ({ samples }: { samples: Float32Array }) => {
  const peak = samples.reduce((top, x) => Math.max(top, Math.abs(x)), 0)
  return [...samples].map((x) => x / peak).filter((x) => x > 0.1)
}

test('two bars: the compared drum stands in front, the others play softer beside it', () => {
  const all = hits(groove([click('kick', true), click('snare', false)], RATE))
  expect(all.filter((x) => x > 0.9)).toHaveLength(6)
  expect(all.filter((x) => x < 0.6)).toHaveLength(4)
})

test('toms take the tom part in turn; a tom that is compared has it alone', () => {
  const toms = [click('tom', false), click('tom', false)]
  expect(hits(groove([click('kick', true), ...toms], RATE))).toHaveLength(6 + 4)
  const alone = hits(groove([click('tom', true), ...toms], RATE))
  expect(alone).toHaveLength(4)
  expect(Math.min(...alone)).toBeCloseTo(1, 6)
})
