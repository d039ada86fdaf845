import { playInTurn } from './sequence'

const RATE_HZ = 48_000

const started: number[] = []
const stopped: number[] = []

/** A browser's sound that notes what it is asked for; the page has one context for good. */
function fakeSound() {
  started.length = 0
  stopped.length = 0
  class FakeContext {
    currentTime = 10
    destination = {}
    resume = () => Promise.resolve()
    createBuffer = (_channels: number, length: number) => ({ length, copyToChannel: () => undefined })
    createBufferSource = () => ({
      buffer: null,
      connect: () => undefined,
      start: (at: number) => started.push(at),
      stop: () => stopped.push(1),
    })
  }
  Object.assign(globalThis, { AudioContext: FakeContext })
}

const sounds = [new Float32Array(RATE_HZ), new Float32Array(RATE_HZ / 2)]

test('without a context nothing is played, and that is told', () => {
  expect(playInTurn(sounds, RATE_HZ, 0.3, () => undefined)).toBeNull()
})

test('sounds follow one another with the pause between; each is named as it begins, and the end', async () => {
  jest.useFakeTimers()
  fakeSound()
  const heard: Array<number | null> = []
  const playing = playInTurn(sounds, RATE_HZ, 0.3, (place) => heard.push(place))!
  expect(started[1] - started[0]).toBeCloseTo(1 + 0.3, 6)
  jest.advanceTimersByTime(1000)
  expect(heard).toEqual([0])
  jest.advanceTimersByTime(500)
  expect(heard).toEqual([0, 1])
  jest.advanceTimersByTime(1000)
  await playing.done
  expect(heard).toEqual([0, 1, null])
  jest.useRealTimers()
})

test('stopped in the middle nothing more is named', async () => {
  jest.useFakeTimers()
  fakeSound()
  const heard: Array<number | null> = []
  const playing = playInTurn(sounds, RATE_HZ, 0.3, (place) => heard.push(place))!
  jest.advanceTimersByTime(200)
  playing.stop()
  await playing.done
  jest.advanceTimersByTime(5000)
  expect(heard).toEqual([0, null])
  expect(stopped).toHaveLength(2)
  jest.useRealTimers()
})
