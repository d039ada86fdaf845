import { act, fireEvent, render, screen, within } from '@testing-library/react'
import type { ReactNode } from 'react'
import { usualDrum } from '@/core/records/usualDrum'
import { addDrum, chooseHead, makeKit } from '@/session/actions/kits'
import { currentView } from '@/session/actions/readings'
import { SessionContext } from '@/session/react'
import { testSession } from '@/session/testSession'
import { FastDialog } from './FastDialog'
import { FaultDialog } from './FaultDialog'
import { FitDialog } from './FitDialog'
import { LookDialog } from './LookDialog'
import { WrinklesDialog } from './WrinklesDialog'

async function bench(kind: 'tom' | 'snare' = 'tom') {
  const { session } = testSession()
  await session.start(() => Promise.resolve())
  makeKit(session, 'Kit')
  addDrum(session, usualDrum(kind, kind === 'snare' ? 14 : 12, 'd'))
  session.setSettings({ source: 'typed', keys: 2, largestStepTurns: 0.5 })
  chooseHead(session, 'd', 'batter')
  const closed = { times: 0 }
  const show = (dialog: (onClose: () => void) => ReactNode) =>
    render(<SessionContext value={session}>{dialog(() => closed.times++)}</SessionContext>)
  return { session, show, closed, view: () => currentView(session)! }
}
/** Clicks, and lets the session save what came of it. */
const click = (element: Element) => act(async () => void fireEvent.click(element))
const press = (name: string | RegExp) => click(screen.getByRole('button', { name }))

test('looking over goes part by part, notes a rod, and puts it right again', async () => {
  const { show, view, closed } = await bench()
  show((onClose) => <LookDialog onClose={onClose} />)
  expect(screen.queryByText('Wires')).toBeNull()
  for (let i = 0; i < 3; i++) await press('All well, on')
  expect(screen.getByText(/a thread that holds nothing/)).toBeTruthy()
  await press('thread holds nothing')
  const note = screen.getByRole<HTMLButtonElement>('button', { name: 'Note it' })
  expect(note.disabled).toBe(true)
  await press('Rod 3')
  await press('Note it')
  expect(view().head.findings).toMatchObject([{ finding: 'stripped', rods: [3] }])
  expect(screen.getByText('thread holds nothing, rod 3')).toBeTruthy()
  expect(screen.getByText(/a rod that snaps throws parts/)).toBeTruthy()
  await press('It is put right')
  expect(view().head.findings).toEqual([])
  for (let i = 0; i < 3; i++) await press('All well, on')
  expect(closed.times).toBe(1)
})

test('a snare is also asked about its wires', async () => {
  const { show } = await bench('snare')
  show((onClose) => <LookDialog onClose={onClose} />)
  await press(/^Wires/)
  expect(screen.getByText(/Strands straight and alike/)).toBeTruthy()
})

test('a fault is searched by questions; the odds follow, an answer can be changed, the finding is noted with its rod', async () => {
  const { show, view, closed } = await bench()
  show((onClose) => <FaultDialog onClose={onClose} />)
  const odds = () => within(screen.getByRole('region', { name: 'Likeliest causes' })).getAllByRole('listitem')
  expect(odds().length).toBe(6)
  expect(screen.queryByRole('button', { name: 'Cannot say' })).toBeNull()
  await press('buzzes or rattles')
  expect(odds()[0].textContent).toMatch(/loose part|neighbour/)
  await click(screen.getByTitle('Answer again'))
  await press('will not come even')
  for (let i = 0; i < 6 && screen.queryByText('Stripped thread', { selector: 'p' }) === null; i++) {
    const free = ['one turns freely, however far', 'its thread is gone']
      .map((name) => screen.queryByRole('button', { name }))
      .find(Boolean)
    if (free) await click(free)
    else await press('Cannot say')
  }
  expect(screen.getByText('most likely')).toBeTruthy()
  expect(screen.getByText(/Change rod and insert/)).toBeTruthy()
  await press('Rod 6')
  await press('Note it on the drum')
  expect(view().head.findings).toMatchObject([{ finding: 'stripped', rods: [6] }])
  expect(closed.times).toBe(1)
})

test('fitting asks for film, mark, school and keys, and ends on the bench with the way up', async () => {
  const { show, view, session } = await bench()
  show((onClose) => <FitDialog onClose={onClose} />)
  fireEvent.change(screen.getByLabelText('Film'), { target: { value: '10' } })
  fireEvent.change(screen.getByLabelText(/^Its mark lies/), { target: { value: '0.5' } })
  fireEvent.change(screen.getByLabelText('start from'), { target: { value: 'rattle' } })
  fireEvent.change(screen.getByLabelText('keys'), { target: { value: '1' } })
  expect(screen.getByText(/no longer rattles/)).toBeTruthy()
  expect(screen.getByRole('img', { name: 'Order of the rods in pairs: 1·4, 2·5, 3·6' })).toBeTruthy()
  await press('It is on, rods at the start')
  expect(view()).toMatchObject({ phase: 'climb', head: { markTurns: 0.5 }, sitting: { slack: 'rattle' } })
  expect(view().drum.batter).toMatchObject({ pliesMils: [10], fittedOn: '2026-01-05' })
  expect(session.get().settings.keys).toBe(1)
})

test('back to slack with the head that is on fits nothing', async () => {
  const { show, view } = await bench()
  show((onClose) => <FitDialog onClose={onClose} />)
  await click(screen.getByRole('radio', { name: 'the head that is on, back to slack' }))
  expect(screen.queryByLabelText('Film')).toBeNull()
  await press('Rods are at the start')
  expect(view().head.fittedAt).toBeNull()
  expect(view().phase).toBe('climb')
})

test('the fast routine says its minutes and what it leaves out, and begins from finger-tight', async () => {
  const { show, view, session } = await bench()
  show((onClose) => <FastDialog onClose={onClose} />)
  expect(screen.getByText(/^About [2-5] minutes/)).toBeTruthy()
  expect(screen.getByText(/Nothing is settled/)).toBeTruthy()
  await press('The rods are finger-tight')
  expect(view().sitting!.slack).toBe('fingers')
  expect(session.get().settings.readOrder).toBe('fewest')
})

test('wrinkles: only the rods beside them go up an eighth', async () => {
  const { show, view } = await bench()
  show((onClose) => <WrinklesDialog onClose={onClose} />)
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'These are up 1/8' }).disabled).toBe(true)
  await press('Wrinkles at rod 2')
  await press('Wrinkles at rod 3')
  await press('These are up 1/8')
  expect(view().sitting!.passes[0].turns).toEqual([0, 0.125, 0.125, 0, 0, 0])
})
