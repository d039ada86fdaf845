import { headLog, type KitState } from './fold'
import { kitsFromLog } from './kitLog'
import type { HumbraEvent } from '../records/event'
import { headAtHand, NO_DIAL, requestOf } from '../status/inputs'
import { climbOf, isPressOnly, settlingNow } from '../bench/climbing'
import { usualDrum } from '../records/usualDrum'
import { findingsOfHead, lookedAt, openFindings, openSearch } from './findings'

const START = Date.UTC(2026, 0, 5, 12)
type Draft<T> = T extends unknown ? Omit<T, 'id' | 'at' | 'kit' | 'schema' | 'source' | 'algorithm'> : never

/** A kit of one tom, and its events a second apart. */
function logOf(drafts: ReadonlyArray<Draft<HumbraEvent>>) {
  const all = [
    { kind: 'kitEdited', change: { what: 'kitMade', name: 'Kit', simulated: false } },
    { kind: 'kitEdited', change: { what: 'drumAdded', drum: usualDrum('tom', 12, 'd'), after: null } },
    ...drafts,
  ].map((draft, i) => ({
    ...{ id: `e${i - 2}`, at: new Date(START + 1000 * i).toISOString(), kit: 'k', schema: 3 },
    ...{ source: 'hand', algorithm: null },
    ...draft,
  })) as HumbraEvent[]
  const [kit] = kitsFromLog(all)
  return { kit, nowMs: START + 1000 * all.length, head: headLog(kit, 'd', 'batter', false) }
}
const handOf = (kit: KitState, nowMs: number) =>
  headAtHand({ ...{ kit, practice: false, nowMs }, gauge: NO_DIAL }, kit.drums[0], 'batter')
const batter = { drum: 'd', side: 'batter' as const }
const head = usualDrum('tom', 12, 'd').batter
const fitted = { kind: 'headFitted' as const, ...batter, head, sameFilm: true, markTurns: 0.25 }
const noted = (finding: 'worn' | 'stripped' | 'mount-dead', rods: number[] = []) => ({
  ...{ kind: 'findingNoted' as const, ...batter, finding, rods },
})
const read = (lug: number, hz: number) => ({
  ...{ kind: 'readingTaken' as const, ...batter, lug, hz, standardErrorHz: 0.1, poles: [] },
  ...{ otherHead: 'muted' as const, source: 'typed' as const },
})
const turned = (turns: number[]) => ({ kind: 'rodsTurned' as const, ...batter, turns, planned: turns })
const pressed = { kind: 'pressed' as const, ...batter }
const slack = { kind: 'slackStarted' as const, ...batter, school: 'rattle' as const }
const all = (turn: number) => new Array<number>(6).fill(turn)

test('a finding stands until it is cleared; what belongs to a film goes with the film', () => {
  const { kit } = logOf([
    noted('stripped', [3]),
    noted('worn'),
    noted('mount-dead'),
    fitted,
    { kind: 'findingCleared', ...batter, noted: 'e2' },
  ])
  expect(openFindings(kit, 'd', false).map(({ finding }) => finding)).toEqual(['stripped'])
  const before = logOf([noted('stripped', [3]), noted('worn'), noted('mount-dead')]).kit
  expect(openFindings(before, 'd', false).length).toBe(3)
  // The mount is the whole drum's, the thread and the film are the batter's.
  expect(findingsOfHead(openFindings(before, 'd', false), 'resonant').map(({ finding }) => finding)).toEqual([
    'mount-dead',
  ])
})

test('findings and searches open no sitting; they go into the request for the next pass', () => {
  const { kit, nowMs } = logOf([noted('stripped', [3]), noted('worn'), read(1, 150), read(2, 151)])
  expect(headLog(kit, 'd', 'batter', false).sittings.length).toBe(1)
  const request = requestOf(handOf(kit, nowMs), null, { open: false })
  expect(request).toMatchObject({ deadRods: [3], head: { worn: true } })
  expect(request.start).toBeUndefined()
})

test('what was looked at is remembered with its day', () => {
  const { kit } = logOf([
    { kind: 'lookedOver', ...batter, area: 'heads' },
    { kind: 'lookedOver', ...batter, area: 'hoop' },
  ])
  const seen = lookedAt(kit, 'd', 'batter', false)
  expect([...seen.keys()]).toEqual(['heads', 'hoop'])
  expect(seen.get('hoop')).toMatch(/^2026-01-05T12/)
})

test('a search keeps the newest answer to each question and ends with its conclusion', () => {
  const answer = (question: 'complaint' | 'feel', said: string | null, search = 's1') => ({
    ...{ kind: 'faultAnswered' as const, ...batter, search, question, answer: said },
  })
  const open = logOf([answer('complaint', 'buzz'), answer('feel', null), answer('complaint', 'uneven')]).kit
  expect(openSearch(open, 'd', 'batter', false)).toEqual({
    id: 's1',
    answers: [{ question: 'complaint', answer: 'uneven' }],
    passedOver: ['feel'],
  })
  expect(openSearch(open, 'd', 'resonant', false)).toBeNull()
  const ended = logOf([
    answer('complaint', 'buzz'),
    { kind: 'faultSearchEnded', ...batter, search: 's1', cause: 'loose-part' },
  ]).kit
  expect(openSearch(ended, 'd', 'batter', false)).toBeNull()
})

test('a slack start begins a sitting that knows its school, and the way up from it', () => {
  const { kit, nowMs } = logOf([read(1, 150), fitted, slack])
  const bench = handOf(kit, nowMs)
  expect(bench).toMatchObject({ markTurns: 0.25, sitting: { slack: 'rattle' } })
  const way = climbOf(bench, 180, 0.5)!
  expect(way.stage).toBe('turn')
  expect(climbOf(bench, null, 0.5)).toBeNull()
  const further = logOf([fitted, slack, turned(all(0.25))])
  const then = climbOf(handOf(further.kit, further.nowMs), 180, 0.5)!
  expect(then.turnsToGo).toBeCloseTo(way.turnsToGo - 0.25, 6)
  expect(then.nowHz).toBeGreaterThan(way.nowHz)
})

test('a press between two readings is a round of its own, and its fall is what the press took', () => {
  const { head: log } = logOf([
    ...[read(1, 150), read(2, 150.5), pressed],
    ...[read(1, 148.5), read(2, 149), pressed],
    ...[read(1, 148.4), read(2, 148.9)],
  ])
  const sitting = log.sittings[0].sitting(6)
  expect(sitting.passes.map(({ pressed: was, turns }) => [was, turns?.some((turn) => turn !== 0)])).toEqual([
    [false, false],
    [true, false],
    [true, undefined],
  ])
  expect(isPressOnly(sitting.passes[0], sitting.passes[1])).toBe(true)
  const settling = settlingNow(sitting)
  expect(settling.lastFellCents).toBeCloseTo(1.17, 1)
  expect(settling.settled).toBe(true)
})
