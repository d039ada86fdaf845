import { digits } from '@ref/advised'
import { changedSince } from '@ref/pinned'
import { drumRange } from './range'
import { turnsPastWrinkles, usualLugHz } from './usual'

test('what is usual of a size, and what marks and sheets make of it, stays as it was', () => {
  const lines: Record<string, string> = {}
  for (const [kind, diameterInches] of [
    ['tom', 10],
    ['floor-tom', 16],
    ['snare', 14],
    ['kick', 22],
    ['kick', 8],
  ] as const) {
    const drum = { kind, diameterInches, batterMils: [10] }
    const hz = usualLugHz(drum, 'batter')
    const marks = [
      { mark: 'growls' as const, hz: 0.9 * hz },
      { mark: 'best' as const, hz: 1.1 * hz },
      { mark: 'chokes' as const, hz: 1.12 * hz },
    ]
    const ranges = [
      drumRange(drum, [], []),
      drumRange(drum, marks.slice(0, 2), []),
      drumRange(drum, marks, [1.05 * hz]),
      drumRange(drum, [], [0.6 * hz, 1.5 * hz], 20_000),
    ].map(({ lowestHz, favouriteHz, highestHz, errorCents }) =>
      [lowestHz, favouriteHz, highestHz, ...Object.values(errorCents)].map(digits).join(' '),
    )
    lines[`${kind} ${diameterInches}`] =
      [hz, usualLugHz(drum, 'resonant'), turnsPastWrinkles(diameterInches)].map(digits).join(' ') +
      ` ${ranges.join(', ')}`
  }
  expect(changedSince('reference/pinned/kit.json', lines)).toEqual([])
})
