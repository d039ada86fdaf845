import fc from 'fast-check'
import { usualDrum } from './usualDrum'
import { parseEvenRequest } from './even'
import { SCHEMA_VERSION } from './plain'
import { drumSchema } from './kit'
import { readKitFile, type KitFile } from './kitFile'
import { writeKitFile } from './plain'
import { parseMeasureQuery } from './measure'

const REQUEST = {
  head: {
    side: 'batter',
    diameterInches: 14,
    lugs: 8,
    hoop: 'triple-flanged',
    threadPitchMm: 1.058,
    pliesMils: [10],
  },
  target: { hz: 234 },
  rounds: [{ readingsHz: [228, 230, 231, 229, 228, 230, 231, 229] }],
}
const problemOf = (change: object) => {
  const parsed = parseEvenRequest({ ...REQUEST, ...change })
  return parsed.ok ? null : parsed.problem
}

test('an even request is taken, and what is wrong is named where it stands', () => {
  expect(problemOf({})).toBeNull()
  expect(problemOf({ rounds: [{ readingsHz: [1, 2].map(() => 230) }] })).toEqual({
    where: 'rounds[0].readingsHz',
    what: 'expected 8 readings, got 2',
  })
  expect(problemOf({ kees: 2 })).toEqual({ where: 'kees', what: 'unknown field' })
  expect(problemOf({ rounds: [{ ...REQUEST.rounds[0], torque: 1 }] })?.where).toBe('rounds[0].torque')
  expect(problemOf({ target: { hz: 234, offsetTurns: [1] } })?.where).toBe('target.offsetTurns')
  expect(problemOf({ rounds: [{ ...REQUEST.rounds[0], feel: [] }] })?.where).toBe('rounds[0].feel')
  expect(problemOf({ rounds: [{ ...REQUEST.rounds[0], mic: 'standing' }] })).toBeNull()
  expect(problemOf({ rounds: [{ ...REQUEST.rounds[0], mic: 'hanging' }] })?.where).toBe('rounds[0].mic')
  expect(problemOf({ rounds: [{ ...REQUEST.rounds[0], turns: new Array(8).fill(0) }] })?.where).toBe(
    'rounds[0].turns',
  )
  expect(problemOf({ rounds: [{}, {}] })?.where).toBe('rounds[0].turns')
  expect(
    problemOf({ rounds: [{ readings: [{ lug: 9, modes: [{ hz: 230, standardErrorHz: 1 }] }] }] })?.where,
  ).toBe('rounds[0].readings[0].lug')
})

test('no input whatever makes the check throw', () => {
  fc.assert(fc.property(fc.jsonValue(), (input) => void parseEvenRequest(input)))
})

test('options of measure', () => {
  expect(parseMeasureQuery({ band: '180-260', diameter: '14' })).toMatchObject({
    ok: true,
    value: { a4Hz: 440, options: { bandHz: [180, 260], diameterInches: 14 } },
  })
  for (const bad of [{ band: '260-180' }, { tap: 'rim' }, { expect: 'x' }, { loud: 'yes' }]) {
    expect(parseMeasureQuery(bad)).toMatchObject({ ok: false, problem: { where: Object.keys(bad)[0] } })
  }
})

const FILE: KitFile = {
  format: 'humbra-kit',
  schema: SCHEMA_VERSION,
  exportedAt: '2026-01-05T12:00:00.000Z',
  kit: 'k',
  events: [
    {
      ...{
        kind: 'kitEdited',
        id: 'e1',
        at: '2026-01-05T12:00:00.000Z',
        kit: 'k',
        schema: SCHEMA_VERSION,
        source: 'hand',
        algorithm: null,
      },
      change: { what: 'drumAdded', drum: usualDrum('tom', 12, 'd'), after: null },
    },
  ],
  practice: [],
}

test('a kit file comes back as it was written', () => {
  expect(readKitFile(writeKitFile(FILE))).toEqual({ ok: true, file: FILE })
})

test('broken, foreign, damaged and newer files are said in a sentence', () => {
  const why = (text: string) => {
    const result = readKitFile(text)
    return result.ok ? '' : result.why
  }
  const text = writeKitFile(FILE)
  expect(why(text.slice(0, -20))).toMatch(/damaged or no kit file/)
  expect(why('[]')).toMatch(/not a Humbra kit file/)
  expect(why(text.replace(`"schema": ${SCHEMA_VERSION}`, '"schema": 77'))).toMatch(/newer Humbra \(form 77/)
  expect(why(text.replace('"lugs": 6', '"lugs": 1'))).toMatch(
    /The drum Tom 12 has a number of lugs of 1, which no drum has\. Nothing was changed/,
  )
  expect(why(text.replace('"kit": "k",\n   "schema"', '"kit": "other",\n   "schema"'))).toMatch(
    /several kits/,
  )
})

test('usual drums of every kind and size are valid', () => {
  for (const kind of ['kick', 'snare', 'tom', 'floor-tom'] as const) {
    for (const inches of [8, 10, 13, 14, 16, 18, 22, 26]) {
      expect(drumSchema.safeParse(usualDrum(kind, inches, 'x')).success).toBe(true)
    }
  }
})
