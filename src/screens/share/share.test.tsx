import { act, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { seededRandom } from '@/core/numeric/random'
import { codePart, fromCodes, MOST_CODES } from '@/files/codes'
import { decideImport, kitFileWithTakes } from '@/session/actions/files'
import { chainOf, takeChain, type Chain } from '@/session/actions/codes'
import type { Session } from '@/session/session'
import { keepKit } from '@/session/actions/sheets'
import { testSession, twoToms } from '@/session/testSession'
import { servedAt, settled, showScreen } from '../testScreen'
import { ShareScreen } from './ShareScreen'

beforeEach(() => {
  servedAt('https://192.168.1.20:3443')
  window.matchMedia = (() => ({ matches: true })) as never
})

test('the addresses that phones reach are shown with their code', async () => {
  const { session } = await twoToms()
  await showScreen(session, <ShareScreen />)
  await waitFor(() => expect(screen.getByText('https://192.168.1.20:3443')).toBeTruthy())
  await waitFor(() =>
    expect(screen.getByRole('img', { name: 'Code of the address https://192.168.1.20:3443' })).toBeTruthy(),
  )
  // The page says beforehand what the phone will.
  expect(screen.getByText(/the certificate was made here a moment ago/)).toBeTruthy()
})

test('a kit is shown as codes, one after the other', async () => {
  const { session, readAll } = await twoToms()
  readAll()
  await showScreen(session, <ShareScreen />)
  const show = await screen.findByRole('button', { name: 'Show the codes' })
  fireEvent.click(show)
  const first = await screen.findByRole('img', { name: /^Code 1 of \d+/ })
  const squares = first.querySelector('path')!.getAttribute('d')
  fireEvent.click(screen.getByRole('button', { name: 'Next' }))
  const second = screen.getByRole('img', { name: /^Code 2 of/ })
  expect(second.querySelector('path')!.getAttribute('d')).not.toBe(squares)
  expect(screen.getByText(/The whole kit with its log/)).toBeTruthy()
})

test('a text that is no table is said; one that is waits to be looked at', async () => {
  const { session } = await twoToms()
  await showScreen(session, <ShareScreen />)
  const field = screen.getByLabelText('A table of drums and pitches')
  const look = async (text: string) => {
    fireEvent.change(field, { target: { value: text } })
    fireEvent.click(screen.getByRole('button', { name: 'Look at it' }))
    await settled()
  }
  await look('Dear all')
  await waitFor(() => expect(screen.getByRole('alert').textContent).toMatch(/No drums with pitches in that/))
  await look('Rack\t150\t160')
  await waitFor(() => expect(session.get().waitingTable).toBe('Rack\t150\t160'))
})

test('ten thousand rows pasted are refused at once, and never laid out in the field', async () => {
  const { session } = await twoToms()
  await showScreen(session, <ShareScreen />)
  const field = screen.getByLabelText<HTMLTextAreaElement>('A table of drums and pitches')
  const rows = Array.from({ length: 10_000 }, (_, i) => `Tom ${i};12;8;150`).join('\n')
  // Taken by the page: the browser puts nothing in.
  expect(fireEvent.paste(field, { clipboardData: { getData: () => rows } })).toBe(false)
  await waitFor(() => expect(session.get().notice?.text).toMatch(/has 10000 rows; one of drums/))
  expect(field.value).toBe('')
  expect(fireEvent.paste(field, { clipboardData: { getData: () => 'Rack\t150\t160' } })).toBe(true)
})

test('what was understood of a table is shown before anything is made of it', async () => {
  const { session } = await twoToms()
  const text = 'Rack\tD3\t160\n13 tom\tabout 150\t170'
  session.set({ waitingTable: text })
  // The frame shows it, wherever one is.
  await showScreen(session, null)
  await screen.findByRole('dialog', {})
  const [, rack, other] = screen.getAllByRole('row')
  expect(rack.textContent).toMatch(/Rack.*146\.8 Hz, D3.*160\.0 Hz/)
  expect(other.textContent).toMatch(/tom of 13 inches, not in this kit/)
  expect(within(other).getByText('no pitch: about 150')).toBeTruthy()
  expect(session.kit()!.sheets).toEqual([])
  await act(
    async () => void fireEvent.click(screen.getByRole('button', { name: 'Make it a sheet of House' })),
  )
  expect(session.kit()!.sheets[0].versions.at(-1)!.drums.get('rack')?.batter?.meanHz).toBeCloseTo(146.83, 2)
  expect(session.get().waitingTable).toBeNull()
})

/** So many readings that no two are alike. */
function many(session: Session, count: number): void {
  const random = seededRandom(5)
  const on = {
    drum: 'rack',
    side: 'batter',
    standardErrorHz: 0.1,
    otherHead: 'muted',
    source: 'typed',
  } as const
  session.append(
    Array.from({ length: count }, (_, i) => ({
      ...{ kind: 'readingTaken', ...on, poles: [], algorithm: null },
      ...{ lug: (i % 6) + 1, hz: 150 + random.uniform() },
    })),
  )
}

const textOf = ({ codes }: Chain) => fromCodes(codes.map((code) => codePart(new URL(code).hash)!))!

test('a log that is too long for codes goes as far as it fits, the newest of it, and merges; the rest is said', async () => {
  const { session, advanceMs } = await twoToms()
  keepKit(session, 'Hall', '')
  const before = JSON.stringify(await kitFileWithTakes(session, session.kit()!.id))
  const { session: other } = testSession()
  await other.start(() => Promise.resolve())
  await takeChain(other, before)
  many(session, 4000)
  const chain = (await chainOf(session))!
  const { entries, sinceAt } = chain.left!
  expect([chain.anew, chain.codes.length <= MOST_CODES, sinceAt !== null]).toEqual([false, true, true])
  await takeChain(other, textOf(chain))
  await decideImport(other, 'merge')
  const kit = session.kit()!
  const [mine, theirs] = await Promise.all([session, other].map((each) => each.wholeLog(kit.id)))
  expect(theirs.at(-1)!.id).toBe(mine.at(-1)!.id)
  // All but what was said to be left out.
  expect(theirs.length).toBe(mine.length - entries)
  expect(other.kit()?.drums).toEqual(kit.drums)
  // The same kit is the same chain: what was read of it before still counts.
  advanceMs(60_000)
  expect((await chainOf(session))!.codes[0]).toBe(chain.codes[0])
})
