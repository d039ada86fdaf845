import { cleanup, fireEvent, screen, within } from '@testing-library/react'
import { testSession } from '@/session/testSession'
import { pushed } from '../testRouter'
import { settled, showScreen, wentTo } from '../testScreen'
import { WelcomeScreen } from './WelcomeScreen'

async function welcome() {
  const { session } = testSession()
  session.deps.beginsWithDemo = () => Promise.resolve(false)
  await session.start(() => Promise.resolve())
  await showScreen(session, <WelcomeScreen />)
  const line = screen.getByRole('textbox', { name: /The drums you have/ })
  const write = (text: string) => fireEvent.change(line, { target: { value: text } })
  const drums = () => screen.queryAllByRole('listitem').map((item) => item.getAttribute('aria-label'))
  return { session, line, write, drums }
}

beforeEach(() => {
  pushed.length = 0
  window.sessionStorage.clear()
})

test('drums come as they are written; the word at hand is not called wrong, one behind it is', async () => {
  const { write, drums } = await welcome()
  expect(screen.getByRole<HTMLButtonElement>('button', { name: /^microphone/ }).disabled).toBe(true)
  write('20x15 kick, gon')
  expect(drums()).toEqual(['Kick 20'])
  expect(screen.queryByText(/is no size and no drum/)).toBeNull()
  write('20x15 kick, gong, 12 and 12 racks')
  expect(drums()).toEqual(['Kick 20', 'Tom 12', 'Tom 12 no. 2'])
  expect(screen.getByText(/“gong” is no size and no drum/)).toBeTruthy()
  expect(screen.getByText('and tap Kick 20')).toBeTruthy()
})

test('a guess that was changed stays changed while more is written, and goes into the kit', async () => {
  const { session, write } = await welcome()
  write('22 kick')
  const pick = (name: string) => screen.getAllByLabelText<HTMLSelectElement>(`Kick 22: ${name}`)[0]
  expect(pick('lugs').value).toBe('10')
  fireEvent.change(pick('lugs'), { target: { value: '8' } })
  fireEvent.change(pick('hoops'), { target: { value: 'die-cast' } })
  fireEvent.change(pick('thread'), { target: { value: '1' } })
  fireEvent.change(pick('depth'), { target: { value: '18' } })
  fireEvent.change(pick('batter'), { target: { value: '10' } })
  write('22 kick, 14 snare')
  expect(pick('lugs').value).toBe('8')
  fireEvent.click(screen.getByRole('button', { name: /^gauge/ }))
  await wentTo('/bench')
  const [kick, snare] = session.kit()!.drums
  expect(kick).toMatchObject({ lugs: 8, depthInches: 18, threadPitchMm: 1 })
  expect(kick.batter).toMatchObject({ hoop: 'die-cast', pliesMils: [10] })
  expect(kick.resonant).toMatchObject({ hoop: 'die-cast', pliesMils: [10] })
  expect(snare).toMatchObject({ lugs: 10, kind: 'snare' })
  expect(session.get().source).toBe('gauge')
})

test('what was written is there after a reload of the tab, until the kit is made', async () => {
  const { write } = await welcome()
  write('10 and 12 toms')
  cleanup()
  const again = await welcome()
  expect(again.drums()).toEqual(['Tom 12', 'Tom 10'])
  fireEvent.click(screen.getByRole('button', { name: /^typed/ }))
  await wentTo('/bench')
  expect(window.sessionStorage.length).toBe(0)
})

test('on a phone a drum opens to its guesses; Enter asks where readings come from', async () => {
  const { line, write } = await welcome()
  write('12 tom')
  const [row] = screen.getAllByRole('listitem')
  fireEvent.click(within(row).getByRole('button', { name: /6 lugs, 7 deep, 7 \+ 7 over 10 mil, 12-24/ }))
  expect(within(row).getAllByLabelText('Tom 12: lugs').length).toBe(2)
  fireEvent.keyDown(line, { key: 'Enter' })
  await settled()
  expect(document.activeElement).toBe(screen.getByRole('button', { name: /^microphone/ }))
})
