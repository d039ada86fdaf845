import { act, fireEvent, screen, within } from '@testing-library/react'
import { usualDrum } from '@/core/records/usualDrum'
import { strokesOf, wiresOf } from '@/core/bench/strokes'
import type { DrumKindRecord } from '@/core/records/kit'
import { takeCentre } from '@/session/actions/centre'
import { addDrum, changeDrum, chooseHead, makeKit } from '@/session/actions/kits'
import { currentView } from '@/session/actions/readings'
import { typeReading } from '@/session/actions/said'
import { testSession } from '@/session/testSession'
import { showScreen } from '../testScreen'
import { CompareDialog } from './CompareDialog'
import { DrasticDialog } from './DrasticDialog'
import { KickDialog } from './KickDialog'
import { PairDialog } from './PairDialog'
import { SnareDialog } from './SnareDialog'
import { StandDialog } from './StandDialog'

async function withDrum(kind: DrumKindRecord, inches: number) {
  const { session, advanceMs } = testSession()
  await session.start(() => Promise.resolve())
  makeKit(session, 'Kit')
  addDrum(session, { ...usualDrum(kind, inches, 'd'), name: 'Own' })
  session.setSettings({ source: 'typed', keys: 2 })
  const view = () => currentView(session)!
  const read = (side: 'batter' | 'resonant', hz: number) => {
    chooseHead(session, 'd', side)
    for (let lug = 0; lug < view().drum.lugs; lug++) typeReading(session, hz)
  }
  const strike = (hz: number, decaySeconds: number) => {
    advanceMs(1000)
    const modes = [
      { hz, decaySeconds, levelDb: 0, standardErrorHz: 0.05 },
      { hz: 2.3 * hz, decaySeconds: decaySeconds / 2, levelDb: -15, standardErrorHz: 0.1 },
    ]
    const tap = {
      atSeconds: 0,
      verdict: 'ok',
      why: null,
      hz,
      standardErrorHz: 0.05,
      poles: [modes[0]],
      modes,
    }
    takeCentre(session, view(), { ...tap, glideCents: 30 } as never, 'typed')
    advanceMs(1000)
  }
  return { session, view, read, strike, strokes: () => strokesOf(view().kit, view().drum, false) }
}
const typeIn = (label: string | RegExp, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } })
const click = (name: string | RegExp) =>
  act(async () => void fireEvent.click(screen.getByRole('button', { name })))
const nothing = () => undefined

test('compare: nothing to compare is said; two strokes stand side by side, told apart blind', async () => {
  const { session, read, strike } = await withDrum('tom', 12)
  read('batter', 180)
  read('resonant', 225)
  await showScreen(session, <CompareDialog onClose={nothing} />)
  expect(screen.getByText(/No stroke on the centre was measured yet/)).toBeTruthy()
  await act(async () => {
    strike(112, 0.41)
    strike(118, 0.29)
  })
  const cells = (label: string) =>
    within(screen.getByRole('row', { name: new RegExp(`^${label}`) }))
      .getAllByRole('cell')
      .map((cell) => cell.textContent)
  expect(cells('centre')).toEqual(['112.0 Hz', '118.0 Hz'])
  expect(cells('rings')).toEqual(['0.41 s', '0.29 s'])
  expect(screen.getByRole('img', { name: /First: 112 hertz, 0.41 seconds.*Second: 118 hertz/ })).toBeTruthy()
  await click(/^Blind/)
  jest.spyOn(Math, 'random').mockReturnValue(0.9)
  await click('It is the first')
  const said = screen.getByText(/of 1 right/).textContent
  await click('It is the second')
  expect(said).toMatch(/[01] of 1 right/)
  // The coin now always falls on the second.
  await click('It is the second')
  expect(screen.getByText(/of 3 right/).textContent).toMatch(/^Right/)
  jest.restoreAllMocks()
})

test('one turn on purpose, by typed numbers: begun, struck, turned, read', async () => {
  const { session, read } = await withDrum('tom', 12)
  read('resonant', 225)
  read('batter', 220)
  await showScreen(session, <DrasticDialog onClose={nothing} />)
  await click('Begin on the batter head')
  expect(screen.getByText('Strike the centre, as found')).toBeTruthy()
  typeIn('Centre pitch, Hz', '113')
  await click('Take it')
  expect(screen.getByText('All rods up 1, press')).toBeTruthy()
  expect(screen.getAllByText(/Eyes away from the rim/).length).toBeGreaterThan(0)
  await click('Turned and pressed')
  expect(screen.getByText('Read 2 lugs, 0 read')).toBeTruthy()
  typeIn('Lug 1, Hz', '290')
  await click('Take it')
  typeIn('Lug 2, Hz', '291')
  await click('Take it')
  expect(screen.getByText('Strike the centre, up')).toBeTruthy()
})

test('on the stand: held, then hung, and what the stand takes', async () => {
  const { session, strike, strokes } = await withDrum('tom', 12)
  await showScreen(session, <StandDialog onClose={nothing} />)
  expect(screen.getByText(/Strike it held by the rim first/)).toBeTruthy()
  await click('held by the rim')
  await act(async () => strike(112, 0.4))
  typeIn(/another place/, 'arm right in')
  await click('Hang it there')
  await act(async () => strike(112, 0.2))
  expect(strokes().map(({ hung }) => hung)).toEqual([null, 'arm right in'])
  expect(screen.getByText(/keeps 50% of the ring. The stand eats it/)).toBeTruthy()
  fireEvent.click(screen.getByLabelText(/one gel pad/))
  await act(async () => strike(112, 0.15))
  const rings = within(screen.getByRole('region', { name: 'Muffling' })).getAllByRole('row')
  expect(rings.map((row) => row.textContent)).toEqual(['bare0.20 s (1×)', 'one gel pad0.15 s (1×)'])
})

test('the snare: a bed of its own lugs, kept under every target, an age, the wires with their check; what is no number is said', async () => {
  const { session, view } = await withDrum('snare', 14)
  await showScreen(session, <SnareDialog onClose={nothing} />)
  typeIn(/they may read lower by/, 'deep')
  expect(screen.getByRole('alert').textContent).toMatch(/0 to 300/)
  expect(screen.getByRole<HTMLButtonElement>('button', { name: /^Aim the snare side/ }).disabled).toBe(true)
  typeIn(/they may read lower by/, '15')
  for (const lug of [1, 2, 6, 7]) await click(`Beside the bed: lug ${lug}`)
  await click('Note the wires')
  expect(screen.getByRole('alert').textContent).toMatch(/A number such as/)
  typeIn(/knob past touching/, '6')
  fireEvent.click(screen.getByRole('radio', { name: 'they rattle on' }))
  await click('Note the wires')
  expect(wiresOf(view().kit, view().drum, false)).toMatchObject({ knob: 6, unit: 'clicks', rattles: true })
  await click(/^Aim the snare side/)
  expect(view()).toMatchObject({ side: 'resonant', aim: { kind: 'hz', hz: 400 } })
  expect(view().drum.snareBed).toEqual({ lugs: [1, 2, 6, 7], cents: 15 })
  const { target } = view().request
  const profile = 'profileHz' in target ? target.profileHz : []
  expect(1200 * Math.log2(profile[2] / profile[0])).toBeCloseTo(15, 6)
})

test('the kick: from wrinkles to a feel, the front by what to expect, at the pitches of common practice', async () => {
  const { session, read, view } = await withDrum('kick', 22)
  read('batter', 80)
  await showScreen(session, <KickDialog onClose={nothing} />)
  const fronts = within(screen.getByRole('region', { name: 'Front head' })).getAllByRole('listitem')
  expect(fronts.map((each) => /, ([\d.]+) Hz:/.exec(each.textContent)?.[1])).toEqual([
    '67.3',
    '80.0',
    '106.8',
    '160.0',
  ])
  expect(fronts[3].textContent).toMatch(/short, like a sample/)
  expect(screen.getByRole('region', { name: 'Port' }).textContent).toMatch(/never near the edge.*gloves/)
  await click('Aim the front a fourth above')
  expect(view()).toMatchObject({ side: 'resonant', aim: { kind: 'hz', hz: 106.8 } })
})

const settle = () =>
  act(async () => {
    for (let i = 0; i < 12; i++) await Promise.resolve()
  })

test('both heads from nothing, then from one head: what to read next is a button, the other is foretold', async () => {
  const { session, read, view } = await withDrum('tom', 12)
  await showScreen(session, <PairDialog onClose={nothing} />)
  expect(screen.getByRole('button', { name: 'Read the batter' })).toBeTruthy()
  await act(async () => read('batter', 180))
  await settle()
  expect(
    screen.getByText(/The resonant is foretold, give or take 300 c. Read next: the resonant/),
  ).toBeTruthy()
  expect(screen.getByRole('row', { name: /^resonant lug about/ })).toBeTruthy()
  await click('Read it')
  expect(view().side).toBe('resonant')
})

test('wishes in words: an interval by its name, a pitch by its note, what is neither is said; a wish for the sound', async () => {
  const { session, read, view } = await withDrum('tom', 12)
  read('batter', 180)
  read('resonant', 225)
  await showScreen(session, <PairDialog onClose={nothing} />)
  await settle()
  const take = async (label: string, text: string) => {
    const field = screen.getByRole('textbox', { name: label })
    fireEvent.change(field, { target: { value: text } })
    fireEvent.blur(field)
    await settle()
  }
  await take('resonant above', 'fort')
  expect(screen.getByRole('alert').textContent).toMatch(/An interval such as “fourth”/)
  await take('resonant above', 'fourth')
  await take('batter lug', 'F#3')
  expect(screen.getByRole('row', { name: /batter lug 180.0 Hz 185.0 Hz/ })).toBeTruthy()
  expect(screen.getByRole('row', { name: /resonant lug .* 246.9 Hz/ })).toBeTruthy()
  // The three ways to a fourth: the resonant alone, the batter alone, half each.
  const ways = screen.getByRole('table', { name: 'To a fourth above' })
  expect(within(ways).getByRole('row', { name: /^batter down .* leave/ })).toBeTruthy()
  await act(async () => void fireEvent.click(within(ways).getByRole('button', { name: 'resonant' })))
  await settle()
  expect(screen.getByRole('row', { name: /batter lug 180.0 Hz 180.0 Hz/ })).toBeTruthy()
  await click('longer')
  await settle()
  expect(screen.getByRole('row', { name: /^resonant a major third above/ })).toBeTruthy()
  await click('Aim both heads there')
  // The head that wants turning is opened.
  expect(view()).toMatchObject({ side: 'resonant', aim: { kind: 'hz' } })
})

test('a drum of one head has its centre and nothing of another', async () => {
  const { session, read, view } = await withDrum('tom', 12)
  await act(async () => changeDrum(session, view().drum, { ...view().drum, oneHeaded: true }))
  read('batter', 180)
  await showScreen(session, <PairDialog onClose={nothing} />)
  await settle()
  expect(screen.getByText('The head of Own')).toBeTruthy()
  expect(screen.queryByRole('row', { name: /resonant/ })).toBeNull()
  expect(screen.getByText(/Read next: one stroke on the centre/)).toBeTruthy()
})

test('three states side by side; what differs in one tuning is the muffling, in two it is not alone', async () => {
  const { session, view, read, strike } = await withDrum('tom', 12)
  read('batter', 180)
  read('resonant', 225)
  strike(112, 0.41)
  strike(112, 0.33)
  strike(112, 0.24)
  await showScreen(session, <CompareDialog onClose={nothing} />)
  expect(screen.getByText(/One tuning: what differs is muffling/)).toBeTruthy()
  const rings = within(screen.getByRole('row', { name: /^rings/ })).getAllByRole('cell')
  expect(rings.map((cell) => cell.textContent)).toEqual(['0.41 s', '0.33 s', '0.24 s'])
  expect(screen.getByRole('button', { name: 'In a groove: the first' })).toBeTruthy()
  await act(async () => {
    read('batter', 200)
    strike(120, 0.3)
    strike(120, 0.2)
  })
  expect(view().side).toBe('batter')
  // The newest tuning is shown by itself.
  expect(within(screen.getByRole('row', { name: /^rings/ })).getAllByRole('cell')).toHaveLength(2)
})
