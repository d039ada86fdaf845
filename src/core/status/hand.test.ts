import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { kitsFromLog } from '../log/kitLog'
import type { HumbraEvent } from '../records/event'
import { readKitFile } from '../records/kitFile'
import { usualDrum } from '../records/usualDrum'
import { drumStanding } from '../sheets/compare'
import { drumStatus, headIn } from './drum'
import { NO_DIAL, type Here } from './inputs'
import { drumJob } from './line'
import { nextOfHead } from './next'
import { worklist } from './worklist'

const START = Date.UTC(2026, 3, 2, 18)
const HOUR_MS = 3_600_000
const drum = { ...usualDrum('tom', 12, 'd'), lugs: 6 }

/** A kit with one tom, and what was done at its batter, each so many hours after the start. */
function hereOf(done: ReadonlyArray<readonly [hours: number, event: object]>, atHours: number): Here {
  const made: Array<readonly [number, object]> = [
    [0, { kind: 'kitEdited', change: { what: 'kitMade', name: 'Own', simulated: false } }],
    [0, { kind: 'kitEdited', change: { what: 'drumAdded', drum, after: null } }],
    ...done,
  ]
  const log = made.map(([hours, event], i) => ({
    ...{ id: `e${i}`, at: new Date(START + hours * HOUR_MS + 1000 * i).toISOString(), kit: 'k', schema: 11 },
    ...{ source: 'hand', algorithm: null, drum: 'd', side: 'batter' },
    ...event,
  })) as unknown as HumbraEvent[]
  return {
    kit: kitsFromLog(log)[0],
    practice: false,
    nowMs: START + atHours * HOUR_MS + 60_000,
    gauge: NO_DIAL,
  }
}
const dials = (hours: number, values: readonly number[]) =>
  values.map((dial, i) => [hours, { kind: 'gaugeRead', lug: i + 1, dial, source: 'gauge' }] as const)
const kept = (hours: number, hand: object) =>
  [hours, { kind: 'sheetKept', sheet: 's', name: 'Hall', target: null, hand }] as const
const work = (here: Here) => worklist({ ...here, sheet: here.kit.sheets[0], keys: 2 })[0]

test('a head known by its dial alone: kept so, out until its dials are read again, there where they are alike', () => {
  const first = dials(0, [74, 74, 75, 74, 74, 75])
  const now = hereOf(first, 0)
  expect(headIn(now, drum, 'batter')).toMatchObject({
    ...{ verdict: 'even-pitch-unknown', pitch: { known: 'unknown', hz: null }, evenness: { known: 'dial' } },
    hand: { dials: [74, 74, 75, 74, 74, 75] },
  })
  const says = drumStanding(now, drum)
  expect(says).toMatchObject({ batter: null, hand: { batter: { dials: [74, 74, 75, 74, 74, 75] } } })
  const keeping = [...first, kept(0, says.hand!.batter!)]
  expect(drumJob(hereOf(keeping, 0), drum, 'batter').kept).toBe('as-kept')
  // A week later nobody knows; the run wants it looked at.
  expect(work(hereOf(keeping, 168))).toMatchObject({ target: null, known: false, out: 1 })
  const again = hereOf([...keeping, ...dials(168, [74, 74, 75, 74, 74, 74])], 168)
  expect(work(again)).toMatchObject({ known: true, out: 0 })
  expect(nextOfHead(headIn(again, drum, 'batter'))).toBeNull()
  const moved = hereOf([...keeping, ...dials(168, [74, 70, 75, 74, 74, 75])], 168)
  expect(work(moved)).toMatchObject({ known: true, out: 1 })
  expect(drumJob(moved, drum, 'batter').kept).toBe('differs')
})

test('what dial or ear say today is not outvoted by the pitch of another day', () => {
  const read = [170, 170, 170, 170, 170, 170].map(
    (hz, i) =>
      [
        0,
        { kind: 'readingTaken', lug: i + 1, hz, standardErrorHz: 0.1, otherHead: 'muted', poles: [] },
      ] as const,
  )
  const byDial = headIn(hereOf([...read, ...dials(200, [66, 70, 74, 66, 70, 74])], 200), drum, 'batter')
  expect(byDial).toMatchObject({
    verdict: 'uneven',
    evenness: { known: 'dial' },
    pitch: { known: 'unknown' },
  })
  const words = ['much-higher', 'alike', 'higher', 'much-higher', 'alike'].map(
    (word, i) => [200, { kind: 'earHeard', lug: i + 2, word, reference: 1, source: 'ear' }] as const,
  )
  const byEar = headIn(hereOf([...read, ...words], 200), drum, 'batter')
  expect(byEar).toMatchObject({ verdict: 'uneven', evenness: { known: 'ear' } })
})

test('by ear, and by turns from slack, a head is found again by the same', () => {
  const heard = (hours: number, word: string) =>
    [2, 3, 4, 5, 6].map(
      (lug) => [hours, { kind: 'earHeard', lug, word, reference: 1, source: 'ear' }] as const,
    )
  const byEar = [...heard(0, 'alike'), kept(0, { ear: true })]
  expect(headIn(hereOf(byEar, 0), drum, 'batter').hand).toEqual({ ear: true })
  expect(work(hereOf([...byEar, ...heard(200, 'alike')], 200))).toMatchObject({ known: true, out: 0 })
  expect(work(hereOf([...byEar, ...heard(200, 'much-higher')], 200))).toMatchObject({ known: false, out: 1 })

  const up = (hours: number, turns: number) =>
    [
      [hours, { kind: 'slackStarted', school: 'fingers' }],
      [hours, { kind: 'rodsTurned', turns: new Array<number>(6).fill(turns), planned: null }],
    ] as const
  const recipe = hereOf(up(0, 1.25), 0)
  expect(headIn(recipe, drum, 'batter').hand).toEqual({ slackTurns: new Array<number>(6).fill(1.25) })
  const byTurns = [...up(0, 1.25), kept(0, { slackTurns: new Array<number>(6).fill(1.25) })]
  expect(work(hereOf([...byTurns, ...up(200, 1.25)], 200))).toMatchObject({ known: true, out: 0 })
  expect(work(hereOf([...byTurns, ...up(200, 1)], 200))).toMatchObject({ known: true, out: 1 })
})

test('a target from one number says that its evenness was not read', () => {
  const here = hereOf([[0, { kind: 'headRead', hz: 150, standardErrorHz: 0.5, source: 'typed' }]], 0)
  expect(drumStanding(here, drum).batter).toMatchObject({
    meanHz: expect.closeTo(150, 3) as number,
    evenness: 'unread',
  })
})

test('what lay on the drum at a stroke is said afterwards, of that stroke alone', () => {
  const stroke = [0, { kind: 'centreRead', hz: 110, standardErrorHz: 0.2, decaySeconds: 0.3 }] as const
  const layersOf = (here: Here) => drumStatus(here, drum).pair.strokes.map(({ layers }) => layers)
  const later = [0, { kind: 'dampingSet', layers: ['padOne'] }] as const
  expect(layersOf(hereOf([stroke, later, stroke], 0))).toEqual([[], ['padOne']])
  // Events are e0, e1 of the kit, then these.
  const said = [0, { kind: 'strokeMuffled', stroke: 'e2', layers: ['padOne'] }] as const
  expect(layersOf(hereOf([stroke, later, stroke, said], 0))).toEqual([['padOne'], ['padOne']])
})

test('the file of today’s form holds all of it', () => {
  const text = readFileSync(join(__dirname, '../records/fixtures/form11.json'), 'utf8')
  const read = readKitFile(text)
  if (!read.ok) throw new Error(read.why)
  const [kit] = kitsFromLog(read.file.events)
  const says = kit.sheets[0].versions.at(-1)!.drums.get('d')!
  expect(says).toMatchObject({
    ...{ batter: null, resonant: { evenness: 'unread' } },
    hand: { batter: { dials: [74, null, 75, 74, 74, 75], ear: true } },
  })
  expect(says.hand!.resonant).toBeUndefined()
})
