import { askedWords, moveWords, readingWords, turnWords } from './announce'

test('a reading and a move in whole words', () => {
  // 1200 log2(215 / 219.26) = -34
  expect(readingWords(3, 215, 219.264)).toBe('lug 3, 215 hertz, 34 cents low')
  expect(readingWords(3, 215, 214.876)).toBe('lug 3, 215 hertz, 1 cent high')
  expect(readingWords(3, 215, null)).toBe('lug 3, 215 hertz')
  expect(turnWords(1 / 8)).toBe('up one eighth')
  expect(turnWords(-3 / 16)).toBe('down three sixteenths')
  expect(turnWords(1.25)).toBe('up one and one quarter')
  expect(turnWords(-1)).toBe('down one turn')
  expect(moveWords({ rods: [2, 5], turns: [0.125, 0.125] })).toBe('rods 2 and 5, up one eighth')
  expect(moveWords({ rods: [2, 5], turns: [0.125, -0.0625] })).toBe(
    'rod 2, up one eighth; rod 5, down one sixteenth',
  )
})

test('what is asked for, and nothing while it is worked out', () => {
  const asked = { lug: 4, step: null, roundTurns: null, verdict: '', next: null }
  expect(askedWords({ ...asked, phase: 'read' })).toBe('next lug 4')
  expect(askedWords({ ...asked, phase: 'turn' })).toBe('')
  expect(askedWords({ ...asked, phase: 'climb', roundTurns: 0.5 })).toBe('all rods up one half')
  expect(askedWords({ ...asked, phase: 'press' })).toBe('press the head')
  expect(askedWords({ ...asked, phase: 'done', verdict: 'Even to 4 cents.', next: 'Next: keep' })).toBe(
    'Even to 4 cents. Next: keep',
  )
})
