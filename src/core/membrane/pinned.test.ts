import { digits } from '@ref/advised'
import { changedSince } from '@ref/pinned'
import { coupledModes } from './coupled'
import { MODE_SHAPES, modeHz, tensionFromLugHz } from './modes'
import { secondAnswerPrior, turnLawPrior } from './turnLaw'

test('pitches, tensions and answers of heads stay as they were, one by one and across a shell', () => {
  const lines: Record<string, string> = {}
  for (const [diameterInches, depthInches, hz, portInches] of [
    [10, 7, 190, 0],
    [14, 5.5, 230, 0],
    [16, 16, 90, 0],
    [22, 18, 60, 5],
  ]) {
    const head = { diameterInches, pliesMils: [10], space: { depthInches } }
    const tension = tensionFromLugHz(head, hz)
    const modes = MODE_SHAPES.map((shape) => modeHz(head, shape, tension))
    const shell = { diameterInches, depthInches, ...(portInches ? { portInches } : {}) }
    const far = { pliesMils: [7], tension: 1.3 * tension }
    const pairs = MODE_SHAPES.slice(0, 3).flatMap((shape) =>
      coupledModes(shell, shape, { pliesMils: [10], tension }, far).flatMap((mode) => [
        mode.hz,
        mode.batter,
        mode.resonant,
      ]),
    )
    const laws = [
      turnLawPrior(diameterInches, 1.058, [10]),
      turnLawPrior(diameterInches, 1.058, [3]),
      secondAnswerPrior('die-cast', 8),
    ].flatMap(({ mean, sd }) => [mean, sd])
    lines[`${diameterInches} by ${depthInches}`] = [tension, ...modes, ...pairs, ...laws]
      .map(digits)
      .join(' ')
  }
  expect(changedSince('reference/pinned/membrane.json', lines)).toEqual([])
})
