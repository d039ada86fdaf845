import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { readBackup, writeBackup } from './backup'
import { DEFAULT_SETTINGS, isBackup } from './plain'
import { readKitFile } from './kitFile'

const fixture = (form: number) =>
  JSON.parse(readFileSync(join(__dirname, 'fixtures', `form${form}.json`), 'utf8')) as object
const raw = { format: 'humbra-backup', schema: 8, madeAt: '2026-11-29T02:00:00.000Z', settings: null }

test('what a backup says is read back, old kits in it as well', () => {
  const file = readKitFile(JSON.stringify(fixture(7)))
  if (!file.ok) throw new Error(file.why)
  const lesson = {
    ...{ what: 'lesson' as const, id: 'l1', at: raw.madeAt, lesson: 'raise' as const },
    ...{ met: true, said: 'Spread 9 c.' },
  }
  const practised = [lesson]
  const text = writeBackup({ madeAt: raw.madeAt, settings: DEFAULT_SETTINGS, kits: [file.file], practised })
  const read = readBackup(JSON.parse(text))
  expect(isBackup(JSON.parse(text))).toBe(true)
  expect(read).toEqual({
    ok: true,
    backup: { madeAt: raw.madeAt, settings: DEFAULT_SETTINGS, kits: [file.file], practised },
  })
  expect(readBackup({ ...raw, kits: [fixture(1)] })).toMatchObject({ ok: true })
})

test('settings that are none are left out; a kit that is none is named, and a newer backup refused', () => {
  expect(readBackup({ ...raw, settings: { keys: 9 }, kits: [] })).toMatchObject({
    backup: { settings: null },
  })
  const broken = readBackup({ ...raw, kits: [fixture(7), { ...fixture(7), events: [] }] })
  expect(broken).toMatchObject({ ok: false, why: expect.stringMatching(/^Kit 2 of 2/) as string })
  expect(readBackup({ ...raw, schema: 99, kits: [] })).toMatchObject({
    why: expect.stringMatching(/newer/) as string,
  })
  expect(readBackup({ format: 'humbra-backup' })).toMatchObject({ ok: false })
  for (const other of [null, 3, {}, { format: 'humbra-kit' }]) expect(isBackup(other)).toBe(false)
})
