import { coupledModes } from '../membrane/coupled'
import { LUG_MODE, tensionFromLugHz } from '../membrane/modes'
import type { EvenHead } from './types'

/**
 * Lug pitch with the other head muted, from one that was heard with it free. The two heads' edge modes push each other
 * apart through the air between them; within two semitones of each other by up to tens of cents.
 *
 * @returns `heardHz` itself where depth or other head are not given, since nothing can be said then
 */
export function mutedHz(head: EvenHead, heardHz: number): number {
  const { other, depthInches, diameterInches, pliesMils } = head
  if (!other || depthInches === undefined) return heardHz
  const space = { depthInches }
  const otherTension = tensionFromLugHz({ diameterInches, pliesMils: other.pliesMils, space }, other.hz)
  let hz = heardHz
  for (let i = 0; i < 12; i++) {
    const tension = tensionFromLugHz({ diameterInches, pliesMils, space }, hz)
    const modes = coupledModes(
      { diameterInches, depthInches },
      LUG_MODE,
      { pliesMils, tension },
      { pliesMils: other.pliesMils, tension: otherTension },
    )
    const own = Math.abs(modes[0].batter) >= Math.abs(modes[1].batter) ? modes[0] : modes[1]
    const correction = heardHz / own.hz
    hz *= correction
    if (Math.abs(correction - 1) < 1e-7) break
  }
  return hz
}
