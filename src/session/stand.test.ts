import { drumStatus } from '@/core/status/drum'
import { usualDrum } from '@/core/records/usualDrum'
import { drasticOf } from '@/core/bench/drastic'
import { pairModel } from '@/core/bench/pairing'
import { layersOn, strokesOf, wiresOf } from '@/core/status/strokes'
import { takeCentre } from './actions/centre'
import { ofPlan, ofStroke } from './actions/compare'
import { addDrum, chooseHead, makeKit } from './actions/kits'
import { takeTap } from './actions/readings'
import { currentView } from './currentView'
import { typeReading } from './actions/said'
import { setAim } from './actions/sheets'
import {
  endDrastic,
  noteWords,
  setHung,
  setLayers,
  setWires,
  startDrastic,
  turnDrastic,
} from './actions/stand'
import { turnedOtherwise } from './actions/turning'
import { testSession, logOf } from './testSession'

async function withDrum(kind: 'tom' | 'snare' | 'kick' = 'tom') {
  const { session, advanceMs } = testSession()
  await session.start(() => Promise.resolve())
  makeKit(session, 'Kit')
  addDrum(session, usualDrum(kind, kind === 'tom' ? 12 : kind === 'snare' ? 14 : 22, 'd'))
  session.setSettings({ source: 'typed', keys: 2 })
  const lugs = currentView(session)!.drum.lugs
  const read = (side: 'batter' | 'resonant', hz: number, count = lugs) => {
    chooseHead(session, 'd', side)
    for (let lug = 0; lug < count; lug++) typeReading(session, hz)
  }
  const strike = (hz: number, decaySeconds: number, glideCents = 20) => {
    advanceMs(1000)
    const mode = { hz, decaySeconds, levelDb: 0, standardErrorHz: 0.05 }
    const tap = {
      atSeconds: 0,
      verdict: 'ok',
      why: null,
      hz,
      standardErrorHz: 0.05,
      poles: [mode],
      modes: [mode],
    }
    takeCentre(session, currentView(session)!, { ...tap, glideCents } as never, 'typed')
    advanceMs(1000)
  }
  const view = () => currentView(session)!
  const strokes = () => strokesOf(view().kit, view().drum, view().practice)
  return { session, advanceMs, read, strike, view, strokes }
}

test('a stroke keeps how the drum stood: both heads, muffling, place and words, until something is changed', async () => {
  const { session, read, strike, view, strokes } = await withDrum()
  read('batter', 180)
  read('resonant', 225)
  setHung(session, null)
  strike(112, 0.4)
  noteWords(session, '  too short in this room ')
  setLayers(session, ['padOne', 'ring'])
  noteWords(session, 'said of nothing that was struck')
  setHung(session, 'post')
  strike(112, 0.2)
  expect(strokes()[0]).toMatchObject({ hung: null, layers: [], words: ['too short in this room'] })
  expect(strokes()[1]).toMatchObject({
    hung: 'post',
    layers: ['padOne', 'ring'],
    words: [],
    decaySeconds: 0.2,
  })
  expect(strokes()[1].batterHz).toBeCloseTo(180, 0)
  expect(layersOn(view().kit, view().drum, false)).toEqual(['padOne', 'ring'])
  // What was heard teaches what is foretold: with the layers on, and bare.
  const { pair } = drumStatus(view().here, view().drum)
  const at = { batterHz: 180, resonantHz: 225 }
  const muffled = pairModel(pair).ring(at)
  const bare = pairModel({ ...pair, layers: [] }).ring(at)
  expect(bare.decaySeconds).toBeGreaterThan(1.3 * muffled.decaySeconds)
})

test('two states to compare: one struck as it was measured, one planned by the model', async () => {
  const { session, read, strike, strokes } = await withDrum()
  read('batter', 180)
  read('resonant', 225)
  strike(112, 0.4, -15)
  expect(ofStroke(strokes()[0])).toMatchObject({ glideCents: -15, tones: [{ hz: 112, decaySeconds: 0.4 }] })
  const plan = ofPlan(session, { batterHz: 200, resonantHz: 267 })!
  expect(plan.take).toBeNull()
  // The heads against each other lie above the low note, and every tone dies.
  expect(plan.tones[1].hz).toBeGreaterThan(plan.tones[0].hz)
  expect(plan.tones.every(({ decaySeconds }) => decaySeconds > 0 && decaySeconds < 5)).toBe(true)
})

test('drastic on purpose: asked step by step from the log, and what it did is there at the end', async () => {
  const { session, read, strike, view } = await withDrum()
  const going = () => drasticOf(view().kit, view().drum, false)!
  expect(startDrastic(session)).toBe(false)
  read('resonant', 225)
  read('batter', 220)
  expect(startDrastic(session)).toBe(true)
  const { up, down } = going()
  expect(up).toBe(1)
  expect(down).toBeLessThanOrEqual(1)
  const stages: string[] = []
  const hz = [220, 290, 150, 219]
  for (let step = 0; step < 4; step++) {
    stages.push(going().stage)
    if (step > 0) {
      read('batter', hz[step], 2)
      expect(going().stage).toBe('strike')
    }
    strike(110 + 10 * step, 0.4)
    if (step === 3) break
    expect(going()).toMatchObject({ stage: 'turn', next: [up, -up - down, down][step] })
    turnDrastic(session, going().next)
  }
  expect(stages).toEqual(['strike', 'read', 'read', 'read'])
  expect(going()).toMatchObject({ stage: 'over', ended: false })
  expect(going().strokes.map(({ batterHz }) => Math.round(batterHz!))).toEqual(hz)
  endDrastic(session)
  expect(going().ended).toBe(true)
  // A turn afterwards is no part of it any more.
  turnedOtherwise(session, new Array<number>(6).fill(0.25))
  expect(going()).toMatchObject({ stage: 'over', ended: true })
})

test('the wires are noted with their rattle check; a bed is aimed at as lower lugs and not as a fault', async () => {
  const { session, view } = await withDrum('snare')
  setWires(session, 6, 'clicks', false)
  expect(wiresOf(view().kit, view().drum, false)).toMatchObject({ knob: 6, unit: 'clicks', rattles: false })
  chooseHead(session, 'd', 'resonant')
  setAim(session, view().drum, 'resonant', { kind: 'bed', hz: 400, bedCents: 24 })
  const { target } = view().request
  if (!('profileHz' in target)) throw new Error('no profile')
  const cents = target.profileHz.map((hz) => 1200 * Math.log2(hz / 400))
  // Lugs 1 and 6 of ten stand at the ends of the wires.
  expect(cents[0]).toBeCloseTo(-12, 0)
  expect(cents[5]).toBeCloseTo(-12, 0)
  expect(Math.max(...cents)).toBeGreaterThan(9)
})

test('a kick whose lowest tone is lost is told by its upper tones; how sure is kept with the reading', async () => {
  const { session, view } = await withDrum('kick')
  chooseHead(session, 'd', 'batter')
  setAim(session, view().drum, 'batter', { kind: 'hz', hz: 62 })
  const tone = (hz: number, levelDb: number) => ({ hz, decaySeconds: 0.3, levelDb, standardErrorHz: 0.05 })
  const modes = [tone(101.7, 0), tone(143.5, -6)]
  const lost = {
    atSeconds: 0,
    verdict: 'no-pitch',
    why: 'Nothing rang clearly.',
    hz: null,
    standardErrorHz: null,
  }
  const tap = { ...lost, poles: [], modes, alternatives: [] }
  expect(takeTap(session, view(), tap as never, 1, 'microphone')).toBe(true)
  const event = logOf(session).at(-1)!
  expect(event).toMatchObject({ kind: 'readingTaken', poles: [] })
  if (event.kind !== 'readingTaken') throw new Error('no reading')
  expect(event.hz).toBeGreaterThan(50)
  expect(event.hz).toBeLessThan(80)
  expect(event.standardErrorHz / event.hz).toBeGreaterThan(0.005)
  expect(session.get().notice?.text).toMatch(/Told by (101\.7 and 143\.5|143\.5 and 101\.7) Hz/)
  // What rang like a voice or rattled is no tap, whatever pattern its tones would fit.
  expect(takeTap(session, view(), { ...tap, noTap: true } as never, 2, 'microphone')).toBe(false)
  // On a tom such a tap is refused as before.
  const tom = await withDrum('tom')
  expect(takeTap(tom.session, tom.view(), tap as never, 1, 'microphone')).toBe(false)
})
