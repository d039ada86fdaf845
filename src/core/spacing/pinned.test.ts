import { planAdvised } from '@ref/advised'
import { changedSince } from '@ref/pinned'

test('what is planned and judged for kits of chance stays as it was', () => {
  expect(changedSince('reference/pinned/spacing.json', planAdvised())).toEqual([])
})
