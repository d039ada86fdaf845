import { mendsText, moveText, verdictText, verdictWords } from './verdict'

const NAMES = new Map([
  ['k', 'Kick 20'],
  ['f', 'Floor tom 15'],
  ['t', 'Tom 12'],
])

test('a verdict names drums, tones and pitch; a move says head, way and how far', () => {
  const close = { what: 'close' as const, drum: 'f', next: 't', cents: 240.3 }
  expect(verdictText(close, NAMES)).toBe('Floor tom 15 and Tom 12 are too close: 240 c')
  expect(verdictWords(close)).toBe('too close, 240 c')
  const mixed = { what: 'mixed' as const, drum: 'f', cents: 140, usualCents: 400 }
  expect(verdictText(mixed, NAMES)).toBe(
    'Floor tom 15’s heads are mixed with the others’: a half step above +40 c, the other toms a major third above',
  )
  const answers = {
    ...{ what: 'answers' as const, drum: 'k', tom: 'f', against: 'kick' as const },
    nearest: { tom: 'centre' as const, other: 'resonant lug' as const, cents: 4, hz: 69.2 },
  }
  expect(verdictText(answers, NAMES)).toBe(
    'Kick 20 will hum along with Floor tom 15: its resonant lug and the tom’s centre are both near 69 Hz',
  )
  expect(verdictWords({ ...answers, against: 'snare' })).toBe('buzzes along, 69 Hz')
  const move = {
    drum: 'f',
    head: 'batter' as const,
    fromHz: 112,
    toHz: 98,
    turns: -0.13,
    resonant: null,
    mends: [0, 1, 2],
  }
  expect(moveText(move, NAMES)).toBe('Floor tom 15: batter down 1/8')
  const both = { ...move, head: 'both' as const, resonant: { toHz: 120, turns: -0.19 } }
  expect(moveText(both, NAMES)).toBe('Floor tom 15: batter down 1/8, resonant down 3/16')
  expect(mendsText(move)).toBe('mends three; from 112 to 98 Hz, all rods crosswise, then press')
})
