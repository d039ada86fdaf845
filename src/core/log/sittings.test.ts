import { roundsOf } from './rounds'
import type { HeadEvent, HumbraEvent } from '../records/event'
import { isRead, SITTING_GAP_MS } from './sittings'
import { headLog, withEvent } from './fold'
import { sittingsOf } from './testLog'

/** What people do at a head, event by event, and the rounds that the estimate gets of it. */
const START = Date.UTC(2026, 4, 4, 19)
const LUGS = 6
type Body = HeadEvent extends infer E
  ? E extends HeadEvent
    ? Omit<E, 'id' | 'at' | 'kit' | 'schema' | 'source' | 'algorithm' | 'drum' | 'side'> & {
        at?: number
        source?: HeadEvent['source']
      }
    : never
  : never

function told(...bodies: Body[]): HeadEvent[] {
  return bodies.map(({ at, source = 'typed', ...body }, i) => ({
    ...{ id: `e${i + 1}`, at: new Date(START + (at ?? i * 1000)).toISOString(), kit: 'k', schema: 5 },
    ...{ source, algorithm: null, drum: 'd', side: 'batter' as const },
    ...body,
  })) as HeadEvent[]
}
const tap = (lug: number, hz: number, change: object = {}): Body => ({
  ...{ kind: 'readingTaken', lug, hz, standardErrorHz: 0.2, poles: [], otherHead: 'muted' },
  ...change,
})
const turn = (turns: number[], planned: number[] | null = turns): Body => ({
  kind: 'rodsTurned',
  turns,
  planned,
})
const PRESS: Body = { kind: 'pressed' }
const AGAIN: Body = { kind: 'roundStarted' }
const UP = [0.125, 0, 0, 0.125, 0, 0]
const only = (...bodies: Body[]) => {
  const sittings = sittingsOf(told(...bodies), LUGS)
  expect(sittings.length).toBe(1)
  return sittings[0]
}
const rounds = (...bodies: Body[]) => roundsOf(only(...bodies), LUGS, false)
const read = (hz: Array<number | null>) =>
  hz.map((value) => (value === null ? null : expect.closeTo(value, 6)))

test('moves of one plan are one pass; readings behind them begin the next, pressed or not', () => {
  const found = rounds(tap(1, 150), turn(UP), turn([0, 0.25, 0, 0, 0, 0]), tap(1, 155))
  expect(found.map(({ turns, pressed }) => ({ turns, pressed }))).toEqual([
    { turns: [0.125, 0.25, 0, 0.125, 0, 0], pressed: false },
    { turns: undefined, pressed: false },
  ])
  expect(rounds(tap(1, 150), turn(UP), PRESS, tap(1, 155))[1].pressed).toBe(true)
  // Pressed, and then one more turn: that one is not pressed.
  expect(rounds(tap(1, 150), turn(UP), PRESS, turn(UP), tap(1, 155))[1].pressed).toBe(false)
})

test('a turn that was not the plan’s ends the plan at once: what is left is planned from where the rods stand', () => {
  const sitting = only(tap(1, 150), turn([0, 0.125, 0, 0, 0, 0], UP))
  expect(sitting.passes.map(({ replanned, turns }) => ({ replanned, turns }))).toEqual([
    { replanned: false, turns: [0, 0.125, 0, 0, 0, 0] },
    { replanned: true, turns: null },
  ])
  expect(sitting.passes[0].planned).toEqual(UP)
  // Nothing of it is left out of the plan's own rounds: the turn counts, though nothing was read behind it yet.
  expect(roundsOf(sitting, LUGS, false)[0].turns).toEqual([0, 0.125, 0, 0, 0, 0])
  const later = only(tap(1, 150), turn([0, 0.125, 0, 0, 0, 0], UP), PRESS, tap(1, 152))
  expect(later.passes.length).toBe(2)
  expect(later.passes[1]).toMatchObject({ replanned: false, pressed: true })
  // So does a turn that nothing asked for.
  expect(only(tap(1, 150), turn(UP, null)).passes.map(({ replanned }) => replanned)).toEqual([false, true])
})

test('read anew, or pressed between two readings: a round in which nothing was turned', () => {
  for (const between of [AGAIN, PRESS]) {
    const found = rounds(tap(1, 150), between, tap(1, 150.4))
    expect(found.length).toBe(2)
    expect(found[0].turns).toEqual([0, 0, 0, 0, 0, 0])
    expect(found.map(({ readingsHz }) => readingsHz![0])).toEqual(read([150, 150.4]))
  }
  // Before anything was read there is nothing to begin anew.
  expect(rounds(AGAIN, tap(1, 150)).length).toBe(1)
  expect(rounds(PRESS, tap(1, 150)).length).toBe(1)
})

test('a lug tapped twice within a round is one reading, and came again; so is what the user says stands', () => {
  const [round] = rounds(tap(2, 150), tap(2, 150.1), tap(3, 151))
  expect(round.readingsHz!.map((hz) => hz !== null)).toEqual([false, true, true, false, false, false])
  expect(round.confirmed).toEqual([2])
  expect(round.readingErrorsCents![1]!).toBeLessThan(round.readingErrorsCents![2]!)
  const [believed] = rounds(tap(2, 150), tap(3, 170), { kind: 'readingsBelieved', lugs: [3, 9] })
  expect(believed.confirmed).toEqual([3])
  expect(only(tap(2, 150), { kind: 'readingsBelieved', lugs: [] }).lugByLug).toBe(true)
})

test('numbers stay bare, each with its own error; taps with poles go as poles, carried to the lug’s pitch', () => {
  const poles = [
    { hz: 148, levelDb: -3, standardErrorHz: 0.1 },
    { hz: 152, levelDb: 0, standardErrorHz: 0.1 },
  ]
  const [round] = rounds(
    tap(1, 150, { standardErrorHz: 0.5 }),
    tap(2, 151, { poles, source: 'microphone', mic: 'standing' }),
    tap(3, 152, { poles: poles.slice(1), source: 'microphone' }),
  )
  expect(round.readingsHz).toEqual([expect.closeTo(150, 9), null, null, null, null, null])
  // 0.5 Hz of 150 is 5.77 cents, and no two taps are alike to within 1.
  expect(round.readingErrorsCents![0]).toBeCloseTo(Math.hypot(5.77, 1), 2)
  expect(round.readings!.map(({ lug, modes }) => ({ lug, hz: modes.map(({ hz }) => hz) }))).toEqual([
    { lug: 2, hz: read([148, 152]) },
    { lug: 3, hz: read([152]) },
  ])
  expect(round.mic).toBe('standing')
})

test('dials, hand, ear and one number for the head go as they are; a lug beyond the drum’s is nobody’s', () => {
  const [round] = rounds(
    { kind: 'gaugeRead', lug: 2, dial: 70 },
    { kind: 'gaugeRead', lug: 2, dial: 72 },
    { kind: 'rodsFelt', feel: ['loose', null, null, null, null, null] },
    { kind: 'rodsFelt', feel: [null, 'tight', null, null, null, null] },
    { kind: 'earHeard', lug: 2, word: 'higher', reference: 1 },
    { kind: 'headRead', hz: 150, standardErrorHz: 1.5 },
    tap(9, 180),
  )
  expect(round).toMatchObject({
    gauge: [null, 72, null, null, null, null],
    feel: ['loose', 'tight', null, null, null, null],
    ear: [null, 'higher', null, null, null, null],
    earReference: 1,
    wholeHz: 150,
  })
  expect(round.wholeErrorCents).toBeCloseTo(17.3, 1)
  expect(round.readings ?? round.readingsHz).toBeUndefined()
  // Words against another lug are about another pitch: those before go.
  const [again] = rounds(
    { kind: 'earHeard', lug: 2, word: 'higher', reference: 1 },
    { kind: 'earHeard', lug: 3, word: 'lower', reference: 4 },
  )
  expect(again).toMatchObject({ ear: [null, null, 'lower', null, null, null], earReference: 4 })
})

test('whatever was read counts as read', () => {
  const bodies: Body[] = [
    tap(1, 150),
    { kind: 'gaugeRead', lug: 1, dial: 70 },
    { kind: 'earHeard', lug: 2, word: 'alike', reference: 1 },
    { kind: 'headRead', hz: 150, standardErrorHz: 1 },
  ]
  for (const body of bodies) expect(isRead(only(body).passes[0])).toBe(true)
  expect(isRead(only({ kind: 'rodsFelt', feel: ['loose', null, null, null, null, null] }).passes[0])).toBe(
    false,
  )
})

test('the other head: told before readings it holds from there, told behind turns from the next round on', () => {
  const free: Body = { kind: 'otherHeadSet', state: 'free' }
  expect(rounds(free, { kind: 'gaugeRead', lug: 1, dial: 70 })[0].otherHead).toBe('free')
  const states = rounds({ kind: 'headRead', hz: 150, standardErrorHz: 1 }, turn(UP), free, {
    kind: 'headRead',
    hz: 155,
    standardErrorHz: 1,
  })
  expect(states.map(({ otherHead }) => otherHead)).toEqual(['muted', 'free'])
  expect(rounds(free, tap(1, 150))[0].otherHead).toBe('muted')
})

test('sittings: a pause of three hours, a start from slack, a sitting begun by hand; empty ones are none', () => {
  const count = (...bodies: Body[]) => sittingsOf(told(...bodies), LUGS).length
  expect(count(tap(1, 150), { ...tap(1, 151), at: SITTING_GAP_MS })).toBe(1)
  expect(count(tap(1, 150), { ...tap(1, 151), at: SITTING_GAP_MS + 1 })).toBe(2)
  expect(SITTING_GAP_MS).toBe(3 * 3600 * 1000)
  expect(count(tap(1, 150), { kind: 'sittingStarted' }, tap(1, 151))).toBe(2)
  const [, slack] = sittingsOf(told(tap(1, 150), { kind: 'slackStarted', school: 'fingers' }, turn(UP)), LUGS)
  expect(slack.slack).toBe('fingers')
  // Pressed alone, long ago: no sitting to learn from.
  expect(count(PRESS, { ...tap(1, 150), at: 2 * SITTING_GAP_MS })).toBe(1)
})

test('a pass under way: without its turns for the plan, with them for the forecast', () => {
  const sitting = only(tap(1, 150), turn(UP))
  expect(roundsOf(sitting, LUGS, false).map(({ turns }) => turns)).toEqual([undefined])
  expect(roundsOf(sitting, LUGS, true)).toMatchObject([{ turns: UP }, { pressed: false }])
  expect(roundsOf(only(tap(1, 150), turn(UP), PRESS), LUGS, true).at(-1)).toEqual({ pressed: true })
})

test('practice and real are two stories, but for a kit that is made up as a whole', () => {
  const events = told(tap(1, 150, { source: 'practice' }), tap(2, 160), tap(3, 170, { source: 'gauge' }))
  const lugs = (practice: boolean, simulated: boolean) => {
    const change = { what: 'kitMade' as const, name: 'Kit', simulated }
    const made = { ...events[0], kind: 'kitEdited', id: 'made', change } as HumbraEvent
    const [{ drum, side }] = events
    const kit = [made, ...events].reduce(withEvent, null)!
    return [...headLog(kit, drum, side, practice).sittings[0].sitting(LUGS).passes[0].readings.keys()]
  }
  expect(lugs(true, false)).toEqual([1])
  expect(lugs(false, false)).toEqual([2, 3])
  expect(lugs(false, true)).toEqual([1, 2, 3])
})
