import { hzText, noteText } from './heads'
import { lengthText } from './lengths'
import { fixed, noteOf, setShown } from './shown'
import { isDue, WALK } from './walk'

const PLAIN = { decimal: 'point', noteNames: 'sharps', lengths: 'inch' } as const
afterEach(() => setShown(PLAIN))

test('numbers, notes and lengths are written as their reader has them', () => {
  expect([hzText(233.5), noteText(233.5, 440), lengthText(5.5)]).toEqual(['233.5', 'A♯3 +3', '5.5'])
  setShown({ decimal: 'comma', noteNames: 'flats', lengths: 'mm' })
  expect([hzText(233.5), noteText(233.5, 440), lengthText(5.5)]).toEqual(['233,5', 'B♭3 +3', '140 mm'])
  setShown({ ...PLAIN, noteNames: 'german' })
  expect([noteOf(233.5, 440).name, noteOf(246.9, 440).name, noteOf(311.1, 440).name]).toEqual([
    'B3',
    'H3',
    'Es4',
  ])
  setShown({ ...PLAIN, noteNames: 'solfege', decimal: 'comma' })
  expect([noteOf(233.5, 440).name, fixed(-1.25, 1)]).toEqual(['La♯3', '-1,3'])
})

test('the first walk has at most six notes, one due at a place at a time, each once', () => {
  expect(WALK.length).toBeLessThanOrEqual(6)
  const walked: string[] = []
  for (const { id } of WALK) {
    const due = WALK.filter((note) => isDue(note.id, walked))
    expect(new Set(due.map(({ place }) => place)).size).toBe(due.length)
    expect(isDue(id, walked)).toBe(true)
    walked.push(id)
    expect(isDue(id, walked)).toBe(false)
  }
  for (const { text } of WALK) expect(text.split(' ').length).toBeLessThan(36)
})
