import { chanceByGuessing } from './blind'

test('guessing: 7 of 8 right happens 9 times in 256, all wrong or better always', () => {
  expect(chanceByGuessing(7, 8)).toBeCloseTo(9 / 256, 12)
  expect(chanceByGuessing(0, 8)).toBeCloseTo(1, 12)
  expect(chanceByGuessing(8, 8)).toBeCloseTo(1 / 256, 12)
})
