import fc from 'fast-check'
import { usualDrum } from '@/core/records/usualDrum'
import { fromForm, toForm, typedInches } from './drumForm'

test('a drum goes through the form in millimetres and is the same drum', () => {
  const quarters = (least: number, most: number) =>
    fc.integer({ min: 4 * least, max: 4 * most }).map((quarter) => quarter / 4)
  fc.assert(
    fc.property(quarters(6, 26), quarters(3, 20), quarters(1, 6), (across, deep, port) => {
      const drum = { ...usualDrum('tom', across, 'd'), depthInches: deep, portInches: port }
      expect(fromForm(toForm(drum, 'mm'), 'mm')).toEqual(drum)
      expect(fromForm(toForm(drum, 'inch'), 'inch')).toEqual(drum)
    }),
  )
})

test('millimetres that are no quarter of an inch stay what they are', () => {
  // 330 mm is 12.99 inches: a 13; 320 mm is 12.6 and no size anybody makes.
  expect([typedInches(330, 'mm'), typedInches(320, 'mm'), typedInches(13, 'inch')]).toEqual([13, 12.6, 13])
})
