import { expose } from 'comlink'
import { watched, WorkerLost } from './watched'

/** A worker in this thread, which can be told to fail. */
class StandIn extends EventTarget {
  readonly channel = new MessageChannel()
  ended = false

  constructor(how: 'well' | 'dead' | 'broken') {
    super()
    if (how === 'well')
      expose(
        {
          twice: (n: number) => 2 * n,
          fails: () => {
            throw new RangeError('not this number')
          },
        },
        this.channel.port2,
      )
    if (how === 'broken') setTimeout(() => this.dispatchEvent(new Event('error')), 1)
    this.channel.port1.onmessage = (event) => {
      if (!this.ended) this.dispatchEvent(new MessageEvent('message', { data: event.data }))
    }
  }

  postMessage(message: unknown, transfer: Transferable[] = []) {
    this.channel.port1.postMessage(message, transfer as never)
  }

  terminate() {
    this.ended = true
    this.channel.port1.close()
    this.channel.port2.close()
  }
}

interface Api {
  twice(n: number): number
  fails(): void
}

const open: StandIn[] = []
function withWorkers(...kinds: Array<'well' | 'dead' | 'broken'>) {
  const told: string[] = []
  let started = 0
  const api = watched<Api>(
    () => {
      const worker = new StandIn(kinds[Math.min(started++, kinds.length - 1)])
      open.push(worker)
      return worker as never
    },
    {
      deadlineMs: () => 60,
      onLost: () => told.push('lost'),
      onRestart: () => told.push('again'),
      onAnswer: () => told.push('answer'),
    },
  )
  return { api, told, started: () => started }
}
afterEach(() => open.splice(0).forEach((worker) => worker.terminate()))

test('a worker that answers is started once', async () => {
  const { api, told, started } = withWorkers('well')
  expect(await Promise.all([api.twice(2), api.twice(3)])).toEqual([4, 6])
  expect([started(), told]).toEqual([1, ['answer', 'answer']])
})

test.each(['dead', 'broken'] as const)('one that is %s is started anew, and asked again', async (how) => {
  const { api, told, started } = withWorkers(how, 'well')
  expect(await api.twice(2)).toBe(4)
  expect([started(), told]).toEqual([2, ['again', 'answer']])
  expect(await api.twice(5)).toBe(10)
  expect(started()).toBe(2)
})

test('one that fails twice is said to be lost; the next asking tries afresh', async () => {
  const { api, told, started } = withWorkers('dead', 'broken', 'well')
  await expect(api.twice(2)).rejects.toThrow(WorkerLost)
  expect(told).toEqual(['again', 'lost'])
  expect(await api.twice(2)).toBe(4)
  expect(started()).toBe(3)
})

test('killed in the middle: what waits is asked of the new one', async () => {
  const { api } = withWorkers('well', 'well')
  await api.twice(1)
  open[0].terminate()
  expect(await api.twice(4)).toBe(8)
})

test('what a method throws is its answer, not the worker’s end', async () => {
  const { api, told, started } = withWorkers('well')
  await expect(api.fails()).rejects.toThrow('not this number')
  expect([started(), told]).toEqual([1, []])
})
