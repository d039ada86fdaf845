import Papa from 'papaparse'
import type { Drum } from '@/core/records/kit'
import { parsePitch, type NoteNames } from '@/core/units/pitch'
import { parseSizes, type SaidDrum } from './sizes'

/** One line of a table that somebody keeps elsewhere: a drum and its pitches. */
export interface TableRow {
  /** As it was written. */
  name: string
  /** The drum of this kit that it means; null where there is none. */
  drum: string | null
  /** What a drum of that name would be; null where it tells no size. */
  said: SaidDrum | null
  batterHz: number | null
  resonantHz: number | null
  /** Cells that are no pitch, as they stood. */
  odd: string[]
}

export interface TableRead {
  rows: TableRow[]
  /** Which column was taken for what, counted from 1; null where there is none. */
  columns: { drum: number; batter: number | null; resonant: number | null }
}

const BATTER = /^(batter|top|upper|struck|beater)/i
const RESONANT = /^(reso|bottom|lower|snare side|under)/i
const DRUM = /^(drum|name|what|size)/i

/**
 * A table of drums and pitches as a spreadsheet gives it: a drum a row, by its name or size, with a batter and perhaps a resonant
 * pitch in Hz or as notes. Columns are known by their heading, else by their order.
 * @param drums those of this kit, which rows may mean
 * @returns null for what is no such table
 */
export function readTable(
  text: string,
  drums: readonly Drum[],
  a4Hz: number,
  names: NoteNames,
): TableRead | null {
  // Tabs from a spreadsheet, semicolons where the comma is the decimal sign: never a comma that parts a number.
  const delimiter = text.includes('\t') ? '\t' : text.includes(';') ? ';' : ''
  const { data } = Papa.parse<string[]>(text.trim(), {
    skipEmptyLines: 'greedy',
    ...(delimiter ? { delimiter } : {}),
  })
  const cells = data.map((row) => row.map((cell) => cell.trim()))
  if (cells.length === 0 || cells.every((row) => row.length < 2)) return null
  const pitch = (cell: string | undefined) => (cell ? parsePitch(cell, a4Hz, names) : null)
  const [first] = cells
  const headed = first.slice(1).every((cell) => pitch(cell) === null) && first.some((cell) => isHeading(cell))
  const columns = headed ? columnsOf(first) : { drum: 0, batter: 1, resonant: first.length > 2 ? 2 : null }
  const rows = (headed ? cells.slice(1) : cells).map((row): TableRow => {
    const name = row[columns.drum] ?? ''
    const own = [columns.batter, columns.resonant].map((at) => (at === null ? '' : (row[at] ?? '')))
    const [batterHz, resonantHz] = own.map(pitch)
    return {
      name,
      drum: drumMeant(name, drums)?.id ?? null,
      said: oneDrum(name),
      batterHz,
      resonantHz,
      odd: own.filter((cell) => cell !== '' && cell !== '-' && cell !== '–' && pitch(cell) === null),
    }
  })
  const good = rows.filter(({ name, batterHz, resonantHz }) => name && (batterHz ?? resonantHz) !== null)
  if (good.length === 0) return null
  const shown = (at: number | null) => (at === null ? null : at + 1)
  return {
    rows: rows.filter(({ name }) => name),
    columns: { drum: columns.drum + 1, batter: shown(columns.batter), resonant: shown(columns.resonant) },
  }
}

const isHeading = (cell: string) =>
  BATTER.test(cell) || RESONANT.test(cell) || DRUM.test(cell) || /hz|pitch|note/i.test(cell)

function columnsOf(heading: readonly string[]) {
  const find = (word: RegExp) => {
    const at = heading.findIndex((cell) => word.test(cell))
    return at < 0 ? null : at
  }
  const drum = find(DRUM) ?? 0
  const resonant = find(RESONANT)
  const rest = heading.findIndex((_, at) => at !== drum && at !== resonant)
  return { drum, batter: find(BATTER) ?? (rest < 0 ? null : rest), resonant }
}

/** The drum that a row means: by its name, else by the only one of that kind and size. */
function drumMeant(name: string, drums: readonly Drum[]): Drum | null {
  const plain = (text: string) =>
    text
      .toLowerCase()
      .replace(/[^\p{L}\p{N}]+/gu, ' ')
      .trim()
  const named = drums.find((drum) => plain(drum.name) === plain(name))
  if (named) return named
  const said = oneDrum(name)
  const alike = drums.filter(
    ({ kind, diameterInches }) => said && kind === said.kind && diameterInches === said.diameterInches,
  )
  return alike.length === 1 ? alike[0] : null
}

function oneDrum(name: string): SaidDrum | null {
  const { drums, wrong } = parseSizes(name)
  return drums.length === 1 && wrong === null ? drums[0] : null
}

/** Whether a text holds such a table at all, whatever the kit. */
export const isTable = (text: string, a4Hz: number, names: NoteNames): boolean =>
  readTable(text, [], a4Hz, names) !== null
