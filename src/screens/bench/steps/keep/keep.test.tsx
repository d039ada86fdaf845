import { act, fireEvent, screen } from '@testing-library/react'
import { chooseHead } from '@/session/actions/kits'
import { chooseSource } from '@/session/actions/said'
import { keepDrum } from '@/session/actions/sheets'
import { setLayers, setWires } from '@/session/actions/stand'
import { turnedOtherwise } from '@/session/actions/turning'
import { press, typeIn, withDrum } from '../testStep'

test('the whole drum is kept as far as it is known, what is missing is said, and each leads to its step', async () => {
  const { session, read, strike, show, step } = await withDrum('snare', 14)
  read('batter', 230)
  await show('keep')
  expect(screen.getByRole('button', { name: 'the resonant head was not read' })).toBeTruthy()
  expect(screen.getByRole('button', { name: 'the centre was not struck since' })).toBeTruthy()
  expect(screen.getByRole('button', { name: 'the wires were not noted' })).toBeTruthy()
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Keep the batter head' }).disabled).toBe(true)
  await act(async () => {
    read('resonant', 400)
    strike(180, 0.31)
    setWires(session, 6, 'clicks', null)
  })
  expect(screen.queryByRole('button', { name: 'the wires were not noted' })).toBeNull()
  typeIn(/The name of a room/, 'Cellar')
  expect(screen.getByText(/The kit is held against no sheet yet: from now on against Cellar/)).toBeTruthy()
  await press('Keep it')
  const [sheet] = session.kit()!.sheets
  expect(sheet.versions).toHaveLength(1)
  expect(sheet.versions[0].drums.get('d')).toMatchObject({
    ...{ centreHz: 180, ringSeconds: 0.31, wires: { knob: 6, unit: 'clicks' } },
    ...{ batter: { keepUneven: false }, resonant: { keepUneven: false } },
  })
  expect(session.get().notice?.text).toBe('Kept Own on Cellar. The kit is held against Cellar now.')
  await press('nobody said what muffles it')
  expect(step()).toBe('ring')
})

test('another sheet is held against only where that is asked for', async () => {
  const { session, read, show } = await withDrum('tom', 12)
  read('batter', 180)
  read('resonant', 225)
  await show('keep')
  typeIn(/The name of a room/, 'Cellar')
  await press('Keep it')
  const cellar = session.kit()!.sheet
  typeIn(/The name of a room/, 'Attic')
  await press('Keep it')
  expect(session.kit()!.sheet).toBe(cellar)
  expect(session.get().notice?.text).toBe('Kept Own on Attic.')
  fireEvent.click(screen.getByLabelText(/Hold it against Attic/))
  await press('Keep it')
  expect(session.kit()!.sheet).not.toBe(cellar)
  expect(session.get().notice?.text).toMatch(/The kit is held against Attic now/)
})

test('what nobody knows is left as the sheet has it; a centre of another tuning is not', async () => {
  const { session, read, strike, view, advanceMs } = await withDrum('tom', 12)
  const heads = [
    { side: 'batter' as const, uneven: false },
    { side: 'resonant' as const, uneven: false },
  ]
  const kept = () => session.kit()!.sheets[0].versions.at(-1)!.drums.get('d')!
  read('batter', 180)
  read('resonant', 225)
  setLayers(session, ['padOne'])
  strike(112, 0.4)
  keepDrum(session, { name: 'Hall', heads, hold: true })
  expect(kept()).toMatchObject({ centreHz: 112, ringSeconds: 0.4, layers: ['padOne'] })
  // Days later the heads are read where they were, and nothing else is known anew: nothing is lost.
  advanceMs(3 * 24 * 3600 * 1000)
  read('batter', 180)
  read('resonant', 225)
  turnedOtherwise(session, [0.01, 0, 0, 0, 0, 0])
  keepDrum(session, { name: 'Hall', heads, hold: true })
  expect(kept()).toMatchObject({ centreHz: 112, ringSeconds: 0.4, layers: ['padOne'] })
  // Tuned up: the old centre is none of this tuning, the muffling lies on it still.
  chooseHead(session, 'd', 'batter')
  turnedOtherwise(session, new Array<number>(view().drum.lugs).fill(0.1))
  read('batter', 195)
  keepDrum(session, { name: 'Hall', heads, hold: true })
  expect(kept().centreHz).toBeNull()
  expect(kept().ringSeconds).toBeUndefined()
  expect(kept().layers).toEqual(['padOne'])
})

test('a head that was read days ago does not overwrite what the sheet has of it, unless it is asked to', async () => {
  const { read, show, advanceMs } = await withDrum('tom', 12)
  read('batter', 180)
  read('resonant', 225)
  await show('keep')
  typeIn(/The name of a room/, 'Hall')
  await press('Keep it')
  await act(async () => {
    advanceMs(3 * 24 * 3600 * 1000)
    read('batter', 184)
  })
  const tick = (side: string) => screen.getByLabelText<HTMLInputElement>(new RegExp(`^${side}:`))
  expect([tick('batter').checked, tick('resonant').checked]).toEqual([true, false])
  expect(screen.getByRole('button', { name: 'Keep the batter head' })).toBeTruthy()
  fireEvent.click(tick('resonant'))
  expect(screen.getByRole('button', { name: 'Keep it' })).toBeTruthy()
})

test('what was simulated is kept nowhere on a drum of one’s own, whoever asks', async () => {
  const { session, view } = await withDrum('tom', 12)
  chooseSource(session, 'practice')
  const reading = { kind: 'readingTaken' as const, drum: 'd', side: 'batter' as const, standardErrorHz: 0.1 }
  for (const lug of [1, 2, 3, 4, 5, 6])
    session.append([
      { ...reading, lug, hz: 180, otherHead: 'muted', poles: [], source: 'practice', algorithm: null },
    ])
  expect(view().practice).toBe(true)
  expect(view().sitting!.passes[0].readings.size).toBe(6)
  expect(keepDrum(session, { name: 'Hall', heads: [{ side: 'batter', uneven: false }], hold: true })).toBe(
    false,
  )
  expect(session.kit()!.sheets).toEqual([])
})
