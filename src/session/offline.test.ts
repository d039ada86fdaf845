import { takeNewVersion } from './offline'

/** How many things the page has asked for, by the time it is looked at, and what the waiting version was told. */
function page(askedAt: (ms: number) => number) {
  const told: string[] = []
  const waiting = { postMessage: (word: string) => told.push(word) }
  const serviceWorker = { getRegistration: () => Promise.resolve({ waiting }) }
  Object.defineProperty(globalThis, 'navigator', { value: { serviceWorker }, configurable: true })
  jest
    .spyOn(performance, 'getEntriesByType')
    .mockImplementation(() => Array.from({ length: askedAt(Date.now()) }) as never)
  return told
}

beforeEach(() => jest.useFakeTimers({ now: 0 }))
afterEach(() => {
  jest.useRealTimers()
  jest.restoreAllMocks()
})

test('a newer version takes over once the page has asked for nothing for a moment', async () => {
  const told = page((ms) => Math.min(10, Math.ceil(ms / 300)))
  void takeNewVersion()
  // Everything is there after 2.7 s.
  await jest.advanceTimersByTimeAsync(2700)
  expect(told).toEqual([])
  await jest.advanceTimersByTimeAsync(1500)
  expect(told).toEqual(['take over'])
})

test('a page that never rests does not keep it waiting for long', async () => {
  const told = page((ms) => ms)
  void takeNewVersion()
  await jest.advanceTimersByTimeAsync(8000)
  expect(told).toEqual(['take over'])
})
