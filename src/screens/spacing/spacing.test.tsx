import { act, fireEvent, screen, within } from '@testing-library/react'
import { usualDrum } from '@/core/records/usualDrum'
import { addDrum, chooseHead, makeKit } from '@/session/actions/kits'
import { markRange } from '@/session/actions/stand'
import { typeReading } from '@/session/actions/said'
import { planningOf } from '@/session/selectors'
import { testSession } from '@/session/testSession'
import { showScreen, wentTo } from '../testScreen'
import { SpacingScreen } from './SpacingScreen'

async function spacing() {
  const { session } = testSession()
  await session.start(() => Promise.resolve())
  makeKit(session, 'Kit')
  for (const [kind, inches, hz] of [
    ['kick', 22, 62],
    ['floor-tom', 16, 100],
    ['tom', 12, 150],
    ['tom', 10, 190],
    ['snare', 14, 240],
  ] as const) {
    addDrum(session, usualDrum(kind, inches, `${kind}${inches}`))
    session.setSettings({ source: 'typed' })
    for (const [side, at] of [
      ['batter', hz],
      ['resonant', hz * 1.26],
    ] as const) {
      chooseHead(session, `${kind}${inches}`, side)
      for (let lug = 0; lug < 4; lug++) typeReading(session, at)
    }
  }
  await showScreen(session, <SpacingScreen />)
  const hz = (name: string) =>
    Number(screen.getByRole('slider', { name: `${name}, planned batter` }).getAttribute('aria-valuenow'))
  const settle = () =>
    act(async () => {
      // Saving is a few steps behind: it tells the screen as well.
      for (let i = 0; i < 12; i++) await Promise.resolve()
    })
  await settle()
  return { session, hz, settle }
}
const cents = (low: number, high: number) => 1200 * Math.log2(high / low)

test('the kit in fourths; one drum moved by keys and the rest answers; given back', async () => {
  const { hz, settle } = await spacing()
  expect(cents(hz('Floor tom 16'), hz('Tom 12'))).toBeCloseTo(500, -0.7)
  expect(cents(hz('Tom 12'), hz('Tom 10'))).toBeCloseTo(500, -0.7)
  const before = hz('Tom 10')
  fireEvent.keyDown(screen.getByRole('slider', { name: /^Tom 12/ }), { key: 'ArrowUp', shiftKey: true })
  await settle()
  expect(cents(before, hz('Tom 10'))).toBeGreaterThan(40)
  expect(cents(hz('Tom 12'), hz('Tom 10'))).toBeCloseTo(500, -0.7)
  fireEvent.click(screen.getByRole('button', { name: 'Give Tom 12 back to the search' }))
  await settle()
  expect(hz('Tom 10')).toBeCloseTo(before, 1)
})

test('a root that is no pitch is said where it was typed; a note is taken', async () => {
  const { session, hz, settle } = await spacing()
  const root = () => screen.getByLabelText(/^root: lowest tom/)
  fireEvent.change(root(), { target: { value: 'low' } })
  fireEvent.blur(root())
  await settle()
  expect(screen.getByRole('alert').textContent).toMatch(/A note such as G2/)
  fireEvent.change(root(), { target: { value: 'G2' } })
  fireEvent.blur(root())
  await settle()
  expect(screen.queryByRole('alert')).toBeNull()
  expect(hz('Floor tom 16')).toBeCloseTo(98, 0)
  expect(session.get().settings.spacing.rootText).toBe('G2')
})

test('a marked growl moves the range of the drum, and the plan is kept as a sheet', async () => {
  const { session, settle } = await spacing()
  const lowest = () =>
    planningOf(session.get())!.request.drums.find(({ id }) => id === 'floor-tom16')!.lowestHz!
  const before = lowest()
  await act(async () => {
    chooseHead(session, 'floor-tom16', 'batter')
    markRange(session, 'growls')
  })
  expect(lowest()).toBeGreaterThan(before)
  await settle()
  fireEvent.click(screen.getByRole('button', { name: 'Keep as a sheet' }))
  fireEvent.change(screen.getByLabelText(/^Name/), { target: { value: 'Big hall' } })
  fireEvent.click(screen.getByRole('button', { name: 'Keep it' }))
  await settle()
  const sheet = session.kit()!.sheets[0]
  expect(sheet).toMatchObject({ name: 'Big hall', archived: false })
  expect(sheet.targets.size).toBe(10)
  expect(sheet.versions[0].notes).toMatch(/^fourths from/)
  expect(sheet.versions[0].drums.get('tom12')!.centreHz).toBeGreaterThan(60)
  await wentTo('/sheets')
})

test('a scheme of one’s own and a relation for one drum', async () => {
  const { session, hz, settle } = await spacing()
  fireEvent.click(screen.getByRole('button', { name: 'A scheme of my own' }))
  fireEvent.change(screen.getByLabelText(/^steps in cents/), { target: { value: '450, much' } })
  expect(screen.getByRole('alert').textContent).toMatch(/Cents with commas/)
  fireEvent.change(screen.getByLabelText(/^steps in cents/), { target: { value: '450, 350' } })
  fireEvent.change(screen.getByLabelText('name of the scheme'), { target: { value: 'Ours' } })
  fireEvent.click(screen.getByRole('button', { name: 'Keep it' }))
  await settle()
  expect(cents(hz('Tom 12'), hz('Tom 10'))).toBeCloseTo(450, -0.7)
  expect(cents(hz('Floor tom 16'), hz('Tom 12'))).toBeCloseTo(350, -0.7)
  fireEvent.change(screen.getByRole('combobox', { name: 'Tom 12', hidden: true }), {
    target: { value: '700' },
  })
  await settle()
  const { request } = planningOf(session.get())!
  expect(request.headRelation).toEqual({ byDrum: { tom12: 700 } })
})

test('kick and snare stand against the toms, the bass register is named', async () => {
  await spacing()
  const rows = within(screen.getByRole('region', { name: 'Kick and snare against the toms' }))
  expect(rows.getAllByRole('listitem').length).toBe(6)
  expect(rows.getByText(/where a bass plays/)).toBeTruthy()
})
