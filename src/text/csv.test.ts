import Papa from 'papaparse'
import { usualDrum } from '@/core/records/usualDrum'
import { addDrum, chooseHead, makeKit } from '@/session/actions/kits'
import { typeReading } from '@/session/actions/said'
import { keepKit } from '@/session/actions/sheets'
import { testSession } from '@/session/testSession'
import { logCsv, readingsCsv, targetsCsv } from './csv'
import { read as readBook, utils } from 'xlsx'

test('targets and readings as tables that a spreadsheet reads, whatever a drum is called', async () => {
  const { session } = testSession()
  await session.start(() => Promise.resolve())
  makeKit(session, 'Kit')
  addDrum(session, { ...usualDrum('tom', 12, 'tom'), name: 'Rack, "old"; 12' })
  session.setSettings({ source: 'typed' })
  chooseHead(session, 'tom', 'batter')
  for (let lug = 0; lug < 6; lug++) typeReading(session, 146.83)
  keepKit(session, 'Hall', '')
  const kit = session.kit()!
  const read = (text: string) => Papa.parse<Record<string, string>>(text, { header: true })
  const targets = read(targetsCsv(kit, [kit.sheets[0]], 440))
  expect(targets.errors).toEqual([])
  expect(targets.data.length).toBe(1)
  expect(targets.data[0]).toMatchObject({
    drum: 'Rack, "old"; 12',
    head: 'batter',
    note: 'D3',
    film_mils: '7+7',
  })
  expect(Number(targets.data[0].hz)).toBeCloseTo(146.83, 1)
  // A sheet that has nothing yet takes no heading from the others.
  expect(targetsCsv(kit, [{ ...kit.sheets[0], versions: [] }, kit.sheets[0]], 440)).toBe(
    targetsCsv(kit, [kit.sheets[0]], 440),
  )
  const readings = read(readingsCsv(kit, await session.wholeLog(kit.id)))
  expect(readings.data.length).toBe(6)
  expect(readings.data[0]).toMatchObject({ what: 'lug 1', source: 'typed', hz: '146.83' })
})

test('a cell that begins like a formula stays text in both tables', async () => {
  const { session } = testSession()
  await session.start(() => Promise.resolve())
  makeKit(session, 'Kit')
  for (const [i, name] of ['=1+1', '+49', '-2', '@x', '\t=1'].entries())
    addDrum(session, { ...usualDrum('tom', 12, `tom-${i}`), name })
  session.setSettings({ source: 'typed' })
  for (const { id } of session.kit()!.drums) {
    chooseHead(session, id, 'batter')
    for (let lug = 0; lug < 6; lug++) typeReading(session, 150)
  }
  keepKit(session, '=HALL()', '')
  const kit = session.kit()!
  const tables = [targetsCsv(kit, [kit.sheets[0]], 440), readingsCsv(kit, await session.wholeLog(kit.id))]
  for (const table of tables) {
    const { data } = Papa.parse<string[]>(table)
    expect(data.length).toBeGreaterThan(5)
    for (const cell of data.flat()) expect(cell).not.toMatch(/^[=+@\t\r-](?!\d+(\.\d+)?$)/)
  }
})

test('a spreadsheet reads numbers below nothing as numbers, words as they were written, and who it was', async () => {
  const { session } = testSession()
  await session.start(() => Promise.resolve())
  session.setSettings({ source: 'typed', person: 'Änne' })
  makeKit(session, 'Kit')
  addDrum(session, { ...usualDrum('tom', 12, 'tom'), name: 'Tümpel' })
  chooseHead(session, 'tom', 'batter')
  for (let lug = 0; lug < 6; lug++) typeReading(session, 148.9)
  session.append([
    {
      ...{ kind: 'rodsTurned', drum: 'tom', side: 'batter', planned: null, source: 'hand', algorithm: null },
      turns: [-0.125, 0, 0, 0, 0, 0.25],
    },
  ])
  keepKit(session, 'Hall', '')
  const kit = session.kit()!
  const rows = (text: string) => {
    // As a spreadsheet opens the file: by its bytes.
    const book = readBook(new TextEncoder().encode(text), { type: 'array' })
    return utils.sheet_to_json<Record<string, unknown>>(book.Sheets[book.SheetNames[0]])
  }
  const [target] = rows(targetsCsv(kit, [kit.sheets[0]], 440))
  expect(target).toMatchObject({ drum: 'Tümpel', cents: expect.any(Number) as number })
  expect(target.cents).toBeLessThan(0)
  const log = await session.wholeLog(kit.id)
  const [reading] = rows(readingsCsv(kit, log))
  expect(reading).toMatchObject({ hz: 148.9, person: 'Änne', device: session.get().settings.device })
  const turn = rows(logCsv(kit, log)).find(({ kind }) => kind === 'rodsTurned')
  expect(turn).toMatchObject({ turns: '-0.1250 0.0000 0.0000 0.0000 0.0000 0.2500', person: 'Änne' })
})
