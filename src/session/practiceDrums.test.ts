import { usualDrum } from '@/core/records/usualDrum'
import { practisedSchema } from '@/core/records/drill'
import { drillDrumOf, practiceChoices, tableDrumOf } from './practiceDrums'

test('any size can be practised on: usual ones, small and high first, and those of the kit', () => {
  const own = [usualDrum('tom', 12, 'mine'), usualDrum('kick', 22, 'boom')]
  const choices = practiceChoices(own)
  expect(new Set(choices.map(({ value }) => value)).size).toBe(choices.length)
  expect(choices[0].drum.diameterInches).toBe(10)
  expect(choices.map(({ label }) => label)).toContain('like Tom 12')
  // What is kept of a run on each of them can be read back.
  for (const { drum } of choices) {
    const far = { what: 'far', id: 'a', at: '2026-11-29T10:00:00.000Z', drum: drillDrumOf(drum), said: [] }
    expect(practisedSchema.safeParse(far).success).toBe(true)
  }
})

test('a drum of three lugs is drilled as one of four, and its heads keep their films on the table', () => {
  const drum = { ...usualDrum('tom', 10, 'odd'), lugs: 3 }
  expect(drillDrumOf(drum).lugs).toBe(4)
  const batter = tableDrumOf(drum, 'batter', 'x')
  const resonant = tableDrumOf(drum, 'resonant', 'x')
  expect(batter.pliesMils).toEqual(resonant.otherPliesMils)
  expect(batter.seedText).not.toBe(resonant.seedText)
})

test('heads set by ear are read as they were kept before, with the tool’s own way beside, and as they are kept now', () => {
  const judged = { taps: 7, passes: 2, turns: 1.25, spreadCents: 12.5, offCents: -4 }
  const now = {
    ...{ what: 'set', id: 'a', at: '2026-11-29T10:00:00.000Z', drum: drillDrumOf(usualDrum('tom', 12, 'd')) },
    ...{ foundSpreadCents: 61, ear: judged },
  }
  expect(practisedSchema.safeParse(now).success).toBe(true)
  expect(practisedSchema.safeParse({ ...now, tool: { ...judged, spreadCents: 3 } }).success).toBe(true)
})
