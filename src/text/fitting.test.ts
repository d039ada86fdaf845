import { findingText } from './status'
import type { Climb } from '@/core/fitting/climb'
import { fastRoutine } from '@/core/fitting/fast'
import { settlingOf } from '@/core/fitting/settling'
import { checkText, climbText, daysText, fastStepText, faultStepText, settlingText } from './fitting'

const way: Climb = {
  ...{ stage: 'turn', rounds: [0.5, 0.25], turnsToGo: 1.02, turnsToGoError: 0.27, stopHz: 160.4 },
  ...{ nowHz: 92.2, nowErrorCents: 240, nextHz: 130 },
}

test('the way up is said in turns of a hand, with its width and where it stops', () => {
  expect(climbText(way, 182)).toBe(
    'About 1 1/32 turns of every rod to 182 Hz, give or take 9/32. The rounds stop near 160 Hz, in 2 rounds, so that the last part is upward and even.',
  )
  expect(climbText({ ...way, turnsToGo: 0.4, rounds: [0.25] }, 182)).toMatch(
    /^About 13\/32 turn of every rod/,
  )
  expect(checkText(way)).toMatch(/near 92 Hz, give or take 240 c/)
})

test('settling: before a press, after one that took something, after one that took nothing', () => {
  expect(settlingText(settlingOf([], 0))).toMatch(/10 to 34 c may be left/)
  expect(settlingText(settlingOf([{ press: 1, cents: 14 }], 1))).toMatch(/took 14 c off; about \d c/)
  expect(settlingText(settlingOf([{ press: 1, cents: -0.4 }], 1))).toBe('The last press took nothing off.')
  expect(daysText(settlingOf([{ press: 1, cents: 14 }], 3))).toMatch(/ten minutes of playing, tomorrow/)
})

test('findings name their rods, steps of the fast routine are all said', () => {
  expect(findingText({ finding: 'worn', rods: [] })).toBe('stretched or beaten film')
  expect(findingText({ finding: 'stripped', rods: [2] })).toBe('thread holds nothing, rod 2')
  expect(findingText({ finding: 'dirty', rods: [2, 5, 6] })).toBe('dirty, dry or bent rod, rods 2, 5 and 6')
  const { steps } = fastRoutine({ lugs: 8, keys: 2, rounds: [0.5] })
  expect(new Set(steps.map(fastStepText)).size).toBe(steps.length)
  expect(steps.map(fastStepText)).toContain('All rods up 1/2, in star order.')
})

test('an answer says what it spoke for, or that it tells little', () => {
  const step = { question: 'feel' as const, answer: 'free' }
  const speaksAgainst = { cause: 'out-of-tune' as const, factor: 0.3 }
  expect(faultStepText({ ...step, speaksFor: { cause: 'stripped-rod', factor: 12.4 }, speaksAgainst })).toBe(
    'speaks for: stripped thread, 12 times likelier; against: only uneven',
  )
  expect(faultStepText({ ...step, speaksFor: { cause: 'mount', factor: 1.05 }, speaksAgainst })).toBe(
    'tells little',
  )
})
