import { nearRods } from '../kit/uneven'
import type { CauseId } from '../fitting/causes'
import { turnLawPrior } from '../membrane/turnLaw'
import { seededRandom, type Random } from '../numeric/random'
import { CENTS_PER_NEPER } from '../units/pitch'
import { practiceHead, type PracticeDrum, type Rods } from './drum'
import { evenTravel, lugTruth, type PracticeHead } from './model'
import type { Faults } from './nature'

/**
 * Faults planted in a practice drum, as changes of its parts: what of them is found is `troubles`' and `answers`'.
 */
export interface Trouble {
  drum: PracticeDrum
  rods: Rods
  otherLugHz: number
  snare: boolean
  /** The drum as it stood at the last readings; null where it was never read. */
  before: Pick<Trouble, 'drum' | 'rods'> | null
}

/** Plants one cause in a sound drum that stands even at `evenHz`. */
export function plant(
  drum: PracticeDrum,
  evenHz: number,
  snare: boolean,
  cause: CauseId,
  seed: number,
): Trouble {
  const random = seededRandom(seed)
  // A fifth of all drums carry a small gel pad that is nothing to complain of.
  const faults: Faults = random.uniform() < 0.2 ? { mufflingPerSecond: 0.3 + 0.7 * random.uniform() } : {}
  const rods = { evenHz, rods: roughRods(drum.lugs, 0.008, random), presses: 6 }
  const otherLugHz = evenHz * (random.uniform() < 0.5 ? 1.26 : 1.12)
  const sound: Trouble = { drum: { ...drum, faults }, rods, otherLugHz, snare, before: null }
  const read = random.uniform() < 0.75
  const now = withCause(sound, cause, random)
  return { ...now, before: read ? beforeOf(sound, now, cause) : null }
}

const roughRods = (lugs: number, sd: number, random: Random) =>
  Array.from({ length: lugs }, () => sd * random.normal())

/** A head that is out of tune by less than this is no complaint. */
const OUT_OF_TUNE_CENTS = 15

function withCause(sound: Trouble, cause: CauseId, random: Random): Trouble {
  const { drum, rods } = sound
  const { evenHz } = rods
  const between = (least: number, most: number) => least + (most - least) * random.uniform()
  const anyRod = () => 1 + Math.floor(between(0, drum.lugs) * 0.9999)
  const withFaults = (faults: Faults): Trouble => ({
    ...sound,
    drum: { ...drum, faults: { ...drum.faults, ...faults } },
  })
  const lowered = (trouble: Trouble, by: (rod: number) => number): Trouble => ({
    ...trouble,
    rods: { ...rods, rods: rods.rods.map((turn, rod) => turn - by(rod)) },
  })
  const atTurns = (turns: number): Trouble => ({
    ...sound,
    rods: { ...rods, evenHz: Math.sqrt(turns * usualLaw(drum)) },
  })
  switch (cause) {
    case 'out-of-tune': {
      for (;;) {
        const rough = { ...sound, rods: { ...rods, rods: roughRods(drum.lugs, 0.09, random) } }
        if (spreadOf(lugTruth(headOf(rough, true)).lugHz) > OUT_OF_TUNE_CENTS) return rough
      }
    }
    case 'too-slack':
      return atTurns(between(0.15, 0.32))
    case 'too-tight':
      return atTurns(between(1.8, 2.4))
    case 'worn-head':
      return withFaults({ worn: between(0.35, 0.55) })
    case 'unsettled-head':
      return { ...sound, rods: { ...rods, presses: 0 } }
    case 'near-rods-off': {
      const near = nearRods(drum.lugs)
      return lowered(sound, (rod) => (near.includes(rod) ? between(0.13, 0.25) : 0))
    }
    case 'stripped-rod':
      return withFaults({ strippedRods: [anyRod()] })
    case 'dirty-threads': {
      const dirty = anyRod()
      return lowered(withFaults({ dirtyRods: [dirty] }), (rod) =>
        rod === dirty - 1 ? between(0.15, 0.3) : 0,
      )
    }
    case 'hoop-out-of-round': {
      const full = evenTravel(headOf(sound, true))
      return withFaults({ outOfRound: { at: random.uniform(), bindsTurns: full * between(0.55, 0.8) } })
    }
    case 'damaged-edge':
      return withFaults({ dentMm: between(0.8, 2), dentAt: random.uniform() })
    case 'other-head':
      return { ...sound, otherLugHz: evenHz * between(0.985, 1.015) }
    case 'mount':
      return withFaults({ mountLossPerSecond: between(7, 15) })
    case 'over-muffled':
      return withFaults({ mufflingPerSecond: between(8, 18) })
    case 'loose-part':
      return withFaults({ loosePart: true })
    case 'neighbour':
      return withFaults({ neighbourHz: evenHz * between(0.7, 1.6) })
    case 'wires':
      return withFaults({ bentWires: true })
    case 'thin-head':
      return withFaults({ film: 'thin' })
    case 'built-in-ring':
      return withFaults({ film: 'ring' })
    case 'nothing-takes-ring':
      return withFaults({ undamped: true, mufflingPerSecond: 0 })
    case 'closed-kick':
      return withFaults({ shut: true })
    case 'boomy-room':
      return withFaults({ boomyRoom: true })
    case 'nothing':
      return sound
  }
}

/** The drum at the last readings: rods that back off and threads that go came since, and a fresh film has sunk since. */
function beforeOf(sound: Trouble, now: Trouble, cause: CauseId): Pick<Trouble, 'drum' | 'rods'> {
  if (cause === 'near-rods-off' || cause === 'stripped-rod') return sound
  // Half a press's worth of settling that had not come yet.
  if (cause === 'unsettled-head') return { drum: now.drum, rods: { ...now.rods, presses: -0.5 } }
  return now
}

/** What a turn does on a usual drum of the size, in Hz^2. */
export const usualLaw = (drum: PracticeDrum) =>
  turnLawPrior(drum.diameterInches, drum.threadPitchMm, drum.pliesMils).mean

/** The drum for the forward model, its other head still or free. */
export function headOf({ drum, rods, otherLugHz }: Trouble, muted: boolean): PracticeHead {
  return practiceHead(drum, rods, { lugHz: otherLugHz, muted })
}

/** Highest lug pitch against lowest, in cents. */
export const spreadOf = (lugHz: readonly number[]) =>
  CENTS_PER_NEPER * Math.log(Math.max(...lugHz) / Math.min(...lugHz))
