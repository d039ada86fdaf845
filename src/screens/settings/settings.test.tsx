import { act, fireEvent, screen, within } from '@testing-library/react'
import type { Session } from '@/session/session'
import { twoToms } from '@/session/testSession'
import { setShown } from '@/text/shown'
import { servedAt, settled, showScreen } from '../testScreen'
import { SettingsScreen } from './SettingsScreen'

afterEach(() => setShown({ decimal: 'point', noteNames: 'sharps', lengths: 'inch' }))

async function settings(): Promise<Session> {
  servedAt()
  const { session } = await twoToms()
  await showScreen(session, <SettingsScreen />)
  await settled()
  return session
}

const choose = (group: string, name: string) =>
  act(
    async () => void fireEvent.click(within(screen.getByRole('radiogroup', { name: group })).getByText(name)),
  )

const CHOICES: Array<[group: string, name: string, setting: object]> = [
  ['Names of notes', 'Do♯', { noteNames: 'solfege' }],
  ['Names of notes', 'Cis, H', { noteNames: 'german' }],
  ['Decimal sign', '233,5', { decimal: 'comma' }],
  ['Lengths', 'millimetre', { lengths: 'mm' }],
  ['Keys in hand', 'one', { keys: 1 }],
  ['Largest step, in turns', '1/8', { largestStepTurns: 0.125 }],
  ['Hand', 'left', { hand: 'left' }],
  ['Order of the lugs', 'fewest taps', { readOrder: 'fewest' }],
  ['Sounds of taps', 'kept with the kit', { keepTakes: true }],
  ['Single keys', 'off', { singleKeys: false }],
  ['When a tap is taken', 'no sound', { confirm: 'none' }],
]

test('every choice is kept, and Undo takes it back', async () => {
  const session = await settings()
  for (const [group, name, setting] of CHOICES) {
    const [key] = Object.keys(setting) as Array<keyof ReturnType<Session['get']>['settings']>
    const before = session.get().settings[key]
    await choose(group, name)
    expect([name, session.get().settings]).toEqual([name, expect.objectContaining(setting)])
    await act(async () => void session.undo())
    expect([name, session.get().settings[key]]).toEqual([name, before])
  }
})

test('A4 and a drum’s tolerance are typed; what is none is said and changes nothing', async () => {
  const session = await settings()
  const type = (label: string, text: string) => {
    const field = screen.getByLabelText(label)
    fireEvent.change(field, { target: { value: text } })
    fireEvent.blur(field)
  }
  type('A4 in Hz', '44')
  expect(screen.getByText(/A number of Hz from 400 to 480/)).toBeTruthy()
  expect(session.get().settings.a4Hz).toBe(440)
  type('A4 in Hz', '442,5')
  expect(session.get().settings.a4Hz).toBe(442.5)
  type('Tolerance of Rack, cents', '0,5')
  expect(screen.getByText(/1 to 100 cents, or empty/)).toBeTruthy()
  type('Tolerance of Rack, cents', '6')
  await settled()
  expect(session.kit()!.drums[0].toleranceCents).toBe(6)
  type('Tolerance of Rack, cents', '')
  await settled()
  expect(session.kit()!.drums[0].toleranceCents).toBeUndefined()
  expect(screen.getByText(/make phone/)).toBeTruthy()
})

test('nothing can be set while the log is still being read', async () => {
  const { session } = await twoToms()
  session.set({ phase: 'starting' })
  await showScreen(session, <SettingsScreen />)
  expect(screen.queryByRole('radiogroup')).toBeNull()
})
