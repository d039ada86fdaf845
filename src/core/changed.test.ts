import { evenAdvised, pairAdvised, planAdvised } from '@ref/changes/advised'
import { estimated } from '@ref/changes/head'
import { changedLines, isChanged, take, type Lines } from '@ref/changes/held'
import { historiesAnswered } from '@ref/changes/histories'
import { usual } from '@ref/changes/kit'
import { measured } from '@ref/changes/measurement'
import { heads } from '@ref/changes/membrane'
import { practised } from '@ref/changes/practice'
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
const SUBJECTS: Record<string, { from: string[]; lines: () => Lines }> = {
  membrane: { from: ['numeric', 'units', 'membrane'], lines: heads },
  kit: { from: ['numeric', 'units', 'membrane', 'kit'], lines: usual },
  measurement: { from: ['numeric', 'units', 'sound', 'membrane', 'measurement'], lines: measured },
  head: { from: HEAD, lines: estimated },
  evening: { from: EVENING, lines: evenAdvised },
  histories: { from: EVENING, lines: historiesAnswered },
  pair: { from: PAIR, lines: pairAdvised },
  spacing: { from: SPACING, lines: planAdvised },
  practice: { from: [...PAIR, 'measurement', 'evening', 'fitting', 'practice'], lines: practised },
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
  test(`${subject}: what it says stays as it was`, () => {
    const now = lines()
    if (WRITE) take(subject, from, now)
    expect(changedLines(subject, now)).toEqual([])
  })
