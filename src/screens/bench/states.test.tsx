import { act, fireEvent, screen, within } from '@testing-library/react'
import { usualDrum } from '@/core/records/usualDrum'
import type { Settings } from '@/core/records/settings'
import { believeReadings, chooseSource, sayByEar, typeReading, typeWholeHead } from '@/session/actions/said'
import { takeDial } from '@/session/actions/gauge'
import { addDrum, chooseHead, makeKit } from '@/session/actions/kits'
import { currentView } from '@/session/currentView'
import { kitEdit } from '@/session/actions/edits'
import { readAgain } from '@/session/actions/readings'
import { turnedOtherwise, turnedWhole } from '@/session/actions/turning'
import { watchAdvice } from '@/session/adviceWatch'
import { testSession } from '@/session/testSession'
import { place } from '../testRouter'
import { showScreen } from '../testScreen'
import { BenchScreen } from './BenchScreen'

/** The Bench on numbers from tables: what it says and offers in each state that readings can bring about. */
async function bench(source: Settings['source'] | null = 'typed', hz: number | null = null) {
  const { session } = testSession()
  await session.start(() => Promise.resolve())
  watchAdvice(session)
  makeKit(session, 'Kit')
  addDrum(session, { ...usualDrum('tom', 12, 'd'), name: 'Rack', lugs: 6 })
  session.setSettings({ ...(source ? { source } : {}), keys: 2 })
  chooseHead(session, 'd', 'batter')
  if (hz !== null)
    session.append([kitEdit({ what: 'aimSet', drum: 'd', side: 'batter', aim: { kind: 'hz', hz } })])
  place.path = '/bench'
  await showScreen(session, <BenchScreen />)
  const panel = () => screen.getByRole('region', { name: 'Next move' })
  const strip = () => screen.getByRole('region', { name: 'Rim strip' })
  const does = (what: () => void) =>
    act(async () => {
      what()
      for (let i = 0; i < 12; i++) await Promise.resolve()
    })
  const type = (...all: number[]) =>
    does(() => {
      for (const each of all) typeReading(session, each)
    })
  const press = (name: string | RegExp) =>
    does(() => void fireEvent.click(within(panel()).getByRole('button', { name })))
  return { session, panel, strip, does, type, press, view: () => currentView(session)! }
}

test('readings that no two poles could show are a pass, and which lugs read unalike is said', async () => {
  const { panel, strip, type, view } = await bench()
  await type(145, 160, 145, 160, 145, 160)
  expect(panel().textContent).toMatch(/move 1 of/)
  expect(panel().textContent).toMatch(/reads 170 c over \d, opposite to it: if that stays after this pass/)
  expect(strip().textContent).toMatch(/as read 170 c/)
  expect(view().advice!.plan.turns[0]).toBeGreaterThan(view().advice!.plan.turns[1])
})

test('they are so: a pass lug by lug in small steps, with wide forecasts', async () => {
  const { session, panel, type, does, view } = await bench('typed', 150)
  await type(145, 160, 145, 160, 145, 160)
  await does(() => believeReadings(session, []))
  expect(panel().textContent).toMatch(/move 1 of/)
  expect(Math.max(...view().advice!.plan.turns.map(Math.abs))).toBeLessThanOrEqual(1 / 8)
  expect(Math.min(...view().advice!.plan.predictedErrorCents)).toBeGreaterThanOrEqual(8)
})

test('a reading far off is crossed and named, and one press takes it back in: then it is so', async () => {
  const { panel, type, press, view } = await bench('typed', 172)
  await type(170, 172, 171, 170, 172, 231)
  expect(panel().textContent).toMatch(/Lug 6 was left out/)
  expect(screen.getByRole('button', { name: /^Lug 6, 231\.0 Hz, 1 tap, left out/ })).toBeTruthy()
  await press('Take lug 6 back in')
  expect(panel().textContent).toMatch(/move 1 of/)
  expect(view().advice!.plan.turns[5]).toBeLessThan(0)
})

test('a dial at every lug: moves by its own evenness, cents between the lugs, and the pitch is said not to be read', async () => {
  const { session, panel, strip, does, view } = await bench('gauge')
  await does(() => {
    for (const dial of [70, 74, 74, 70, 74, 74]) takeDial(session, dial)
  })
  expect(panel().textContent).toMatch(/move 1 of/)
  expect(panel().textContent).toMatch(/1 and 4 lie \d+ c under the middle/)
  expect(strip().textContent).toMatch(/pitch not read/)
  expect(screen.getByRole('button', { name: /^Lug 3, dial 74/ })).toBeTruthy()
  const { plan } = view().advice!
  expect(plan.spreadErrorCents).toBeLessThan(plan.spreadCents)
  expect(Math.max(...plan.predictedErrorCents)).toBeLessThan(60)
})

test('by ear: a word a lug against the reference, and a move from them', async () => {
  const { session, panel, strip, does } = await bench('ear')
  expect(panel().textContent).toMatch(/reference lug/)
  await does(() => {
    for (const word of ['alike', 'higher', 'alike', 'alike', 'higher'] as const) sayByEar(session, word, 1)
  })
  expect(strip().textContent).toMatch(/pitch not read/)
  expect(strip().textContent).toMatch(/higher/)
})

test('one number for a whole head: its pitch, and the whole head is turned', async () => {
  const { session, panel, does } = await bench('typed', 180)
  await does(() => typeWholeHead(session, 165, '165'))
  expect(panel().textContent).toMatch(/The whole head is \d+ c low/)
  expect(panel().textContent).toMatch(/up/)
})

test('another rod than was asked: it is said what it made, and what to do is asked; back to the aim it is planned anew', async () => {
  const { session, panel, type, does, press, view } = await bench('typed', 175)
  await type(170, 172, 171, 170, 172, 171)
  const before = view().steps[0]
  await does(() => turnedOtherwise(session, [0, 0, 0.25, 0, 0, 0]))
  expect(panel().textContent).toMatch(
    /turned otherwise3 up 1\/4It is foretold .* Hz ±\s\d+\sc: read it to be sure/,
  )
  await press('Back to the aim')
  expect(view().steps[0]).not.toEqual(before)
  expect(panel().textContent).toMatch(/move 1 of/)
})

test('a turn of one’s own that is kept: its pitch becomes the aim, and nothing is ordered back', async () => {
  const { panel, type, press, does, view, session } = await bench('typed', 175)
  await type(175, 175, 175, 175, 175, 175)
  await does(() => turnedWhole(session, -0.25))
  expect(panel().textContent).toMatch(/All down 1\/4.*The aim, 175\.0 Hz, lies \d+ c above/)
  const { hz } = view().head.pitch
  await press('Keep it here')
  expect(view().aim).toEqual({ kind: 'hz', hz: Math.round(10 * hz!) / 10 })
  expect(view().steps).toEqual([])
  expect(panel().textContent).toMatch(/Press/)
})

test('one number: its pitch, and that its evenness was not read; lugs after it stand alone', async () => {
  const { panel, type, does, view, session } = await bench('typed', 175)
  await does(() => typeWholeHead(session, 175))
  expect(panel().textContent).toMatch(/^evenness not readOn pitch/)
  expect(panel().textContent).not.toMatch(/Even|done/)
  expect(view().head).toMatchObject({ verdict: 'on-pitch-evenness-unknown', evenness: { known: 'unknown' } })
  await does(() => readAgain(session, 1))
  await type(150, 150, 150, 150, 150, 150)
  expect(view().head.pitch.hz).toBeCloseTo(150, 1)
})

test('a drum of one’s own is asked where readings come from before the first; the practice drum only for the sitting', async () => {
  const { session, panel, press, view } = await bench(null)
  expect(panel().textContent).toMatch(/Where do readings come from\?/)
  await press(/The practice drum/)
  expect(screen.getAllByText('simulated').length).toBeGreaterThan(0)
  expect(view().sitting).toBeNull()
  await act(async () => chooseSource(session, 'typed'))
  expect(screen.queryByText('simulated')).toBeNull()
  expect(screen.getByLabelText('Pitch, Hz or note')).toBeTruthy()
})

test.each([
  ['six alike on pitch', [175, 175.1, 175, 174.9, 175, 175.1], /done/],
  ['alike and half a semitone low', [170, 170.1, 170, 169.9, 170, 170.1], /move 1 of/],
  ['two levels', [170, 180, 175, 170, 180, 175], /move 1 of/],
])('%s', async (_name, numbers, says) => {
  const { panel, type } = await bench('typed', 175)
  await type(...numbers)
  expect(panel().textContent).toMatch(says)
})

const passes = () => screen.getByRole('region', { name: 'Passes' }).textContent

test('a spread is said of lugs on three axes, not of one lug or of two opposite ones', async () => {
  const { session, does } = await bench()
  const type = (lug: number, hz: number) =>
    does(() => {
      session.set({ bench: { ...session.get().bench, lug } })
      typeReading(session, hz)
    })
  await type(1, 151)
  expect(passes()).toMatch(/as found/)
  expect(passes()).not.toMatch(/spread/)
  await type(4, 153)
  expect(passes()).not.toMatch(/spread/)
  await type(2, 150)
  await type(3, 152)
  expect(passes()).toMatch(/as foundspread \d+ c/)
})

test('one number for the head leaves its spread unsaid', async () => {
  const { session, does } = await bench()
  await does(() => typeWholeHead(session, 150.3))
  expect(passes()).toMatch(/as found/)
  expect(passes()).not.toMatch(/spread/)
})

test('a head that is only to be even has a pitch and is neither on it nor off it', async () => {
  const { strip, panel, type, view } = await bench()
  await type(150, 150, 150, 150, 150, 150)
  expect(view().head.targetHz).toBeNull()
  expect(strip().textContent).toMatch(/spread \d+ c.*150\.0 Hz/)
  expect(panel().textContent).toMatch(/Even to \d cents?: good enough/)
  expect(`${strip().textContent} ${panel().textContent}`).not.toMatch(/on pitch/)
})
