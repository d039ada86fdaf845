import { COMMANDS } from '@/commands'
import { stepCommand } from '@/commands/steps'
import { besideOf, hasStep, lineOf, STEP_IDS, STEPS, stopLabel } from '@/core/status/steps'
import { AREA_IDS, AREAS } from '@/core/fitting/lookOver'
import { KIND_NAMES, usualDrum } from '@/core/records/usualDrum'
import { nextText, stepState } from '@/text/steps'
import { typeCentre } from './actions/centre'
import { areaSeen, clearFinding, noteFinding } from './actions/findings'
import { chooseHead, goToStop } from './actions/kits'
import { aimPair } from './actions/pair'
import { leaveHead, startRun, takeUpAgain } from './actions/run'
import { keepDrum, keepKit } from './actions/sheets'
import { setHung } from './actions/stand'
import { currentView } from './currentView'
import { turnedOtherwise } from './actions/turning'
import { watchAdvice } from './adviceWatch'
import { jobView } from './jobView'
import { twoToms } from './testSession'

async function tom() {
  const bench = await twoToms()
  const { session, read } = bench
  watchAdvice(session)
  /** The head is turned, and reads so then. */
  const retuned = (drum: 'rack' | 'floor', side: 'batter' | 'resonant', turns: number, hz: number) => {
    chooseHead(session, drum, side)
    turnedOtherwise(session, new Array<number>(currentView(session)!.drum.lugs).fill(turns))
    read(drum, side, hz)
  }
  const settle = async () => {
    for (let i = 0; i < 12; i++) await Promise.resolve()
  }
  const line = () => jobView(session.get())!
  const says = () => {
    const { job, line: stops } = line()
    return Object.fromEntries(stops.map((stop) => [stopLabel(stop), stepState(job, stop)]))
  }
  const next = () => {
    const { job, next: to } = line()
    return to === null ? null : 'stop' in to ? nextText(job, to.stop) : `${to.drum.name}, ${to.side}`
  }
  return { ...bench, retuned, settle, line, says, next }
}

test('one list: every step has its command, its entry and a state; kinds have what is theirs', () => {
  for (const step of STEP_IDS) {
    const command = COMMANDS.find(({ id }) => id === stepCommand(step))!
    expect(command.label).toBe(STEPS[step].says)
  }
  const kinds = Object.keys(KIND_NAMES) as Array<keyof typeof KIND_NAMES>
  for (const kind of kinds) {
    const drum = usualDrum(kind, 14, 'd')
    expect(hasStep(drum, 'snare')).toBe(kind === 'snare')
    expect(hasStep(drum, 'kick')).toBe(kind === 'kick')
    const line = lineOf(drum, 'batter').map(stopLabel)
    // The resonant head first, both before they are set to each other, the sheet last.
    expect(line.slice(0, 5)).toEqual(['look over', 'fit', 'resonant', 'batter', 'both heads'])
    expect(line.at(-1)).toBe('keep')
    expect(besideOf(drum)).toEqual(['fault', 'compare', 'drastic', 'fast'])
  }
  expect(lineOf({ ...usualDrum('tom', 12, 'd'), oneHeaded: true }, 'batter').map(stopLabel)).not.toContain(
    'resonant',
  )
})

test('what is next follows what stands open: the other head, an aim of two, the ring, the stand, the sheet', async () => {
  const { session, read, retuned, settle, says, next, advanceMs } = await tom()
  read('rack', 'batter', 180)
  await settle()
  expect(says().batter).toEqual({ says: 'even, 0 c', done: true })
  expect(says().resonant.says).toBe('not read')
  expect(next()).toBe('Next: the resonant, read it')
  read('rack', 'resonant', 225)
  await settle()
  expect(says()['both heads'].says).toBe('maj. third −14 c')
  expect(next()).toBe('Next: both heads')
  goToStop(session, { step: 'heads', side: 'resonant' })
  aimPair(session, { batterHz: 186, resonantHz: 248 })
  await settle()
  // Both are off their aims now: the one that is opened has its work left, the other says how far.
  expect(session.get().step).toBe('even')
  expect(next()).toBeNull()
  expect(says().resonant.open).toMatch(/^up \d+\/\d+$/)
  retuned('rack', 'batter', 0.05, 186)
  await settle()
  expect(next()).toMatch(/^Next: the resonant, up \d/)
  retuned('rack', 'resonant', 0.2, 248)
  await settle()
  expect(says()['both heads']).toEqual({ says: 'fourth −2 c', done: true })
  expect(next()).toBe('Next: ring')
  goToStop(session, { step: 'ring', side: 'batter' })
  const strike = (hz: number, decaySeconds: number) => {
    advanceMs(1000)
    typeCentre(session, currentView(session)!, hz)
    return decaySeconds
  }
  strike(120, 0.4)
  // A typed centre has no ring: the step stays open, and is not in the way.
  expect(says().ring.says).toBe('120 Hz')
  expect(next()).toBe('Next: on the stand')
  goToStop(session, { step: 'stand', side: 'batter' })
  setHung(session, null)
  expect(next()).toBe('Next: keep')
  goToStop(session, { step: 'keep', side: 'batter' })
  keepDrum(session, {
    ...{ name: 'Hall', hold: true },
    heads: [
      { side: 'batter', uneven: false },
      { side: 'resonant', uneven: false },
    ],
  })
  expect(says().keep).toEqual({ says: 'as kept', done: true })
  // The drum is done: the next one, its resonant head first.
  expect(next()).toBe('Floor, resonant')
})

test('behind looking over comes where what was found is mended; the line says what stands open', async () => {
  const { session, settle, says, next, line } = await tom()
  goToStop(session, { step: 'look', side: 'batter' })
  expect(next()).toBe('Next: fit')
  noteFinding(session, 'mount-dead', [])
  await settle()
  expect(says()['look over']).toMatchObject({ open: '1 open', caution: true })
  // Parts are left to look at: nothing comes before they were.
  expect(next()).toBeNull()
  for (const area of AREA_IDS.filter((id) => !AREAS[id].snareOnly)) areaSeen(session, area)
  expect(next()).toBe('Next: on the stand')
  for (const { id } of line().job.findings) clearFinding(session, id)
  expect(says()['look over'].says).toMatch(/^well, /)
  expect(next()).toBe('Next: fit')
})

test('in a run the next is the next head of the run, and what was left is taken up again', async () => {
  const { session, retuned, readAll, settle, next } = await tom()
  readAll()
  keepKit(session, 'Hall', '')
  retuned('rack', 'batter', -0.1, 150)
  retuned('floor', 'batter', -0.1, 92)
  startRun(session, session.kit()!.sheets[0], null)
  await settle()
  const at = currentView(session)!
  const other = at.drum.id === 'rack' ? 'Floor' : 'Rack'
  expect(next()).toBeNull()
  retuned(at.drum.id as 'rack' | 'floor', 'batter', 0.1, at.drum.id === 'rack' ? 160 : 100)
  await settle()
  expect(next()).toBe(`${other}, batter`)
  const next_ = jobView(session.get())!.next!
  if ('stop' in next_) throw new Error('a head of another drum comes next')
  leaveHead(session, next_.drum.id, 'batter', 'cannot')
  expect(next()).not.toBe(`${other}, batter`)
  takeUpAgain(session, next_.drum.id, 'batter')
  expect(next()).toBe(`${other}, batter`)
})
