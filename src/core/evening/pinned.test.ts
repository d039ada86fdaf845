import { evenAdvised } from '@ref/advised'
import { changedSince } from '@ref/pinned'

test('what is advised for heads that no model made stays as it was', () => {
  expect(changedSince('reference/pinned/evening.json', evenAdvised())).toEqual([])
})
