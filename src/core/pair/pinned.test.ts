import { pairAdvised } from '@ref/advised'
import { changedSince } from '@ref/pinned'

test('what is solved for drums of chance stays as it was', () => {
  expect(changedSince('reference/pinned/pair.json', pairAdvised())).toEqual([])
})
