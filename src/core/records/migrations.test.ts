import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { kitsFromLog } from '../log/kitLog'
import { deriveAll } from '../runs/derive'
import { eventSchema } from './event'
import { SCHEMA_VERSION } from './plain'
import { readKitFile } from './kitFile'
import { MIGRATIONS, migrateEvent } from './migrations'

/**
 * Files of every old form. Forms 1 and 4 to 8 were written by the code of their time; that of 2 and 3 is in no commit, and their
 * files were made from form 1 by what those forms added.
 */
const FORMS = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11]
const textOf = (form: number) => readFileSync(join(__dirname, 'fixtures', `form${form}.json`), 'utf8')

test('there is a file for every old form, and a step from each', () => {
  expect(FORMS.length).toBe(SCHEMA_VERSION - 1)
  expect(MIGRATIONS.length).toBe(SCHEMA_VERSION - 1)
})

test.each(FORMS)('a file of form %i is read, and is one of today', (form) => {
  const raw = JSON.parse(textOf(form)) as { schema: number; events: unknown[] }
  expect(raw.schema).toBe(form)
  const read = readKitFile(textOf(form))
  if (!read.ok) throw new Error(read.why)
  expect(read.file.schema).toBe(SCHEMA_VERSION)
  expect(read.file.events.length).toBe(raw.events.length)
  expect(new Set(read.file.events.map(({ schema }) => schema))).toEqual(new Set([SCHEMA_VERSION]))
  const [kit] = kitsFromLog(read.file.events)
  expect(kit.drums.length).toBeGreaterThan(0)
  expect(deriveAll(read.file.events, Date.parse(read.file.events.at(-1)!.at))).toBeGreaterThan(0)
})

test.each(FORMS)('the log takes its events of form %i by the same steps', (form) => {
  const { events } = JSON.parse(textOf(form)) as { events: Array<{ schema: number }> }
  for (const event of events) {
    const now = eventSchema.parse(migrateEvent(event))
    expect(now).toEqual({ ...event, schema: SCHEMA_VERSION })
  }
})

test('each step leads from its form to the next, and no event is told from what it is', () => {
  MIGRATIONS.forEach((step, i) => expect(step({ schema: i + 1, kind: 'pressed' }).schema).toBe(i + 2))
  for (const odd of [null, 3, 'x', {}, { schema: 'new' }, { schema: 1.5 }, { schema: 0 }, { schema: 99 }])
    expect(migrateEvent(odd)).toEqual(odd)
})

test('entries of one moment keep the order of an old file; a kit is made before anything is done to it', () => {
  const raw = JSON.parse(textOf(11)) as { events: Array<Record<string, unknown>> }
  const { at } = raw.events[0]
  const of = (kind: string) => raw.events.find(({ change }) => (change as { what?: string })?.what === kind)!
  const { change, ...added } = of('drumAdded') as Record<string, unknown> & { change: { drum: object } }
  const names = ['first', 'second', 'third']
  const drums = names.map((id) => ({ ...added, change: { ...change, drum: { ...change.drum, id } } }))
  // Ids that would put them in another order, all of one moment, the kit made last.
  const events = [...drums, of('kitMade')].map((event, i) => ({ ...event, at, id: `z${9 - i}` }))
  const read = readKitFile(JSON.stringify({ ...raw, events, practice: [] }))
  if (!read.ok) throw new Error(read.why)
  const inTurn = [read.file.events, [...read.file.events].reverse()]
  for (const log of inTurn) expect(kitsFromLog(log)[0].drums.map(({ id }) => id)).toEqual(names)
})
