import { readWeather } from './weatherTable'

const taken = (text: string) => {
  const read = readWeather(text)
  if (!read.ok) throw new Error(read.why)
  return read
}

test('tables of loggers: columns by their headings, days as year, month, day or with dots', () => {
  const read = taken('Timestamp,Temp (C),Humidity %\n2026-05-03 14:00,21.5,48\n2026-05-04 02:00,20,51.5\n')
  expect(read.samples.map(({ celsius, humidityPercent }) => [celsius, humidityPercent])).toEqual([
    [21.5, 48],
    [20, 51.5],
  ])
  expect(new Date(read.samples[0].at).getHours()).toBe(14)
  expect(read).toMatchObject({ days: 2, odd: 0 })
  const german = taken('Datum;Temperatur;rel. Feuchte\n03.05.2026 14:00;21,5;48\n')
  expect(german.samples[0]).toMatchObject({ celsius: 21.5, humidityPercent: 48 })
  const zoned = taken('time\tRH\n2026-05-03T12:00:00Z\t55')
  expect(zoned.samples[0]).toEqual({ at: '2026-05-03T12:00:00.000Z', celsius: null, humidityPercent: 55 })
})

test('Fahrenheit is known by its heading: 212 boils, 32 freezes', () => {
  expect(taken('date,temp (F)\n2026-05-03,68\n').samples[0].celsius).toBeCloseTo(20, 9)
  expect(taken('date,temp °F\n2026-05-03,32\n').samples[0].celsius).toBeCloseTo(0, 9)
})

test('rows that cannot be read are counted; a table without weather says what it wants', () => {
  expect(taken('date,temp\n2026-05-03,20\nyesterday,21\n2026-05-05,\n')).toMatchObject({ odd: 2 })
  const none = readWeather('drum,Hz\nsnare,220')
  expect(none).toMatchObject({ ok: false, why: expect.stringMatching(/first row must name/) })
  expect(readWeather('date,temp\n5/3/26,20')).toMatchObject({
    ok: false,
    why: expect.stringMatching(/2026-05-03/),
  })
  expect(readWeather('')).toMatchObject({ ok: false })
  // A humidity of 140 is none.
  expect(readWeather('date,humidity\n2026-05-03,140').ok).toBe(false)
})
