import { isValid, parse } from 'date-fns'
import Papa from 'papaparse'
import { DAY_MS } from '@/core/units/time'

export interface WeatherSample {
  at: string
  celsius: number | null
  humidityPercent: number | null
}

export type WeatherRead =
  | { ok: true; samples: WeatherSample[]; days: number; odd: number }
  /** What was wrong and what to do. */
  | { ok: false; why: string }

const WHEN = /date|time|when|day|datum|zeit/i
const TEMPERATURE = /temp|°|celsius|fahrenheit|\bt\b/i
const FAHRENHEIT = /fahrenheit|°\s*f|\(f\)|_f\b|\bf\b/i
const HUMIDITY = /humid|\brh\b|feucht|%/i

/** Days as loggers write them; a day written with slashes is read only where the month can be told from it. */
const FORMATS = [
  'yyyy-MM-dd HH:mm:ss',
  'yyyy-MM-dd HH:mm',
  'yyyy-MM-dd',
  'yyyy/MM/dd HH:mm',
  'yyyy/MM/dd',
  'dd.MM.yyyy HH:mm',
  'dd.MM.yyyy',
]

/**
 * A table of temperature and humidity, as a logger or a spreadsheet gives it: one column of times, one or two of values, known by
 * their headings. Times without a zone are the device's own.
 */
export function readWeather(text: string): WeatherRead {
  const delimiter = text.includes('\t') ? '\t' : text.includes(';') ? ';' : ''
  const { data } = Papa.parse<string[]>(text.trim(), {
    skipEmptyLines: 'greedy',
    ...(delimiter ? { delimiter } : {}),
  })
  const [heads = [], ...rows] = data.map((row) => row.map((cell) => cell.trim()))
  const column = (test: RegExp, but: readonly number[]) =>
    heads.findIndex((head, i) => test.test(head) && !but.includes(i))
  const when = column(WHEN, [])
  const humidity = column(HUMIDITY, [when])
  const temperature = column(TEMPERATURE, [when, humidity])
  if (when < 0 || (temperature < 0 && humidity < 0))
    return {
      ok: false,
      why: 'No columns of weather were found. The first row must name them: one of date or time, and one of temp or humidity.',
    }
  const fahrenheit = temperature >= 0 && FAHRENHEIT.test(heads[temperature])
  const samples: WeatherSample[] = []
  for (const row of rows) {
    const at = momentOf(row[when] ?? '')
    const degrees = temperature < 0 ? null : numberOf(row[temperature], -80, 160)
    const celsius = degrees === null ? null : fahrenheit ? ((degrees - 32) * 5) / 9 : degrees
    const humidityPercent = humidity < 0 ? null : numberOf(row[humidity], 0, 100)
    const warm = celsius === null || (celsius >= -60 && celsius <= 70) ? celsius : null
    if (at && (warm !== null || humidityPercent !== null))
      samples.push({ at, celsius: warm, humidityPercent })
  }
  if (samples.length === 0)
    return {
      ok: false,
      why: 'No row of it could be read. A row is such as "2026-05-03 14:00, 21.5, 48": the day as year, month, day.',
    }
  const days = new Set(samples.map(({ at }) => Math.floor(Date.parse(at) / DAY_MS))).size
  return { ok: true, samples, days, odd: rows.length - samples.length }
}

function momentOf(cell: string): string | null {
  if (/^\d{4}-\d\d-\d\dT/.test(cell)) {
    const at = new Date(cell)
    return inTime(at)
  }
  for (const format of FORMATS) {
    const at = parse(cell, format, new Date(2000, 0, 1, 12))
    if (isValid(at)) return inTime(format.includes('HH') ? at : new Date(at.getTime() + DAY_MS / 2))
  }
  return null
}

function inTime(at: Date): string | null {
  return isValid(at) && at.getUTCFullYear() >= 1970 && at.getUTCFullYear() < 2200 ? at.toISOString() : null
}

function numberOf(cell: string | undefined, least: number, most: number): number | null {
  const value = Number((cell ?? '').replace(',', '.').replace(/[^\d.+-]/g, '') || NaN)
  return Number.isFinite(value) && value >= least && value <= most ? value : null
}
