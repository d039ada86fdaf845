import { parseSizes } from './sizes'

const said = (text: string) =>
  parseSizes(text).drums.map(({ kind, diameterInches }) => `${kind} ${diameterInches}`)

test('sizes as people say them', () => {
  expect(said('kick 22, snare 14, toms 10 12, floor 16')).toEqual([
    'kick 22',
    'floor-tom 16',
    'tom 12',
    'tom 10',
    'snare 14',
  ])
  expect(said('20" 14" 12"')).toEqual(['kick 20', 'floor-tom 14', 'tom 12'])
  expect(parseSizes('kick 22 and cymbal 16')).toMatchObject({ wrong: 'cymbal' })
  expect(parseSizes('kick 220').wrong).toBe('220')
  expect(parseSizes('')).toEqual({ drums: [], wrong: null })
})
