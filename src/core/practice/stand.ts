import { seededRandom, seedFromText } from '../numeric/random'
import type { LayerId } from '../pair/layers'
import type { Faults } from './nature'

/** What takes from a practice drum's ring beside itself, hidden and drawn once for each drum, layer and place. */
const LAYER_PER_SECOND = 2
const LAYER_SPREAD = 0.5
const PLACE_PER_SECOND = 0.8
const PLACE_SPREAD = 0.9

/**
 * Losses of the ring in 1/s by what lies on the drum and where it hangs.
 * @param hung words for the place on the stand; null where the drum is held by the rim
 */
export function standLossPerSecond(
  seedText: string,
  layers: readonly LayerId[],
  hung: string | null,
  faults: Faults = {},
): number {
  const drawn = (name: string, usual: number, spread: number) =>
    usual * Math.exp(spread * seededRandom(seedFromText(`${seedText}/${name}`)).normal())
  const muffled = layers.reduce((sum, layer) => sum + drawn(layer, LAYER_PER_SECOND, LAYER_SPREAD), 0)
  if (hung === null) return muffled
  return (
    muffled +
    drawn(`hung/${hung.trim().toLowerCase()}`, PLACE_PER_SECOND, PLACE_SPREAD) +
    (faults.mountLossPerSecond ?? 0)
  )
}
