import { usualDrum } from '@/core/records/usualDrum'
import { readTable } from './table'

const DRUMS = [usualDrum('tom', 12, 't12'), usualDrum('floor-tom', 16, 'f16'), usualDrum('snare', 14, 's')]
const read = (text: string) => readTable(text, DRUMS, 440, 'sharps')

test('a table out of a spreadsheet, by its headings', () => {
  const table = read('Drum\tResonant Hz\tBatter Hz\r\nTom 12\t220,5\t196\r\n16 floor tom\tE3\t110.5\r\n')
  expect(table?.columns).toEqual({ drum: 1, batter: 3, resonant: 2 })
  expect(table?.rows).toMatchObject([
    { drum: 't12', batterHz: 196, resonantHz: 220.5, odd: [] },
    { drum: 'f16', batterHz: 110.5 },
  ])
  expect(table?.rows[1].resonantHz).toBeCloseTo(164.81, 2)
})

test('without headings the order counts; semicolons part where commas are decimal', () => {
  expect(read('snare;250,5;390\n12 tom;A3;')?.rows).toMatchObject([
    { drum: null, said: null, batterHz: 250.5, resonantHz: 390 },
    { drum: 't12', batterHz: 220, resonantHz: null },
  ])
  // One row alone gives no pattern to guess from.
  expect(read('Tom 12;150,5')?.rows).toMatchObject([{ drum: 't12', batterHz: 150.5, resonantHz: null }])
  expect(read('Snare 14,250.5,390')?.rows).toMatchObject([{ drum: 's', batterHz: 250.5, resonantHz: 390 }])
})

test('what is no pitch is named, a drum that is not here is what its words say, and no table is none', () => {
  expect(read('22 kick\tabout 60\t70')?.rows).toMatchObject([
    {
      drum: null,
      said: { kind: 'kick', diameterInches: 22 },
      batterHz: null,
      resonantHz: 70,
      odd: ['about 60'],
    },
  ])
  for (const none of ['', 'hello', 'one, two and three', 'a\tb\nc\td']) expect(read(none)).toBeNull()
})
