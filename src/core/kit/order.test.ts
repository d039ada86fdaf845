import fc from 'fast-check'
import { nextInOrder, readOrder } from './order'

test('around, and by opposite pairs', () => {
  expect(readOrder('around', 6)).toEqual([1, 2, 3, 4, 5, 6])
  expect(readOrder('pairs', 8)).toEqual([1, 5, 2, 6, 3, 7, 4, 8])
  expect(readOrder('pairs', 5)).toEqual([1, 3, 2, 4, 5])
})

test('every lug comes once, whatever the order and the number', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('around' as const, 'pairs' as const),
      fc.integer({ min: 3, max: 24 }),
      (order, lugs) => {
        const read: number[] = []
        for (let i = 0; i < lugs; i++) read.push(nextInOrder(order, lugs, read))
        expect([...read].sort((a, b) => a - b)).toEqual(readOrder('around', lugs))
        expect(read).toEqual(readOrder(order, lugs))
      },
    ),
  )
})
