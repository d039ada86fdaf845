import { times } from '@ref/long'
import { filterAndDecimate, lowPassTaps } from '../numeric/filters'
import { usualDrum } from '../records/usualDrum'
import { practiceHead } from '../practice/drum'
import { playTap } from '../practice/tap'
import { centsBetween } from '../units/pitch'
import { measureSound } from './measure'
import type { Mode } from './types'
import { lugByUpperModes } from './upper'

const RATE = 8000
const KICK = usualDrum('kick', 22, 'kick')
const head = {
  diameterInches: 22,
  pliesMils: KICK.batter.pliesMils,
  space: { depthInches: KICK.depthInches },
}

/** A lug tap on the practice kick as a small microphone hears it: nothing below a pitch. */
function heardAbove(lugHz: number, cutHz: number, seed: number): readonly Mode[] {
  const drum = { ...KICK, ...KICK.batter, seedText: `upper-${seed}`, otherPliesMils: KICK.resonant.pliesMils }
  const rods = { evenHz: lugHz, rods: new Array<number>(KICK.lugs).fill(0) }
  const still = practiceHead(drum, rods, { lugHz: 60, muted: true })
  const made = playTap(still, {
    lug: 1 + (seed % KICK.lugs),
    rateHz: RATE,
    seed,
    noiseDb: -60,
    finger: true,
    seconds: 3,
  })
  const low = filterAndDecimate(made.samples, lowPassTaps(RATE, cutHz - 4, cutHz + 4), 1)
  const cut = made.samples.map((x, i) => x - low[i])
  return measureSound(cut, RATE, { diameterInches: 22, side: 'batter' })[0].modes
}

const KICKS: Array<[lugHz: number, seed: number]> = [
  [48, 1],
  [75, 4],
  [56, 2],
  [66, 3],
]
test.each(KICKS.slice(0, times(2, 4)))(
  'a kick at %d Hz whose own tone the microphone cannot hear is told by its upper ones',
  (lugHz, seed) => {
    const modes = heardAbove(lugHz, 1.18 * lugHz, seed)
    // The tone itself is gone from what was heard.
    expect(modes.some(({ hz, levelDb }) => Math.abs(centsBetween(lugHz, hz)) < 60 && levelDb > -26)).toBe(
      false,
    )
    const reading = lugByUpperModes(head, modes, { hz: 60, cents: 400 })
    expect(reading).not.toBeNull()
    expect(reading!.used.length).toBeGreaterThanOrEqual(2)
    const off = Math.abs(centsBetween(lugHz, reading!.hz))
    expect(off).toBeLessThan(40)
    expect(off).toBeLessThan(3 * reading!.errorCents)
  },
)

test('one tone alone, or none that fits, is no reading', () => {
  const tone = (hz: number, levelDb = 0): Mode => ({ hz, decaySeconds: 0.3, levelDb, standardErrorHz: 0.05 })
  expect(lugByUpperModes(head, [tone(90)], { hz: 60, cents: 400 })).toBeNull()
  expect(lugByUpperModes(head, [], { hz: 60, cents: 400 })).toBeNull()
  expect(lugByUpperModes(head, [tone(1000), tone(1900)], { hz: 60, cents: 200 })).toBeNull()
})
