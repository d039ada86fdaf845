import type { FilmAge } from '@/core/drift/films'
import { usualDrum } from '@/core/records/usualDrum'
import { ageWords, conditionText, filmKind, filmPlace } from './films'

const snare = usualDrum('snare', 14, 's')
const film = (more: Partial<FilmAge> = {}): FilmAge => ({
  ...{ id: 'f', name: null, diameterInches: 14, head: snare.batter, gone: false, history: [] },
  ...{ on: { drum: snare, side: 'batter' }, weeks: 12.4, sittings: 1, gigs: 21, plays: 26, minutes: 2520 },
  stints: [{ film: 'f', from: null, to: null, drum: snare, side: 'batter' }],
  ...more,
})

test('a head by where it is, what it is and what it went through', () => {
  expect(filmPlace(film())).toBe('Snare 14 batter')
  expect(filmPlace(film({ on: null, name: 'old one' }))).toBe('old one')
  expect(filmPlace(film({ on: null, name: 'old one', gone: true }))).toBe('old one, given away')
  expect(filmKind(film())).toBe('14 inch, one ply, 10 mil, coated')
  expect(ageWords(film())).toBe('12 weeks, 1 sitting, 21 gigs, 26 plays, 42 h played')
  expect(ageWords(film({ weeks: null, minutes: 0 }))).toBe('age unknown, 1 sitting, 21 gigs, 26 plays')
  expect(ageWords(film({ stints: [], weeks: null }))).toBe('never on a drum')
})

test('why it is worn, in words, and when to buy', () => {
  expect(conditionText({ reasons: [], worn: false, buy: false })).toBe('nothing speaks against it')
  const reasons = [
    { why: 'law-fell' as const, part: 0.55 },
    { why: 'will-not-hold' as const, centsADay: 2.34 },
    { why: 'drawn-up' as const, turns: 1.25 },
    { why: 'age' as const, months: 7 },
    { why: 'found' as const, finding: 'worn' as const },
  ]
  const text = conditionText({ reasons, worn: true, buy: true })
  expect(text).toMatch(/^worn: a turn raises it by 55% of what it did at first; it falls 2\.3 c a day/)
  expect(text).toMatch(/drawn up by 1 1\/4 turns.*7 months on.*looking over found it/)
  expect(text).toMatch(/time to buy one$/)
  expect(conditionText({ reasons, worn: true, buy: false })).not.toMatch(/buy/)
})
