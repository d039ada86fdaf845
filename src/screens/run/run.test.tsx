import { act, fireEvent, screen, within } from '@testing-library/react'
import { chooseHead } from '@/session/actions/kits'
import { keepKit } from '@/session/actions/sheets'
import { turnedOtherwise } from '@/session/actions/turning'
import { twoToms } from '@/session/testSession'
import { PrintScreen } from '../sheets/PrintScreen'
import { SheetsScreen } from '../sheets/SheetsScreen'
import { showScreen, wentTo } from '../testScreen'
import { RunScreen } from './RunScreen'

async function kit() {
  const { session, read, readAll } = await twoToms()
  readAll()
  keepKit(session, 'Hall', 'for the big room')
  chooseHead(session, 'rack', 'batter')
  turnedOtherwise(session, new Array<number>(6).fill(-0.1))
  read('rack', 'batter', 150)
  return { session, read }
}
const settle = () =>
  act(async () => {
    for (let i = 0; i < 12; i++) await Promise.resolve()
  })
const click = (name: string | RegExp) =>
  act(async () => {
    fireEvent.click(screen.getByRole('button', { name }))
    for (let i = 0; i < 12; i++) await Promise.resolve()
  })
const rowsOf = (region: string) =>
  within(screen.getByRole('region', { name: region }))
    .getAllByRole('row')
    .slice(1)
    .map((row) => row.textContent)

test('a run from its start to its report, one head tuned, one left', async () => {
  const { session, read } = await kit()
  await showScreen(session, <RunScreen />)
  fireEvent.change(screen.getByLabelText(/^doors at/), { target: { value: '13:00' } })
  await click('Start the run')
  await wentTo('/bench')
  expect(session.kit()!.runs[0].doorsAt).not.toBeNull()
  expect(screen.getByRole('button', { name: /^Next: Rack, batter, tune/ })).toBeTruthy()
  const items = screen.getAllByRole('listitem').map((item) => item.textContent)
  expect(items.some((text) => /^Rack, batter.*11\d c low; wanted 160\.0 Hz/.test(text ?? ''))).toBe(true)
  expect(items.some((text) => /^Floor, batter.*good/.test(text ?? ''))).toBe(true)
  await act(async () => {
    turnedOtherwise(session, new Array<number>(6).fill(0.1))
    read('rack', 'batter', 160)
  })
  await settle()
  expect(screen.getByText(/Nothing is left to do/)).toBeTruthy()
  await click('End the run')
  expect(rowsOf('Report')[0]).toMatch(/^Rack, batter150\.\d Hz, 11\d c low.*160\.0 Hz, on pitch/)
  expect(screen.getByText(/^4 of 4 heads read and where the sheet wants them; under a minute/)).toBeTruthy()
})

test('a head that is good enough is left with that word', async () => {
  const { session } = await kit()
  await showScreen(session, <RunScreen />)
  await click('Start the run')
  await click('Rack, batter: good enough')
  expect(screen.getByText(/Nothing is left to do/)).toBeTruthy()
  await click('End the run')
  expect(rowsOf('Report')[0]).toMatch(/good enough$/)
})

test('a sheet: its versions compared, its notes, archived and brought back', async () => {
  const { session } = await kit()
  await showScreen(session, <SheetsScreen />)
  expect(screen.getByText(/for the big room/)).toBeTruthy()
  const menu = async (item: RegExp) => {
    await act(async () => {
      fireEvent.click(screen.getByRole('button', { name: 'More for Hall' }))
      fireEvent.keyDown(screen.getByRole('button', { name: 'More for Hall' }), { key: 'Enter' })
    })
    await act(async () => void fireEvent.click(screen.getByRole('menuitem', { name: item })))
    await settle()
  }
  await menu(/^Versions/)
  const dialog = screen.getByRole('dialog')
  const [first] = within(dialog).getAllByRole('row').slice(1)
  // From where the rack stands now to the sheet: up, by some sixteenths.
  expect(first.textContent).toMatch(/^Rack, batter150\.\d160\.0\+11\dup \d/)
  fireEvent.keyDown(dialog, { key: 'Escape' })
  await settle()
  await menu(/^Archive/)
  expect(within(screen.getByRole('region', { name: 'Archive' })).getByText('Hall')).toBeTruthy()
  expect(session.kit()!.sheet).toBeNull()
  await menu(/^Bring back/)
  expect(screen.queryByRole('region', { name: 'Archive' })).toBeNull()
})

test('the card of a sheet says every drum, both pitches, relation and notes', async () => {
  const { session } = await kit()
  await showScreen(session, <PrintScreen />)
  const card = screen.getByRole('img', { name: 'Sheet Hall' })
  for (const text of [
    'Hall',
    'Rack',
    'Floor',
    '160.0',
    '130.0',
    'for the big room',
    'heads: maj. third −14 c up',
  ])
    expect(card.textContent).toContain(text)
})
