import Papa from 'papaparse'
import { usualDrum } from '@/core/records/usualDrum'
import { addDrum, chooseHead, makeKit } from '@/session/actions/kits'
import { typeReading } from '@/session/actions/said'
import { keepKit } from '@/session/actions/sheets'
import { testSession } from '@/session/testSession'
import { readingsCsv, targetsCsv } from './csv'

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
    for (const cell of data.flat()) expect(cell).not.toMatch(/^[=+@\t\r-](?!\d+\.\d$)/)
  }
})
