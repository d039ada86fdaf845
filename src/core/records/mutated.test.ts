import { times } from '@ref/long'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { seededRandom } from '../numeric/random'
import { deriveAll } from '../runs/derive'
import { readKitFile } from './kitFile'

/** Values that a damaged or a hostile file may hold anywhere. */
const ODD: unknown[] = [
  ...[0, -1, 1, 3, 0.5, 24, 25, 1e9, -1e9, 1e308, 5e-324, Number.MAX_SAFE_INTEGER],
  ...['', 'x', '=1+1', 'constructor', '__proto__', '2026-02-30', '9999-12-31T23:59:59.999Z', '\u0000'],
  ...[null, true, false, [], {}, [[]], [0, 0, 0], [1e9], { what: 'kitMade' }],
]

const MUTATIONS = times(60, 1500)
const BASES = ['form4', 'form5'].map((name) =>
  JSON.stringify(oneDrum(readFileSync(join(__dirname, 'fixtures', `${name}.json`), 'utf8'))),
)

/** One drum of a file and what was said of it: enough for every kind of event, quick to work out thousands of times. */
function oneDrum(text: string): object {
  const file = JSON.parse(text) as { events: Array<Record<string, unknown>> }
  const added = file.events.filter(({ change }) => (change as { what?: string })?.what === 'drumAdded')
  const [, ...others] = added
  const rest = others.map(({ change }) => (change as { drum: { id: string } }).drum.id)
  return {
    ...file,
    events: file.events.filter((event) => !others.includes(event) && !rest.includes(event.drum as string)),
  }
}

type Node = Record<string, unknown> | unknown[]
const isNode = (value: unknown): value is Node => typeof value === 'object' && value !== null

/** Changes one place of a file, or the order, number or ids of its events. */
function mutate(file: { events: unknown[] }, chance: () => number): void {
  if (!Array.isArray(file.events) || file.events.length === 0) return
  const pick = <T>(list: readonly T[]) => list[Math.floor(chance() * list.length)]
  const [i, k] = [0, 0].map(() => Math.floor(chance() * file.events.length))
  const how = chance()
  if (how < 0.05) return void file.events.splice(i, 1)
  if (how < 0.1) return void file.events.splice(i, 0, structuredClone(file.events[k]))
  if (how < 0.25) return void ([file.events[i], file.events[k]] = [file.events[k], file.events[i]])
  let node: Node = how < 0.9 ? (file.events[i] as Node) : (file as unknown as Node)
  while (isNode(node)) {
    const keys = Object.keys(node)
    if (keys.length === 0) return
    const key = pick(keys) as keyof Node
    const value: unknown = node[key]
    if (isNode(value) && chance() < 0.7) {
      node = value
      continue
    }
    // Half of them within what a file may well say: the arithmetic behind the parser is to be tried too.
    if (typeof value === 'number' && chance() < 0.8)
      node[key] = (
        Number.isInteger(value) ? 1 + Math.floor(12 * chance()) : value * (0.5 + chance())
      ) as never
    else if (chance() < 0.1) delete node[key]
    else node[key] = structuredClone(pick(ODD)) as never
    return
  }
}

test(`${MUTATIONS} mutated kit files: each is refused in a sentence, or all that the app works out of it works`, () => {
  let taken = 0
  let refused = 0
  const before = process.memoryUsage().heapUsed
  for (let seed = 1; seed <= MUTATIONS; seed++) {
    const random = seededRandom(seed)
    const chance = () => random.uniform()
    const file = JSON.parse(BASES[seed % BASES.length]) as { events: unknown[] }
    const times = 1 + Math.floor(3 * chance())
    for (let i = 0; i < times; i++) mutate(file, chance)
    const result = readKitFile(JSON.stringify(file))
    if (!result.ok) {
      refused++
      expect([seed, result.why]).toEqual([seed, expect.stringMatching(/^[A-Z].*\. Nothing was changed\.$/)])
      continue
    }
    taken++
    try {
      deriveAll(result.file.events, Date.UTC(2026, 0, 6))
    } catch (error) {
      throw new Error(`seed ${seed}: ${(error as Error).stack}`)
    }
  }
  expect(taken).toBeGreaterThan(MUTATIONS / 8)
  expect(refused).toBeGreaterThan(MUTATIONS / 4)
  expect(process.memoryUsage().heapUsed - before).toBeLessThan(400 * 2 ** 20)
})
