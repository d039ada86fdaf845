import { coupledModes } from '../membrane/coupled'
import { HeadModes } from '../membrane/headModes'
import { MODE_SHAPES, modeHz, tensionFromLugHz } from '../membrane/modes'
import { ritzBasis } from '../membrane/ritz'
import { secondAnswerPrior, turnLawPrior } from '../membrane/turnLaw'
import { digits, MEMBRANE, holds, type Lines } from '@ref/changes/held'

/** Pitches, tensions and answers of heads, one by one and across a shell. */
function heads(): Lines {
  const lines: Lines = {}
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
  return lines
}

/** Modes of an unevenly pulled film, alone and before another. */
function uneven(): Lines {
  const lines: Lines = {}
  for (const [m, n] of [
    [3, 2],
    [5, 3],
  ])
    for (const other of [null, { pliesMils: [3], tension: 1800 }]) {
      const edge = { cosine: [0.0016, 0, 0.0002, 0.0001], sine: [0, 0, 0.00015] }
      const film = { diameterInches: 14, depthInches: 6.5, pliesMils: [10], edge, air: 1 }
      const modes = new HeadModes(ritzBasis(m, n), film, other)
      lines[`basis ${m} by ${n}${other ? ', two heads' : ''}`] = MODE_SHAPES.slice(0, 4)
        .flatMap((shape) => modes.near(shape).map(({ hz }) => digits(hz)))
        .join(' ')
    }
  return lines
}

holds('membrane', MEMBRANE, () => ({ ...heads(), ...uneven() }))
