import { LONG } from '@ref/long'
import { act, cleanup, fireEvent } from '@testing-library/react'
import { COMMANDS } from '@/commands'
import { hasModifier, worksAt } from '@/commands/keys'
import { watchAdvice } from '@/session/adviceWatch'
import { currentView } from '@/session/currentView'
import { typeReading } from '@/session/actions/said'
import { chooseHead } from '@/session/actions/kits'
import { logOf, twoToms } from '@/session/testSession'
import { place, pushed } from '../testRouter'
import { showScreen, wentTo } from '../testScreen'

const PLACES = ['/', '/bench', '/spacing', '/sheets', '/run', '/print'] as const
const KEYS = COMMANDS.flatMap((command) =>
  command.shortcut && !hasModifier(command.shortcut) ? [{ ...command, shortcut: command.shortcut }] : [],
)
const PAUSE_MS = 2000

/** A head half read, with turns to make, a press to note, a drum to choose. */
async function atWork(path: string) {
  const bench = await twoToms()
  const { session } = bench
  watchAdvice(session)
  chooseHead(session, 'rack', 'batter')
  for (const hz of [150, 158, 152, 149, 157, 151]) typeReading(session, hz)
  await session.saved()
  expect(currentView(session)!.phase).toBe('turn')
  place.path = path
  pushed.length = 0
  await showScreen(bench.session, null)
  let timeStamp = 1e6
  const press = async (keys: string) => {
    for (const key of keys.split(' ')) {
      const [name, shift] = [key.split('+').at(-1)!, key.startsWith('Shift+')]
      const event = new KeyboardEvent('keydown', {
        key: name,
        shiftKey: shift,
        bubbles: true,
        cancelable: true,
      })
      Object.defineProperty(event, 'timeStamp', { value: (timeStamp += 50) })
      await act(async () => void fireEvent(document.body, event))
    }
    timeStamp += PAUSE_MS
    await act(async () => bench.session.saved())
  }
  /** What a key opened is closed: a window would keep the next key to itself. */
  const closed = async () => {
    cleanup()
    await showScreen(session, null)
  }
  return { ...bench, press, closed }
}

afterEach(cleanup)

/** What a key changed: the log, the place, the settings. */
const seen = ({ session }: Awaited<ReturnType<typeof atWork>>) =>
  JSON.stringify([logOf(session).length, session.get().settings, session.get().bench.lug, pushed])

describe.each(LONG ? PLACES : PLACES.slice(0, 3))('keys at %s', (path) => {
  test('a key of another place does nothing; one that writes says so, with Undo', async () => {
    const bench = await atWork(path)
    for (const command of KEYS) {
      const { session, press } = bench
      const events = logOf(session).length
      const before = seen(bench)
      const { notice } = session.get()
      await press(command.shortcut)
      const wrote = logOf(session).length > events
      if (!worksAt(command, path)) expect([command.id, seen(bench)]).toEqual([command.id, before])
      if (wrote) {
        expect([command.id, session.get().notice === notice]).toEqual([command.id, false])
        expect(session.get().notice!.undo).toBe(true)
      }
      await bench.closed()
    }
  })
})

test('the second key of a sequence is no key of its own, at the bench too', async () => {
  const bench = await atWork('/bench')
  for (const second of ['p', 't', 'Enter', 'k', 's']) {
    const events = logOf(bench.session).length
    const side = bench.session.get().settings.side
    await bench.press(`g ${second}`)
    expect([second, logOf(bench.session).length]).toEqual([second, events])
    expect(bench.session.get().settings.side).toBe(side)
  }
  await wentTo('/spacing', '/', '/sheets')
  // Alone, and after a while, it is one.
  await bench.press('Enter')
  expect(logOf(bench.session).at(-1)?.kind).toBe('rodsTurned')
})
