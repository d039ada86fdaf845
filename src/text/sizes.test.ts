import fc from 'fast-check'
import { parseSizes } from './sizes'

const said = (text: string) =>
  parseSizes(text).drums.map(
    ({ kind, diameterInches, depthInches }) =>
      `${kind} ${diameterInches}${depthInches === null ? '' : `x${depthInches}`}`,
  )
const KIT = ['kick 22', 'floor-tom 16', 'tom 12', 'tom 10', 'snare 14']

test.each([
  ['kick 22, snare 14, toms 10 12, floor 16', KIT],
  ['22 kick, 14 snare, 12 and 10 racks, floor tom 16', KIT],
  ['22" kick, snare 14", toms 10, 12, floor 16', KIT],
  ['12, 10 racks, 16 inch floor tom, a 22 bass drum and the 14 snare', KIT],
  ['snare 14, 12, 10, kick 22, 16', KIT],
  [
    '22x16 kick, floor tom 16, 12 and 10 racks, 14x5.5 snare',
    ['kick 22x16', 'floor-tom 16', 'tom 12', 'tom 10', 'snare 14x5.5'],
  ],
  ['22 by 16 kick', ['kick 22x16']],
  ['16x22 kick', ['kick 22x16']],
  ['5,5x14 snare', ['snare 14x5.5']],
  ['floor tom 14', ['floor-tom 14']],
  ['14 floor tom', ['floor-tom 14']],
  ['tom 14', ['tom 14']],
  ['20" 14" 12"', ['kick 20', 'floor-tom 14', 'tom 12']],
  ['22 by 16 kick and a 14″ snare', ['kick 22x16', 'snare 14']],
  ['14 x 5½ snare, 13x6 1/2 snare', ['snare 14x5.5', 'snare 13x6.5']],
  ['56x41 cm kick, 356 mm snare', ['kick 22x16', 'snare 14']],
  ['', []],
])('sizes as people say them: %s', (text, drums) => {
  expect(parseSizes(text).wrong).toBeNull()
  expect(said(text)).toEqual(drums)
})

test.each([
  ['14x6.5 snare, 10 lug', 'snare 14x6.5, 10 lugs'],
  ['22x16 kick 10 lugs, with port', 'kick 22x16, 10 lugs, port'],
  ['kick 22 ported, 12 and 10 racks with 6 lugs', 'kick 22, port; tom 12; tom 10, 6 lugs'],
  ['a 20 kick without a port and a 13 snare with 8-lug', 'kick 20, no port; snare 13, 8 lugs'],
])('lugs and a port are said of the drum before them, and are no drum: %s', (text, all) => {
  const { drums, wrong } = parseSizes(text)
  expect(wrong).toBeNull()
  const words = drums.map(({ kind, diameterInches, depthInches, lugs, port }) =>
    [
      `${kind} ${diameterInches}${depthInches === null ? '' : `x${depthInches}`}`,
      ...(lugs === null ? [] : [`${lugs} lugs`]),
      ...(port === null ? [] : [port ? 'port' : 'no port']),
    ].join(', '),
  )
  expect(words.join('; ')).toBe(all)
})

test('what is no size and no drum is named, and the rest is read', () => {
  expect(said('kick 22 and cymbal 16')).toEqual(['kick 22', 'kick 16'])
  expect(parseSizes('kick 22 and cymbal 16')).toMatchObject({ wrong: 'cymbal' })
  expect(parseSizes('kick 220').wrong).toBe('220')
  expect(parseSizes('kick 22x1').wrong).toBe('22x1')
})

test('what was understood stands where it was said', () => {
  const text = '20x15 kick, floor tom 15, 12 and 10 racks, gong'
  const { understood, notUnderstood } = parseSizes(text)
  const words = (places: readonly { from: number; to: number }[]) =>
    places.map(({ from, to }) => text.slice(from, to))
  expect(words(understood)).toEqual(['20x15 kick', 'floor tom 15', '12', '10 racks'])
  expect(words(notUnderstood)).toEqual(['gong'])
})

test('kind before or after its size, in any order of drums: the same kit', () => {
  const drum = fc.record({
    word: fc.constantFrom('kick', 'snare', 'floor tom', 'rack tom'),
    inches: fc.integer({ min: 8, max: 13 }),
    before: fc.boolean(),
  })
  fc.assert(
    fc.property(fc.array(drum, { minLength: 1, maxLength: 6 }), (list) => {
      const text = list.map(({ word, inches, before }) =>
        before ? `${word} ${inches}` : `${inches} ${word}`,
      )
      const { drums, wrong } = parseSizes(text.join(', '))
      expect(wrong).toBeNull()
      const kinds = { kick: 'kick', snare: 'snare', 'floor tom': 'floor-tom', 'rack tom': 'tom' } as const
      const want = list.map(({ word, inches }) => `${kinds[word as keyof typeof kinds]} ${inches}`).sort()
      expect(drums.map(({ kind, diameterInches }) => `${kind} ${diameterInches}`).sort()).toEqual(want)
    }),
  )
})
