import { act, fireEvent, screen, within } from '@testing-library/react'
import { fileKit, makeKit } from '@/session/actions/kits'
import { testSession } from '@/session/testSession'
import { showScreen } from '../testScreen'
import { KitsDialog } from './KitsDialog'
import { RenameKitDialog } from './KitNameDialog'

/** As in a browser: what is drawn says when it came into view. */
const seen = new Set<() => void>()
beforeEach(() => {
  seen.clear()
  window.IntersectionObserver = class {
    private readonly tell: () => void
    constructor(listener: (entries: object[]) => void) {
      this.tell = () => listener([{ isIntersecting: true }])
    }
    observe = () => void seen.add(this.tell)
    disconnect = () => void seen.delete(this.tell)
  } as never
})

async function manyKits(count: number) {
  const bench = testSession()
  await bench.session.start(() => Promise.resolve())
  for (let i = 0; i < count; i++) {
    makeKit(bench.session, `Kit ${i}`)
    fileKit(bench.session, {
      name: `Kit ${i}`,
      owner: i % 2 ? 'School' : 'Band',
      job: i === 7 ? 'Room 2' : '',
    })
    bench.advanceMs(1000)
  }
  return bench
}

const names = () =>
  within(screen.getByRole('list', { name: 'Kits' }))
    .getAllByRole('button')
    .filter(({ textContent }) => textContent.includes('touched'))
    .map(({ textContent }) => /^Kit \d+/.exec(textContent)?.[0])

test('kits of a shop: the one touched last first, drawn as far as seen, found by words, owner and job, put away', async () => {
  const { session } = await manyKits(80)
  await showScreen(session, <KitsDialog onClose={() => undefined} />)
  expect(screen.getByRole('status').textContent).toBe('80 kits, the one touched last first')
  expect(names().slice(0, 2)).toEqual(['Kit 79', 'Kit 78'])
  expect(names().length).toBe(30)
  await act(async () => [...seen].forEach((tell) => tell()))
  expect(names().length).toBe(60)
  fireEvent.change(screen.getByRole('searchbox'), { target: { value: 'school 77' } })
  expect(names()).toEqual(['Kit 77'])
  fireEvent.change(screen.getByRole('searchbox'), { target: { value: 'ROOM' } })
  expect(names()).toEqual(['Kit 7'])
  await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'put away Kit 7' })))
  expect(screen.getByRole('status').textContent).toBe('0 kits')
  fireEvent.click(screen.getByRole('button', { name: 'put away: 1' }))
  await act(async () => void fireEvent.click(screen.getByRole('button', { name: /^Kit 7/ })))
  expect(session.kit()).toMatchObject({ name: 'Kit 7', archived: true })
})

test('a kit says whose it is and what for', async () => {
  const { session } = await manyKits(1)
  await showScreen(session, <RenameKitDialog onClose={() => undefined} />)
  const type = (label: string, value: string) =>
    fireEvent.change(screen.getByLabelText(new RegExp(`^${label}`)), { target: { value } })
  type('Whose it is', 'Anna')
  type('What for', 'Tour')
  await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'Keep' })))
  expect(session.kit()).toMatchObject({ name: 'Kit 0', owner: 'Anna', job: 'Tour' })
})
