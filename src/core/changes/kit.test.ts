import { drumRange } from '../kit/range'
import { turnsPastWrinkles, usualLugHz } from '../kit/usual'
import { digits, holds, MEMBRANE, type Lines } from '@ref/changes/held'

/** What is usual of a size, and what marks and sheets make of it. */
function usual(): Lines {
  const lines: Lines = {}
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
  return lines
}

holds('kit', [...MEMBRANE, 'kit'], usual)
