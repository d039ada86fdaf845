import { sayAloud } from './actions/speak'
import { twoToms } from './testSession'

const spoken: Array<{ text: string; local: boolean }> = []

class Utterance {
  voice: { localService: boolean } | null = null
  rate = 1
  onend: (() => void) | null = null
  constructor(readonly text: string) {}
}

beforeEach(() => {
  spoken.length = 0
  const voices = [
    { localService: false, name: 'of a server' },
    { localService: true, name: 'of this device' },
  ]
  Object.assign(globalThis, {
    SpeechSynthesisUtterance: Utterance,
    speechSynthesis: {
      getVoices: () => voices,
      speak: (words: Utterance) => {
        spoken.push({ text: words.text, local: words.voice?.localService ?? false })
        words.onend?.()
      },
    },
  })
})

test('spoken only where it is wanted, by a voice of the device, and never over a tap that rings', async () => {
  const { session } = await twoToms()
  await sayAloud(session, 'rods 2 and 5, up one eighth')
  expect(spoken).toEqual([])
  session.setSettings({ confirm: 'word' })
  await sayAloud(session, 'rods 2 and 5, up one eighth')
  expect(spoken).toEqual([{ text: 'rods 2 and 5, up one eighth', local: true }])
  session.set({ hearing: { ...session.get().hearing, state: 'on', ringing: true } })
  await sayAloud(session, 'press the head')
  expect(spoken).toHaveLength(1)
})

test('no voice of the device: nothing is sent to another', async () => {
  const { session } = await twoToms()
  session.setSettings({ confirm: 'word' })
  Object.assign(globalThis, {
    speechSynthesis: {
      getVoices: () => [{ localService: false }],
      speak: () => spoken.push({ text: '', local: false }),
    },
  })
  await sayAloud(session, 'press the head')
  expect(spoken).toEqual([])
})
