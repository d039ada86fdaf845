import { usualDrum } from '@/core/records/usualDrum'
import { openSearch } from '@/core/log/findings'
import { aimAbove, headIsOn, slackened } from './actions/fitting'
import { answerFault, areaSeen, clearFinding, endFaultSearch, noteFinding } from './actions/findings'
import { addDrum, chooseHead, makeKit } from './actions/kits'
import { currentView } from './currentView'
import { typeReading } from './actions/said'
import { moveOn, pressed, turned, turnedAll, turnedOtherwise } from './actions/turning'
import { watchAdvice } from './adviceWatch'
import { climbFromSlack } from './fitView'
import { evidenceOf as evidence } from '@/core/bench/evidence'
import { kitStatus } from '@/core/status/kit'
import { hereOf } from './here'
import { testSession } from './testSession'

const settle = async () => {
  for (let i = 0; i < 12; i++) await Promise.resolve()
}

async function withTom() {
  const bench = testSession()
  const { session } = bench
  await session.start(() => Promise.resolve())
  watchAdvice(session)
  makeKit(session, 'Test kit')
  addDrum(session, usualDrum('tom', 12, 'tom'))
  session.setSettings({ source: 'typed', keys: 2, largestStepTurns: 0.5 })
  chooseHead(session, 'tom', 'batter')
  return bench
}
const view = (session: Awaited<ReturnType<typeof withTom>>['session']) => currentView(session)!

async function withFreshHead() {
  const bench = await withTom()
  const { session } = bench
  const head = { ...view(session).drum.batter, pliesMils: [10] }
  headIsOn(session, { head, markTurns: 0.25, school: 'rattle' })
  return bench
}

const evidenceOf = ({ here, head, advice }: NonNullable<ReturnType<typeof currentView>>) =>
  evidence({ here, head, plan: advice?.plan ?? null })

test('a head is fitted: up from slack by rounds, a check, press, evening, and pressed until it has settled', async () => {
  const { session } = await withFreshHead()
  expect(view(session)).toMatchObject({ phase: 'climb', drum: { batter: { pliesMils: [10] } } })
  expect(session.get().settings.slackSchool).toBe('rattle')
  // Nothing was aimed at: the head goes to what is usual for its size.
  const target = view(session).request.target
  expect('hz' in target && target.hz).toBeGreaterThan(150)
  const targetHz = 'hz' in target ? target.hz : 0

  let rounds = 0
  for (; view(session).phase === 'climb' && rounds < 8; rounds++) turned(session)
  expect(rounds).toBeGreaterThan(0)
  expect(view(session)).toMatchObject({ phase: 'read', lugsWanted: 2, climb: { stage: 'check' } })
  const expected = view(session).climb!.nowHz
  typeReading(session, 0.9 * expected)
  expect(view(session).phase).toBe('read')
  typeReading(session, 0.9 * expected)
  expect(view(session).phase).toBe('climb')
  // It read low: there is more to go than there was.
  expect(view(session).climb!.nowHz).toBeLessThan(expected)
  for (let i = 0; view(session).climb!.stage !== 'there' && i < 8; i++) {
    if (view(session).phase === 'climb') turned(session)
    else typeReading(session, view(session).climb!.nowHz)
  }
  await settle()
  expect(view(session).phase).toBe('press')
  pressed(session)
  expect(view(session)).toMatchObject({ phase: 'read', lugsWanted: 6 })
  for (let lug = 0; lug < 6; lug++) typeReading(session, targetHz * 0.99)
  await settle()
  expect(view(session).phase).toBe('turn')
  turnedAll(session)
  pressed(session)
  for (let lug = 0; lug < 6; lug++) typeReading(session, targetHz)
  await settle()
  expect(view(session)).toMatchObject({ phase: 'press', turnedNow: null, settling: { settled: false } })
  pressed(session)
  expect(view(session).phase).toBe('read')
  typeReading(session, targetHz * 0.9999)
  expect(view(session)).toMatchObject({ phase: 'read', lugsWanted: 2 })
  typeReading(session, targetHz * 0.9999)
  await settle()
  expect(view(session)).toMatchObject({ phase: 'done', settling: { settled: true } })

  aimAbove(session, 20)
  await settle()
  expect(view(session).phase).toBe('turn')
})

test('wrinkles on one side are tightened there and the way up goes on; a check can be left out', async () => {
  const { session } = await withFreshHead()
  turned(session)
  turnedOtherwise(session, [0.125, 0.125, 0, 0, 0, 0])
  while (view(session).phase === 'climb') turned(session)
  expect(view(session).climb!.stage).toBe('check')
  moveOn(session)
  expect(view(session).phase).toBe('climb')
  const uneven = view(session).sitting!.passes[0].turns!
  expect(uneven[0]).toBeCloseTo(uneven[3] + 0.125, 9)
})

test('the head that is on goes back to slack to where it stood; undo brings the sitting back', async () => {
  const { session } = await withTom()
  for (const hz of [181, 182, 183, 181, 182, 183]) typeReading(session, hz)
  await settle()
  slackened(session, 'fingers')
  const { request, climb } = view(session)
  expect('hz' in request.target && Math.abs(request.target.hz - 182)).toBeLessThan(1)
  expect(climb!.stage).toBe('turn')
  expect(climbFromSlack(view(session), 0.5)!.turnsToGo).toBeCloseTo(climb!.turnsToGo, 1)
  expect(session.undo()?.what).toBe('the start from slack')
  expect(view(session).climb).toBeNull()
  expect(view(session).sitting!.passes[0].readings.size).toBe(6)
})

test('findings are noted, leave their rods out, show on the kit, and are cleared', async () => {
  const { session } = await withTom()
  areaSeen(session, 'heads')
  noteFinding(session, 'stripped', [4, 2])
  expect(view(session).head.findings).toMatchObject([{ finding: 'stripped', rods: [2, 4], side: 'batter' }])
  expect(view(session).request.deadRods).toEqual([2, 4])
  expect(kitStatus(hereOf(session.get(), session.kit()!))[0].findings.length).toBe(1)
  clearFinding(session, view(session).head.findings[0].id)
  expect(view(session).head.findings).toEqual([])
  session.undo()
  expect(view(session).head.findings.length).toBe(1)
})

test('a search for a fault takes what the log knows, survives a reload, and ends as a finding', async () => {
  const { session, disk } = await withTom()
  for (const hz of [150, 182, 183, 150, 182, 183]) typeReading(session, hz)
  await settle()
  expect(evidenceOf(view(session)).get('reading')).toBe('uneven')
  expect(evidenceOf(view(session)).get('since')).toBe('never')
  answerFault(session, 'complaint', 'uneven')
  answerFault(session, 'feel', 'free')
  await session.saved()
  const again = testSession(disk).session
  await again.start(() => Promise.resolve())
  again.setSettings({ source: 'typed' })
  const { kit, drum } = currentView(again)!
  expect(openSearch(kit, drum.id, 'batter', false)!.answers.length).toBe(2)
  endFaultSearch(again, 'stripped-rod', [5])
  expect(currentView(again)!.head.findings).toMatchObject([{ finding: 'stripped', rods: [5] }])
  expect(evidenceOf(currentView(again)!).get('threads')).toBe('worn')
  expect(openSearch(currentView(again)!.kit, drum.id, 'batter', false)).toBeNull()
})
