import fc from 'fast-check'
import { note as teoriaNote } from 'teoria'
import {
  centsBetween,
  hzToMidi,
  midiToHz,
  nearestNote,
  parseKey,
  parsePitch,
  parsePitches,
  shiftByCents,
  typedErrorCents,
} from './pitch'

/** Just intervals in cents by their ratios; the values are arithmetic (physics texts print them so). */
const JUST: Array<[string, number, number, number]> = [
  ['minor third', 6, 5, 315.64],
  ['major third', 5, 4, 386.31],
  ['fourth', 4, 3, 498.04],
  ['fifth', 3, 2, 701.96],
  ['minor sixth', 8, 5, 813.69],
  ['major sixth', 5, 3, 884.36],
]

test.each(JUST)('the just %s is %i:%i', (_name, over, under, cents) => {
  expect(centsBetween(under, over)).toBeCloseTo(cents, 2)
})

/** ISO 16: A4 is 440 Hz. Equal temperament: twelve equal steps to the octave. */
test('A4 is 440 Hz and an octave is 1200 cents', () => {
  expect(nearestNote(440)).toEqual({ name: 'A4', cents: 0, midi: 69 })
  expect(centsBetween(440, 880)).toBeCloseTo(1200, 10)
  expect(midiToHz(70)).toBeCloseTo(440 * 2 ** (1 / 12), 10)
})

test('a triad on A2 is A2, C#3, E3', () => {
  const root = midiToHz(45)
  expect([0, 400, 700].map((cents) => nearestNote(shiftByCents(root, cents)).name)).toEqual([
    'A2',
    'C#3',
    'E3',
  ])
})

/** Common practice, no source: 80 Hz lies between D#2 and E2, 84 Hz just above E2, and they are 84 cents apart. */
test('kick pitches as people name them', () => {
  expect(nearestNote(80).name).toBe('D#2')
  expect(nearestNote(80).cents).toBeGreaterThan(0)
  expect(nearestNote(84)).toMatchObject({ name: 'E2' })
  expect(nearestNote(84).cents).toBeGreaterThan(0)
  expect(centsBetween(80, 84)).toBeCloseTo(84, 0)
})

/** Common practice, no source: within 1 Hz at 294 Hz is 5.9 cents. */
test('one hertz at 294 Hz', () => {
  expect(centsBetween(294, 295)).toBeCloseTo(5.9, 1)
})

/** Reference: the package teoria, which names notes from frequencies for itself. */
test('notes and their pitches agree with teoria', () => {
  for (let midi = 24; midi <= 96; midi++) {
    const hz = midiToHz(midi)
    const { name } = nearestNote(hz)
    const reference = teoriaNote(name.replace('#', '#').toLowerCase())
    expect(reference.fq()).toBeCloseTo(hz, 6)
    expect(reference.midi()).toBe(midi)
  }
})

test('cents and Hz are inverse, at any reference pitch', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 20, max: 2000, noNaN: true }),
      fc.double({ min: 400, max: 480, noNaN: true }),
      (hz, a4) => {
        const note = nearestNote(hz, a4)
        expect(Math.abs(note.cents)).toBeLessThanOrEqual(50 + 1e-9)
        expect(shiftByCents(midiToHz(note.midi, a4), note.cents)).toBeCloseTo(hz, 6)
        expect(midiToHz(hzToMidi(hz, a4), a4)).toBeCloseTo(hz, 8)
      },
    ),
  )
})

test('pitches and keys as people write them', () => {
  expect(parsePitch('98,5 hz')).toBeCloseTo(98.5)
  expect(parsePitch('A4')).toBeCloseTo(440)
  expect(parsePitch('Bb1')).toBeCloseTo(58.27, 2)
  expect(parsePitch('f♯3')).toBeCloseTo(185, 1)
  expect(parsePitch('E1', 442)).toBeCloseTo(41.2 * (442 / 440), 1)
  for (const wrong of ['', 'A', '3', '9000', 'low', 'cs3', 'E3+200', 'E3+', '182+5'])
    expect(parsePitch(wrong)).toBeNull()
  const names = (key: string) => parseKey(key)?.map((hz) => nearestNote(hz).name.replace(/\d/, ''))
  expect(names('A major')).toEqual(['A', 'B', 'C#', 'D', 'E', 'F#', 'G#'])
  expect(names('e minor')).toEqual(['E', 'F#', 'G', 'A', 'B', 'C', 'D'])
  expect(names('A C# E')).toEqual(['A', 'C#', 'E'])
  for (const wrong of ['', 'loud', 'A big']) expect(parseKey(wrong)).toBeNull()
})

/** A note's cents from A4, by hand: E3 lies 17 semitones under A4, A#2 23, Bb1 35. */
test.each([
  ['E3+20', -1700 + 20],
  ['E3 + 20 c', -1700 + 20],
  ['e3 −12,5 cents', -1700 - 12.5],
  ['A#2+15', -2300 + 15],
  ['Bb2-15', -2300 - 15],
  ['Fis3', -1500],
  ['es3', -1800],
  ['As2', -2500],
  ['H2', -2200],
  ['fa#3', -1500],
  ['Sib2', -2300],
  ['Ré 3', -1900],
])('a note with cents, in any tongue: %s', (text, cents) => {
  expect(centsBetween(440, parsePitch(text)!)).toBeCloseTo(cents, 6)
})

test('B alone is B flat to a German, and to nobody else', () => {
  expect(centsBetween(440, parsePitch('B3', 440, 'german')!)).toBeCloseTo(-1100, 6)
  expect(centsBetween(440, parsePitch('B3', 440, 'sharps')!)).toBeCloseTo(-1000, 6)
  expect(parseKey('B H', 440, 'german')!.map((hz) => nearestNote(hz).name)).toEqual(['A#4', 'B4'])
})

test('what is shown of a note is read as that note again, however notes are named', () => {
  const names = fc.constantFrom('sharps' as const, 'flats' as const, 'german' as const, 'solfege' as const)
  fc.assert(
    fc.property(fc.integer({ min: 24, max: 94 }), names, (midi, style) => {
      const { name } = nearestNote(midiToHz(midi), 440, style)
      expect(hzToMidi(parsePitch(name, 440, style)!)).toBeCloseTo(midi, 9)
    }),
  )
})

test.each([
  ['168,5 171 166,7', [168.5, 171, 166.7]],
  ['168.5, 171, 166.7', [168.5, 171, 166.7]],
  ['168,171,166,170', [168, 171, 166, 170]],
  ['168,5;171,0\n166,7', [168.5, 171, 166.7]],
  ['168.5\t171 Hz\t166.7hz', [168.5, 171, 166.7]],
  ['168 low 170', [168, null, 170]],
])('several pitches as they are pasted: %j', (text, pitches) => {
  expect(parsePitches(text).map(({ hz }) => hz)).toEqual(pitches)
})

test('what a typed pitch is worth, by its digits', () => {
  // Half a hertz at 200 Hz is 4.3 cents; a bare note is spread evenly over its half step: 100 / 12^0.5.
  expect(typedErrorCents('200', 200)).toBeCloseTo(4.32, 2)
  expect(typedErrorCents('200,0', 200)).toBeCloseTo(0.433, 3)
  expect(typedErrorCents('E3+20', 166)).toBe(0.5)
  expect(typedErrorCents('E3', 164.8)).toBeCloseTo(28.87, 2)
})
