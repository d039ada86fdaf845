import { kitsFromLog } from '../log/kitLog'
import type { HumbraEvent } from '../records/event'
import { DEFAULT_SETTINGS, NO_CHOICES } from '../records/plain'
import { usualDrum } from '../records/usualDrum'
import { usualPlace } from '../spacing/known'
import { planKit } from '../spacing/plan'
import { NO_DIAL } from '../status/inputs'
import { knownKit, planRequestOf } from './planning'

/** A kit by its drums, of which nothing was read. */
function unreadKit(kinds: ReadonlyArray<readonly ['kick' | 'snare' | 'tom' | 'floor-tom', number]>) {
  const drums = kinds.map(([kind, inches]) => usualDrum(kind, inches, `${kind}${inches}`))
  const changes = [
    { what: 'kitMade', name: 'Own', simulated: false },
    ...drums.map((drum) => ({ what: 'drumAdded', drum, after: null })),
  ]
  const log = changes.map((change, i) => ({
    ...{ id: `e${i}`, at: new Date(1e12 + i).toISOString(), kit: 'k', schema: 11 },
    ...{ kind: 'kitEdited', change, source: 'hand', algorithm: null },
  })) as HumbraEvent[]
  const [kit] = kitsFromLog(log)
  const known = knownKit({ kit, practice: false, nowMs: 1e12 + 1e6, gauge: NO_DIAL })
  return (choices: Partial<typeof NO_CHOICES> = {}) =>
    planRequestOf(kit, known, { ...DEFAULT_SETTINGS, spacing: { ...NO_CHOICES, ...choices } })
}
const ids = (drums: ReadonlyArray<{ id: string }>) => drums.map(({ id }) => id).sort()

test('a kick or snare that nobody read or set is none of the plan, and moves no tom; set with the toms it is', () => {
  const plan = unreadKit([
    ['kick', 22],
    ['snare', 14],
    ['floor-tom', 16],
    ['tom', 12],
  ])
  const { request, unread } = plan()
  expect(ids(request.drums)).toEqual(['floor-tom16', 'tom12'])
  expect(ids(unread)).toEqual(['kick22', 'snare14'])
  const alone = unreadKit([
    ['floor-tom', 16],
    ['tom', 12],
  ])()
  expect(planKit(request).plans[0].drums).toEqual(planKit(alone.request).plans[0].drums)
  expect(ids(plan({ move: ['kick22'] }).request.drums)).toEqual(['floor-tom16', 'kick22', 'tom12'])
  expect(ids(plan({ pinned: { snare14: 250 } }).request.drums)).toEqual(['floor-tom16', 'snare14', 'tom12'])
  // A 22 inch kick, two plies: its wrinkles gone and 0.65 of a turn on top (common practice, no source).
  const kick = unread.find(({ kind }) => kind === 'kick')!
  expect(usualPlace(kick).batterHz).toBeCloseTo(72.2, 1)
})

test('a drum that is left out is none of the plan either; without toms what there is is planned', () => {
  const plan = unreadKit([
    ['kick', 22],
    ['floor-tom', 16],
    ['tom', 12],
  ])
  expect(ids(plan({ leftOut: ['tom12'] }).request.drums)).toEqual(['floor-tom16'])
  expect(
    ids(
      unreadKit([
        ['kick', 22],
        ['snare', 14],
      ])().request.drums,
    ),
  ).toEqual(['kick22', 'snare14'])
})
