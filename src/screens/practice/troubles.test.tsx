import { act, fireEvent, screen } from '@testing-library/react'
import type { DrillRecord } from '@/core/records/drill'
import { testSession } from '@/session/testSession'
import { settled, showScreen } from '../testScreen'
import { PracticeScreen } from './PracticeScreen'

async function show(prepare: (bench: ReturnType<typeof testSession>) => void = () => undefined) {
  const bench = testSession()
  prepare(bench)
  await bench.session.start(() => Promise.resolve())
  await showScreen(bench.session, <PracticeScreen />)
  await settled()
  return bench
}

const press = (name: string | RegExp) =>
  act(async () => void fireEvent.click(screen.getByRole('button', { name })))

test('more than ten minutes of drills within the hour are said before the next', async () => {
  const run = (id: string, minutesAgo: number, nowMs: number): DrillRecord => ({
    ...{ what: 'drill', id, kind: 'higher', seed: 1, through: 'headphones' },
    at: new Date(nowMs - 60_000 * minutesAgo).toISOString(),
    drum: {
      ...{ kind: 'tom', diameterInches: 12, depthInches: 8, lugs: 6, hoop: 'triple-flanged' },
      ...{ batterMils: [10], resonantMils: [10], lugHz: 160 },
    },
    answered: Array.from({ length: 60 }, () => ({ level: 20, answer: 'a', truth: 'a', right: true })),
  })
  const { session } = await show(({ session, disk }) => {
    const nowMs = session.deps.nowMs()
    disk.drills = [run('long-ago', 90, nowMs), run('one', 40, nowMs), run('two', 20, nowMs)]
  })
  expect(screen.queryByText(/Rest\.$/)).toBeNull()
  const nowMs = session.deps.nowMs()
  await act(async () => {
    const { keepPractised } = await import('@/session/actions/drills')
    await keepPractised(session, [run('three', 5, nowMs)])
  })
  expect(screen.getByText(/^More than ten minutes of drills within the hour/)).toBeTruthy()
})

test('a tap that cannot be made is said; the table stands and can be judged', async () => {
  const { disk } = await show()
  fireEvent.click(screen.getByRole('radio', { name: 'by ear alone' }))
  await press('Tap lug 2')
  await settled()
  expect(screen.getByRole('alert').textContent).toMatch(/could not be made/)
  await press('Done: judge it')
  expect(disk.drills).toHaveLength(1)
  expect(screen.getByRole('region', { name: 'Set by ear before' }).textContent).toMatch(/found \d+ c/)
})
