import { changedLines, isChanged, take, type Lines } from '@ref/changes/held'
import { LONG } from '@ref/long'

/**
 * What the core says to inputs that no model of ours made, subject by subject, held line by line in one file: whoever changes a
 * number sees here what follows. It says nothing of right or wrong; published and measured checks stand elsewhere. A subject
 * is worked out where code that it comes from was changed since its lines were taken, and always in `make check`.
 * `npm run changes` takes the lines anew, to be read as a diff.
 */
const HEAD = ['numeric', 'units', 'membrane', 'head']
const EVENING = [...HEAD, 'kit', 'evening']
const PAIR = [...HEAD, 'kit', 'sound', 'pair']
const SPACING = [...PAIR, 'evening', 'fitting', 'spacing']
const advised = () => import('@ref/changes/advised')
const SUBJECTS: Record<string, { from: string[]; lines: () => Promise<Lines> }> = {
  membrane: {
    from: ['numeric', 'units', 'membrane'],
    lines: async () => (await import('@ref/changes/membrane')).heads(),
  },
  kit: {
    from: ['numeric', 'units', 'membrane', 'kit'],
    lines: async () => (await import('@ref/changes/kit')).usual(),
  },
  measurement: {
    from: ['numeric', 'units', 'sound', 'membrane', 'measurement'],
    lines: async () => (await import('@ref/changes/measurement')).measured(),
  },
  head: { from: HEAD, lines: async () => (await import('@ref/changes/head')).estimated() },
  evening: { from: EVENING, lines: async () => (await advised()).evenAdvised() },
  histories: {
    from: EVENING,
    lines: async () => (await import('@ref/changes/histories')).historiesAnswered(),
  },
  pair: { from: PAIR, lines: async () => (await advised()).pairAdvised() },
  spacing: { from: SPACING, lines: async () => (await advised()).planAdvised() },
  practice: {
    from: [...PAIR, 'measurement', 'evening', 'fitting', 'practice'],
    lines: async () => (await import('@ref/changes/practice')).practised(),
  },
}

const WRITE = process.env.HUMBRA_CHANGES === 'take'
const due = Object.entries(SUBJECTS).filter(
  ([subject, { from }]) => WRITE || LONG || isChanged(subject, from),
)

test('a subject is worked out again once a line of its code, and not of its tests, is another', () => {
  expect(isChanged('none of that name', ['units'])).toBe(true)
  expect(due.length).toBeLessThanOrEqual(Object.keys(SUBJECTS).length)
})

for (const [subject, { from, lines }] of due)
  test(`${subject}: what it says stays as it was`, async () => {
    const now = await lines()
    if (WRITE) take(subject, from, now)
    expect(changedLines(subject, now)).toEqual([])
  })
