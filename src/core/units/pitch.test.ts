import fc from 'fast-check'
import { note as teoriaNote } from 'teoria'
import { centsBetween, hzToMidi, midiToHz, nearestNote, parseKey, parsePitch, shiftByCents } from './pitch'

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
  for (const wrong of ['', 'H2', 'A', '3', '9000', 'low']) expect(parsePitch(wrong)).toBeNull()
  const names = (key: string) => parseKey(key)?.map((hz) => nearestNote(hz).name.replace(/\d/, ''))
  expect(names('A major')).toEqual(['A', 'B', 'C#', 'D', 'E', 'F#', 'G#'])
  expect(names('e minor')).toEqual(['E', 'F#', 'G', 'A', 'B', 'C', 'D'])
  expect(names('A C# E')).toEqual(['A', 'C#', 'E'])
  for (const wrong of ['', 'loud', 'A big']) expect(parseKey(wrong)).toBeNull()
})
