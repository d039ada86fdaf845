import { withAnswer } from '@/core/ear/result'
import { nextTrial } from '@/core/ear/drill'
import { earReadings, earWord } from '@/core/head/ear'
import { USUAL_DRILL_DRUM } from '@/core/ear/trial'
import type { DrillRecord, Practised } from '@/core/records/drill'
import { backupOf, bringBack } from './actions/backup'
import { keepPractised, openPractised } from './actions/drills'
import { learnEar } from './actions/learnEar'
import { sayByEar } from './actions/said'
import { currentView } from './currentView'
import { chooseHead } from './actions/kits'
import { logOf, testSession, twoToms } from './testSession'
import { writeBackup } from '@/core/records/backup'

/** A run of a listener who hears whatever is over `cents`, and else says the first. */
function heard(cents: number, trials: number, lugHz = 160): DrillRecord {
  let run: DrillRecord = {
    ...{
      what: 'drill',
      id: `run-${cents}-${lugHz}`,
      at: '2026-11-29T10:00:00.000Z',
      kind: 'higher',
      seed: 4,
    },
    ...{ drum: { ...USUAL_DRILL_DRUM, lugHz }, through: 'headphones', answered: [] },
  }
  for (let i = 0; i < trials; i++) {
    const trial = nextTrial(run)
    run = withAnswer(run, trial, trial.level > cents ? trial.truth : 'first')
  }
  return run
}

test('a run is kept beside the log, again in place of its earlier state, and read back', async () => {
  const bench = testSession()
  const { session, disk } = bench
  await session.start(() => Promise.resolve())
  const run = heard(20, 3)
  expect(await keepPractised(session, [run])).toBe(true)
  expect(await keepPractised(session, [{ ...run, answered: [...run.answered, run.answered[0]] }])).toBe(true)
  expect(disk.drills).toHaveLength(1)
  expect(logOf(session)).toEqual([])
  const again = testSession(disk).session
  await again.start(() => Promise.resolve())
  await openPractised(again)
  expect((again.get().drills![0] as DrillRecord).answered).toHaveLength(4)
})

test('on a full disk the run stays on screen, and that is said', async () => {
  const { session, disk } = testSession()
  await session.start(() => Promise.resolve())
  disk.full = true
  expect(await keepPractised(session, [heard(20, 2)])).toBe(false)
  expect(session.get().drills).toHaveLength(1)
  expect(session.get().notice?.text).toMatch(/disk is full/)
})

test('what an ear was found to tell apart goes with its words on the Bench, near that pitch', async () => {
  const { session } = await twoToms()
  chooseHead(session, 'rack', 'batter')
  session.setSettings({ source: 'ear' })
  sayByEar(session, 'higher', 1)
  expect(logOf(session).at(-1)).not.toHaveProperty('thresholdCents')
  learnEar(session, heard(30, 40))
  const threshold = session.get().settings.ear[0].thresholdCents
  expect(threshold).toBeGreaterThan(15)
  expect(threshold).toBeLessThan(45)
  sayByEar(session, 'higher', 1)
  expect(logOf(session).at(-1)).toMatchObject({ kind: 'earHeard', thresholdCents: threshold })
  const [round] = currentView(session)!.request.rounds
  expect(round.earThresholdCents).toBe(threshold)
  // The error of the word is this ear's: wider than a trained one's, and it reaches the estimate.
  const [, lug] = earReadings(round, 160)
  const trained = earReadings({ ...round, earThresholdCents: undefined } as never, 160)[1]
  expect(lug.errorHz).toBeGreaterThan(1.5 * trained.errorHz)
})

test('an ear that guessed teaches nothing, nor does another drill', async () => {
  const { session } = testSession()
  await session.start(() => Promise.resolve())
  learnEar(session, heard(1000, 30))
  learnEar(session, { ...heard(20, 30), kind: 'warble' })
  expect(session.get().settings.ear).toEqual([])
})

test('a word means what it meant where nobody measured the ear; a fine ear is believed more, a coarse one less', () => {
  // As it was before ears were measured (common practice, no source).
  expect(earWord('alike').error).toBeCloseTo(7, 1)
  expect(earWord('higher')).toMatchObject({ cents: 20 })
  expect(earWord('higher').error).toBeCloseTo(14, 0)
  expect(earWord('much-lower').error).toBeCloseTo(30, 0)
  expect(earWord('alike', 2).error).toBeLessThan(earWord('alike').error)
  expect(earWord('higher', 40).cents).toBeGreaterThan(40)
  expect(earWord('lower', 40).error).toBeGreaterThan(50)
})

test('a backup carries what was practised to another device, once', async () => {
  const { session } = testSession()
  await session.start(() => Promise.resolve())
  const lesson: Practised = {
    ...{
      what: 'lesson',
      id: 'l',
      at: '2026-11-29T10:00:00.000Z',
      lesson: 'raise',
      met: true,
      said: 'Spread 9 c.',
    },
  }
  await keepPractised(session, [heard(20, 14), lesson])
  const text = writeBackup(await backupOf(session))
  const other = testSession().session
  await other.start(() => Promise.resolve())
  await bringBack(other, JSON.parse(text))
  expect(other.get().drills?.map(({ id }) => id)).toEqual(['run-20-160', 'l'])
  await bringBack(other, JSON.parse(text))
  expect(other.get().drills).toHaveLength(2)
  expect(other.get().notice?.text).toMatch(/here already/)
})
