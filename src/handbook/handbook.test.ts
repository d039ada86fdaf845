import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { CAUSES } from '@/core/fitting/causes'
import { COMPLAINTS } from '@/core/fitting/complaints'
import { AREA_IDS, AREAS, FINDINGS } from '@/core/fitting/lookOver'
import { QUESTIONS, type QuestionId } from '@/core/fitting/questions'
import { STEP_IDS } from '@/core/status/steps'
import { DRILL_IDS, LESSON_IDS } from '@/core/records/drill'
import { SLACK_SCHOOL_IDS } from '@/core/head/slackStart'
import { CHAPTERS } from './chapters'
import { ENTRIES, ENTRY_IDS, isEntry, READING_ORDER, type EntryId } from './entries'
import * as links from './links'
import { makeIndex, plainText, readIndex } from './search'
import { WORDS } from './words'

const FOLDER = join(process.cwd(), 'src/handbook/entries')
const textOf = (id: EntryId) => readFileSync(join(FOLDER, `${id}.mdx`), 'utf8')
const sources = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((each) =>
    each.isDirectory()
      ? sources(join(folder, each.name))
      : /\.tsx?$/.test(each.name) && !each.name.includes('.test.')
        ? [readFileSync(join(folder, each.name), 'utf8')]
        : [],
  )

test('every entry has its text, and every text its entry', () => {
  const files = readdirSync(FOLDER).map((name) => name.replace(/\.mdx$/, ''))
  expect(files.sort()).toEqual([...ENTRY_IDS].sort())
})

test.each(ENTRY_IDS)('%s: 60 to 200 words, a source, a chapter, ways on that exist', (id) => {
  const text = textOf(id)
  const words = plainText(text).split(' ').length
  expect(words).toBeGreaterThanOrEqual(60)
  expect(words).toBeLessThanOrEqual(200)
  expect(text).toMatch(/<Source>[\s\S]+<\/Source>/)
  expect(CHAPTERS).toHaveProperty(ENTRIES[id].chapter)
  expect(ENTRIES[id].see.length).toBeGreaterThan(0)
  for (const next of ENTRIES[id].see) expect(isEntry(next)).toBe(true)
  for (const [, named] of text.matchAll(/entry="([^"]+)"/g)) expect(isEntry(named)).toBe(true)
  // No exclamation marks, no praise: a tech's words.
  expect(text).not.toMatch(/!/)
})

test('what the app says is answered: every reason, verdict, finding, cause, complaint, step, drill and lesson has an entry', () => {
  const covers = (record: Record<string, string>, ids: readonly string[]) => {
    for (const id of ids) expect([id, isEntry(record[id] ?? null)]).toEqual([id, true])
  }
  covers(links.FINDING_ENTRY, Object.keys(FINDINGS))
  covers(links.CAUSE_ENTRY, Object.keys(CAUSES))
  covers(links.COMPLAINT_ENTRY, Object.keys(COMPLAINTS))
  covers(links.AREA_ENTRY, AREA_IDS)
  covers(links.STEP_ENTRY, STEP_IDS)
  covers(links.SLACK_ENTRY, SLACK_SCHOOL_IDS)
  covers(links.DRILL_ENTRY, DRILL_IDS)
  covers(links.LESSON_ENTRY, LESSON_IDS)
  // Every caution of the look-over leads on.
  covers(
    links.CAUTION_ENTRY as Record<string, string>,
    AREA_IDS.filter((id) => AREAS[id].caution),
  )
  const cautioned = (Object.keys(QUESTIONS) as QuestionId[]).filter((id) => QUESTIONS[id].caution)
  expect(cautioned.length).toBeGreaterThan(0)
  covers(links.QUESTION_CAUTION_ENTRY as Record<string, string>, cautioned)
  // The rest have no list at run time; their types are whole (a missing one does not compile), their links are not dead.
  for (const record of Object.values(links)) covers(record as Record<string, string>, Object.keys(record))
})

test('the reasons, refusals and verdicts that the core can give stand in the links, by the core’s own source', () => {
  const union = (file: string, name: string) => {
    const source = readFileSync(join(process.cwd(), 'src/core', file), 'utf8')
    const body = new RegExp(`export type ${name} =([\\s\\S]*?)\\n\\n`).exec(source)![1]
    return [...body.matchAll(/'([a-z0-9-]+)'/g)].map(([, word]) => word)
  }
  expect(union('evening/types.ts', 'Reason')).toHaveLength(8)
  for (const reason of union('evening/types.ts', 'Reason')) expect(links.REASON_ENTRY).toHaveProperty(reason)
  for (const verdict of union('measurement/types.ts', 'Verdict'))
    if (verdict !== 'ok') expect(links.TAP_ENTRY).toHaveProperty(verdict)
})

test('every setting of the settings’ place has its entry, and none is listed that is not there', () => {
  const settings = sources(join(process.cwd(), 'src/screens/settings')).join('\n')
  const titles = [...settings.matchAll(/<Setting(?:Part)?\s[^>]*?title="([^"]+)"/g)].map(([, title]) => title)
  expect(titles.length).toBeGreaterThan(10)
  expect([...new Set(titles)].sort()).toEqual(Object.keys(links.SETTING_ENTRY).sort())
})

test('no entry stands alone: the app or another entry leads to each', () => {
  const led = new Set<string>(READING_ORDER)
  for (const record of Object.values(links)) for (const id of Object.values(record)) led.add(id)
  for (const id of ENTRY_IDS) {
    for (const next of ENTRIES[id].see) led.add(next)
    for (const [, named] of textOf(id).matchAll(/entry="([^"]+)"/g)) led.add(named)
  }
  for (const text of sources(join(process.cwd(), 'src/screens')))
    for (const [, named] of text.matchAll(/entry="([^"]+)"/g)) {
      expect([named, isEntry(named)]).toEqual([named, true])
      led.add(named)
    }
  expect(ENTRY_IDS.filter((id) => !led.has(id))).toEqual([])
})

describe('search', () => {
  const search = readIndex(makeIndex(textOf))

  test.each([
    ['growls', 'growls'],
    ['grow', 'growls'],
    ['no turn helps', 'when-to-stop'],
    ['finger tight', 'finger-tight'],
    ['star', 'crosswise'],
    ['cardboard', 'over-muffled'],
    ['rim shots', 'near-rods'],
    ['wrinkls', 'wrinkles'],
    ['NIOSH', 'hearing'],
  ] as const)('"%s" finds %s among the first', (query, id) => {
    expect(search(query).slice(0, 3)).toContain(id)
  })

  test('a complaint in the app’s own words finds an entry of trouble', () => {
    for (const complaint of Object.values(COMPLAINTS)) {
      const first = search(complaint)[0]
      expect([complaint, first !== undefined]).toEqual([complaint, true])
    }
  })

  test('every entry is found by its title', () => {
    for (const id of ENTRY_IDS) expect(search(ENTRIES[id].title).slice(0, 3)).toContain(id)
  })

  test('what nobody wrote finds nothing', () => {
    expect(search('xylophonist')).toEqual([])
  })

  test('all words have an entry', () => {
    expect(Object.keys(WORDS).sort()).toEqual([...ENTRY_IDS].sort())
    expect(existsSync(FOLDER)).toBe(true)
  })
})
