import { times } from '@ref/long'
import 'fake-indexeddb/auto'
import { IDBFactory } from 'fake-indexeddb'
import { lugsThen } from '@/core/status/strokes'
import type { KitState } from '@/core/log/fold'
import { kitsFromLog } from '@/core/log/kitLog'
import { liveEvents } from '@/core/log/order'
import { packed } from '@/core/log/summary'
import { seededRandom } from '@/core/numeric/random'
import { writeKitFile } from '@/core/records/plain'
import { usualDrum } from '@/core/records/usualDrum'
import { ownGuard } from '@/storage/guard'
import { drillStore } from '@/storage/drillStore'
import { eventLog } from '@/storage/eventLog'
import { practiceStore } from '@/storage/practiceStore'
import { openHumbraDb, type Db } from '@/storage/schema'
import { settingsStore } from '@/storage/settingsStore'
import { summaryStore } from '@/storage/summaryStore'
import { takeStore } from '@/storage/takeStore'
import { decideImport, importKit, kitFileWithTakes } from './actions/files'
import { addDrum, chooseHead, makeKit, renameKit } from './actions/kits'
import { typeReading } from './actions/said'
import { keepKit } from './actions/sheets'
import { turnedOtherwise } from './actions/turning'
import { memorySession } from './memorySession'
import { Session } from './session'

/** Two tabs over one database, with the real database code; messages between them take a while, and so does the lock. */
class Browser {
  private readonly heard: Array<() => void> = []
  private readonly opened: Db[] = []
  private lock: Promise<unknown> = Promise.resolve()
  private readonly journal = new Map<string, object>()
  private ids = 0
  nowMs = Date.UTC(2026, 0, 5, 12)

  constructor(private readonly random: () => number) {
    globalThis.indexedDB = new IDBFactory()
  }

  async tab(): Promise<Session> {
    let db: Promise<Db> | null = null
    const open = () => (db ??= openHumbraDb().then((each) => (this.opened.push(each), each)))
    const { deps } = memorySession().session
    const session = new Session({
      ...deps,
      openStorage: () =>
        Promise.resolve({
          log: eventLog(open, ownGuard),
          practice: practiceStore(open, ownGuard),
          settings: settingsStore(open, ownGuard),
          takes: takeStore(open),
          summaries: summaryStore(open),
          drills: drillStore(open, ownGuard),
        }),
      journal: {
        keep: (entry) => this.journal.set(entry.name, structuredClone(entry)).size > 0,
        readAll: () => Promise.resolve({ acts: [...this.journal.values()] as never, damaged: [] }),
        text: () => null,
        drop: (names) => names.forEach((name) => this.journal.delete(name)),
      },
      exclusive: (task) => {
        const mine = this.lock.then(task)
        this.lock = mine.catch(() => undefined)
        return mine
      },
      announce: () => {
        const late = Math.floor(3 * this.random())
        setTimeout(() => this.heard.forEach((listener) => listener()), late)
      },
      onAnnounced: (listener) => void this.heard.push(listener),
      nowMs: () => (this.nowMs += 1000),
      newId: () => `id-${++this.ids}`,
    })
    await session.start(() => Promise.resolve())
    return session
  }

  close(): void {
    this.opened.forEach((db) => db.close())
  }
}

const quiet = async (tabs: readonly Session[]) => {
  for (let i = 0; i < 8; i++) {
    await new Promise((resolve) => setTimeout(resolve, 2))
    for (const tab of tabs) await tab.saved()
  }
}

const ACTS = [
  'reading',
  'reading',
  'reading',
  'turn',
  'undo',
  'undo',
  'redo',
  'rename',
  'sheet',
  'merge',
] as const

async function act(tab: Session, what: (typeof ACTS)[number], chance: number, file: string): Promise<void> {
  chooseHead(tab, 'rack', chance < 0.5 ? 'batter' : 'resonant')
  if (what === 'reading') typeReading(tab, 150 + Math.round(100 * chance) / 10)
  if (what === 'turn') turnedOtherwise(tab, [0.125, 0, 0, 0.125, 0, 0])
  if (what === 'undo') tab.undo()
  if (what === 'redo') tab.redo()
  if (what === 'rename') renameKit(tab, `Kit ${Math.round(1000 * chance)}`)
  if (what === 'sheet') keepKit(tab, 'Hall', `notes ${chance}`)
  if (what !== 'merge') return
  await importKit(tab, new File([file], 'kit.json'))
  await decideImport(tab, 'merge')
}

const ROUNDS = times(5, 100)
const STEPS = 10

test(`two tabs, ${ROUNDS} seeded interleavings: nothing lost, nothing doubled, both views right`, async () => {
  let acts = 0
  for (let seed = 1; seed <= ROUNDS; seed++) {
    const chance = seededRandom(seed)
    const browser = new Browser(() => chance.uniform())
    const one = await browser.tab()
    makeKit(one, 'House')
    addDrum(one, { ...usualDrum('tom', 12, 'rack'), name: 'Rack' })
    one.setSettings({ source: 'typed' })
    typeReading(one, 150)
    await one.saved()
    const file = writeKitFile(await kitFileWithTakes(one, one.kit()!.id))
    const two = await browser.tab()
    const tabs = [one, two]
    const made = new Set<string>()
    for (const tab of tabs) {
      const append = tab.appendEvents.bind(tab)
      tab.appendEvents = (events, undo) => {
        events.forEach(({ id }) => made.add(id))
        acts++
        append(events, undo)
      }
    }
    for (let step = 0; step < STEPS; step++) {
      const tab = tabs[chance.uniform() < 0.5 ? 0 : 1]
      await act(tab, ACTS[Math.floor(chance.uniform() * ACTS.length)], chance.uniform(), file)
      // Sometimes both act before either has heard of the other.
      if (chance.uniform() < 0.4) await new Promise((resolve) => setTimeout(resolve, 0))
    }
    await quiet(tabs)
    const fresh = await browser.tab()
    const logs = await Promise.all([...fresh.get().logs.keys()].map((id) => fresh.wholeLog(id)))
    const log = logs.flat()
    const ids = log.map(({ id }) => id)
    expect([seed, new Set(ids).size]).toEqual([seed, ids.length])
    for (const id of made) expect([seed, ids.includes(id)]).toEqual([seed, true])
    const seen = (kits: readonly KitState[]) =>
      [...kits].sort((a, b) => a.id.localeCompare(b.id)).map((kit) => packed(kit, lugsThen))
    const whole = seen(logs.flatMap((each) => kitsFromLog(each)))
    for (const tab of [...tabs, fresh]) expect([seed, seen(tab.get().kits)]).toEqual([seed, whole])
    expect(one.get().trouble).toBeNull()
    expect(liveEvents(log).length).toBeGreaterThan(2)
    browser.close()
  }
  expect(acts).toBeGreaterThan(ROUNDS * 3)
})

test('what one tab does the other shows, without a hand on it', async () => {
  const chance = seededRandom(1)
  const browser = new Browser(() => chance.uniform())
  const one = await browser.tab()
  makeKit(one, 'House')
  addDrum(one, { ...usualDrum('tom', 12, 'rack'), name: 'Rack' })
  await one.saved()
  const two = await browser.tab()
  renameKit(one, 'Hall')
  await quiet([one])
  for (let i = 0; i < 500 && two.kit()?.name !== 'Hall'; i++)
    await new Promise((done) => setTimeout(done, 10))
  expect(two.kit()?.name).toBe('Hall')
  browser.close()
})
