import { hereOf } from './here'
import { usualDrum } from '@/core/records/usualDrum'
import { drumStatus } from '@/core/status/drum'
import { takeCentre, typeCentre, centreExpectation } from './actions/centre'
import { aimPair, askPair } from './actions/pair'
import { addDrum, chooseHead, makeKit } from './actions/kits'
import { currentView } from './currentView'
import { typeReading } from './actions/said'
import { turnedOtherwise } from './actions/turning'
import { testSession, logOf } from './testSession'

async function withTom() {
  const { session, advanceMs } = testSession()
  await session.start(() => Promise.resolve())
  makeKit(session, 'Kit')
  addDrum(session, usualDrum('tom', 12, 'tom'))
  session.setSettings({ source: 'typed', keys: 2 })
  const read = (side: 'batter' | 'resonant', hz: number) => {
    chooseHead(session, 'tom', side)
    for (let lug = 0; lug < 6; lug++) typeReading(session, hz)
  }
  return { session, advanceMs, read, view: () => currentView(session)! }
}

test('one head read is enough to begin; both and the centre teach the drum', async () => {
  const { session, read, view } = await withTom()
  expect(askPair(session, { batterHz: 180, resonantAboveCents: 0 })).toBeNull()
  read('batter', 180)
  const first = (await askPair(session, { batterHz: 180, resonantAboveCents: 0 }))!
  expect(first.now).toMatchObject({
    readNext: 'resonant',
    errorCents: { resonant: expect.closeTo(300, -1) as number },
  })
  read('resonant', 225)
  const guess = (await askPair(session, { batterHz: 180, resonantHz: 225 }))!
  // This drum speaks lower than its sizes say.
  typeCentre(session, view(), guess.centreHz * 0.96)
  const { pair } = drumStatus(view().here, view().drum)
  expect(pair.seen.length).toBe(1)
  expect(pair.centreHz).toBeCloseTo(guess.centreHz * 0.96, 6)
  const taught = (await askPair(session, { batterHz: 180, resonantHz: 225 }))!
  expect(Math.abs(1200 * Math.log2(taught.centreHz / (guess.centreHz * 0.96)))).toBeLessThan(15)
  expect(taught.errorCents.centre).toBeLessThan(guess.errorCents.centre)
})

test('a centre reading keeps where both heads stood then, and is not the present one after a turn', async () => {
  const { session, advanceMs, read, view } = await withTom()
  read('batter', 180)
  read('resonant', 225)
  typeCentre(session, view(), 112)
  advanceMs(60_000)
  chooseHead(session, 'tom', 'batter')
  turnedOtherwise(session, [0.25, 0.25, 0.25, 0.25, 0.25, 0.25])
  read('batter', 200)
  const { kit, drum } = view()
  const pair = drumStatus(hereOf(session.get(), kit, false), drum).pair
  expect(pair.centreHz).toBeNull()
  expect(Math.abs(pair.batterHz! - 200)).toBeLessThan(1.5)
  expect(Math.abs(pair.seen[0].batterHz! - 180)).toBeLessThan(1)
})

test('both heads are aimed at what was solved', async () => {
  const { session, read, view } = await withTom()
  read('batter', 180)
  read('resonant', 225)
  const answer = (await askPair(session, { centreHz: 118, resonantAboveCents: 498 }))!
  expect(answer.reachable).toBe(true)
  aimPair(session, answer)
  expect(view().aim).toMatchObject({ kind: 'hz', hz: Math.round(10 * answer.resonantHz!) / 10 })
  chooseHead(session, 'tom', 'batter')
  expect(view().aim).toMatchObject({ kind: 'hz', hz: Math.round(10 * answer.batterHz) / 10 })
})

test('a stroke on the centre is expected where the heads say, kept with its ring, and a refused one changes nothing', async () => {
  const { session, read, view } = await withTom()
  expect(centreExpectation(view())).not.toHaveProperty('expectHz')
  read('batter', 180)
  read('resonant', 225)
  const { expectHz, tap: where } = centreExpectation(view())
  expect(where).toBe('centre')
  expect(expectHz).toBeGreaterThan(90)
  expect(expectHz).toBeLessThan(150)
  session.set({ bench: { ...session.get().bench, strike: 'centre' } })
  const mode = { hz: 115, decaySeconds: 0.4, levelDb: 0, standardErrorHz: 0.05 }
  const tap = { atSeconds: 0, verdict: 'ok', why: null, hz: 115, standardErrorHz: 0.05, poles: [mode] }
  const refused = { ...tap, verdict: 'too-quiet', hz: null, why: 'Too quiet: strike harder.' }
  expect(takeCentre(session, view(), refused as never, 'microphone')).toBe(false)
  expect(session.get().bench).toMatchObject({ strike: 'centre', centreWhy: 'Too quiet: strike harder.' })
  expect(takeCentre(session, view(), tap as never, 'microphone')).toBe(true)
  expect(session.get().bench).toMatchObject({ strike: 'lug', centreWhy: null })
  expect(logOf(session).at(-1)).toMatchObject({ kind: 'centreRead', hz: 115, decaySeconds: 0.4 })
})
