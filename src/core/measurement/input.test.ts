import { inputAdvice } from './input'
import { lookAt } from './look'

test('advice on the input follows the taps, and the room where there are none', () => {
  expect(inputAdvice([], 0.001)).toBeNull()
  expect(inputAdvice([], 0.1)).toBe('noisy-room')
  expect(inputAdvice([0.99, 0.97, 0.4], 0.001)).toBe('too-loud')
  expect(inputAdvice([0.004, 0.01, 0.008], 0)).toBe('too-soft')
  expect(inputAdvice([0.3, 0.3, 0.3], 0.02)).toBe('noisy-room')
  expect(inputAdvice([0.3, 0.3, 0.3], 0.001)).toBeNull()
})

test.each([
  ['too-loud', [0.88], [0.92], 0.001],
  ['too-soft', [0.022], [0.018], 0],
] as const)('%s from its limit on', (advice, near, beyond, noise) => {
  expect(inputAdvice(near, noise)).toBeNull()
  expect(inputAdvice(beyond, noise)).toBe(advice)
})

test('a room is noisy from 30 dB under the taps on, and without taps from a fiftieth of full scale on', () => {
  expect([0.0145, 0.0155].map((noise) => inputAdvice([0.5], noise))).toEqual([null, 'noisy-room'])
  expect([0.019, 0.021].map((noise) => inputAdvice([], noise))).toEqual([null, 'noisy-room'])
})

test('the look of a tap: its loudest stretch after the stroke, its spectrum highest at its tone', () => {
  const rate = 44_100
  const samples = Float32Array.from({ length: rate }, (_, i) => {
    const t = i / rate - 0.3
    return t < 0 ? 0 : 0.5 * Math.exp(-t / 0.2) * Math.sin(2 * Math.PI * 231 * t)
  })
  const look = lookAt(samples, rate, 0.3)
  const loudest = look.wave.reduce((best, [, high], i) => (high > look.wave[best][1] ? i : best), 0)
  expect((loudest / look.wave.length) * look.seconds).toBeCloseTo(0.3, 1)
  const top = look.spectrumDb.indexOf(Math.max(...look.spectrumDb))
  expect(Math.abs(top * look.stepHz - 231)).toBeLessThan(1.5)
})
