import type { Hoop } from '../membrane/turnLaw'
import { seededRandom } from '../numeric/random'

/**
 * What a practice head hides: how its parts really yield, where its hoop is not regular, and what is wrong with it.
 * Figures are those of plausible parts, set so that one turn of every rod does what was measured on two 14 inch heads
 * (see docs/decisions/practice-drum.md); no measurement of a real hoop or lug stands behind them.
 */
export interface Nature {
  /** Stretch of the film against its data sheet: a worn film resists less. */
  film: number
  /** Yielding of rods, lugs and collar against what is usual. */
  yielding: number
  /** Bending stiffness of the hoop against what is usual. */
  hoop: number
  /** Rods' own stiffness, and the hoop's stiffness around, as factors: harmonics mix a little. */
  rodStiffness: readonly number[]
  hoopIrregular: { cosine: readonly number[]; sine: readonly number[] }
  /** Edge of the film pulled further or less by the drum itself: metres, by harmonic. */
  edgeOffset: { cosine: readonly number[]; sine: readonly number[] }
  /** Rods (0-based) whose thread holds nothing. */
  stripped: readonly number[]
  /** Turns from just touching at which each rod pulls no further; Infinity for none. */
  bindsTurns: readonly number[]
  /** Half the play between rod and film edge, in turns: what sticks until the head is pressed. */
  playTurns: number
  /** Part of the pull that pressing takes away in the end. */
  settling: number
  /** The drum's own loss of ring against what is usual, with both heads free. */
  ownLoss: number
}

/** Faults that can be planted. */
export interface Faults {
  /**
   * The hoop is out of round: at both ends of its narrow axis (in turns of the drum) it comes to lie on the shell, and the
   * rods there pull the film no further once they are turned so many turns from just touching.
   */
  outOfRound?: { at: number; bindsTurns: number }
  /** A dent or bump in the bearing edge: mm of edge lost at one place, in turns of the drum. */
  dentMm?: number
  dentAt?: number
  strippedRods?: readonly number[]
  /** 0 for a fresh film; 0.4 has lost 40% of its stretch. */
  worn?: number
  /** How deep the edge is cut below the wires' ends; the first of them, in turns of the drum from lug 1 (default 0). */
  snareBedMm?: number
  snareBedAt?: number
  /** Rods that bind in their thread: stiff to the hand, whatever they pull. */
  dirtyRods?: readonly number[]
  /** Losses of the ring, 1/s: pads and dampers, and those that its mount adds. */
  mufflingPerSecond?: number
  mountLossPerSecond?: number
  /** What rings or rattles along. */
  loosePart?: boolean
  bentWires?: boolean
  neighbourHz?: number
  /** A film that is thin and cheap, or has a ring built in; a drum that nothing damps; a shut kick; a room that booms. */
  film?: 'thin' | 'ring'
  undamped?: boolean
  shut?: boolean
  boomyRoom?: boolean
}

/** A worn film rubs within itself: 1/s for one that had lost all its stretch. */
const WORN_LOSS_PER_SECOND = 14

/** Losses of the ring that faults add, in 1/s; the mount's only where it hangs on it. */
export function addedLossPerSecond(faults: Faults, mounted: boolean): number {
  const { worn = 0, mufflingPerSecond = 0, mountLossPerSecond = 0 } = faults
  return WORN_LOSS_PER_SECOND * worn + mufflingPerSecond + (mounted ? mountLossPerSecond : 0)
}

const HARMONICS = 9
/** How far real heads differ from what is usual, one standard error of a logarithm or part. */
const YIELDING_SPREAD = 0.18
const HOOP_SPREAD = 0.25
const ROD_SPREAD: Record<Hoop, number> = {
  'die-cast': 0.03,
  'triple-flanged': 0.05,
  'single-flanged': 0.06,
  wood: 0.1,
}
const HOOP_IRREGULAR: Record<Hoop, number> = {
  'die-cast': 0.03,
  'triple-flanged': 0.06,
  'single-flanged': 0.08,
  wood: 0.2,
}
const PLAY_TURNS = { least: 0.008, most: 0.03 }
const SETTLING = { least: 0.01, most: 0.04 }
const OWN_LOSS_SPREAD = 0.35

/** What a seed and the faults planted make of a head. */
export function natureOf(
  { hoop, lugs, diameterInches }: { hoop: Hoop; lugs: number; diameterInches: number },
  seed: number,
  faults: Faults = {},
): Nature {
  const random = seededRandom(seed)
  const between = ({ least, most }: { least: number; most: number }) =>
    least + (most - least) * random.uniform()
  const yielding = Math.exp(YIELDING_SPREAD * random.normal())
  const ring = Math.exp(HOOP_SPREAD * random.normal())
  const rodStiffness = Array.from({ length: lugs }, () => Math.exp(ROD_SPREAD[hoop] * random.normal()))
  const irregular = () =>
    Array.from({ length: HARMONICS }, (_, k) => (k === 0 ? 0 : (HOOP_IRREGULAR[hoop] / k) * random.normal()))
  return {
    film: 1 - (faults.worn ?? 0),
    yielding,
    hoop: ring,
    rodStiffness,
    hoopIrregular: { cosine: irregular(), sine: irregular() },
    edgeOffset: offsetOf(faults, diameterInches),
    bindsTurns: Array.from({ length: lugs }, (_, i) =>
      faults.outOfRound && nearAxis(i / lugs, faults.outOfRound.at, lugs)
        ? faults.outOfRound.bindsTurns
        : Infinity,
    ),
    stripped: (faults.strippedRods ?? []).map((rod) => rod - 1),
    playTurns: between(PLAY_TURNS),
    settling: between(SETTLING),
    ownLoss: Math.exp(OWN_LOSS_SPREAD * random.normal()),
  }
}

/** Whether a rod stands within half a lug spacing of either end of an axis; all three in turns of the drum. */
function nearAxis(rod: number, axis: number, lugs: number): boolean {
  const apart = Math.abs((((rod - axis) % 0.5) + 0.5) % 0.5)
  return Math.min(apart, 0.5 - apart) <= 0.5 / lugs + 1e-9
}

/** A head of usual parts: no play, no settling, perfectly regular. */
export function idealNature(lugs: number): Nature {
  const none = new Array<number>(HARMONICS).fill(0)
  return {
    ...{ film: 1, yielding: 1, hoop: 1, stripped: [], playTurns: 0, settling: 0, ownLoss: 1 },
    rodStiffness: new Array<number>(lugs).fill(1),
    bindsTurns: new Array<number>(lugs).fill(Infinity),
    hoopIrregular: { cosine: none, sine: none },
    edgeOffset: { cosine: none, sine: none },
  }
}

/** Reach of a dent along the edge, in rad, and of each end of a snare bed. */
const DENT_REACH = 0.2
const BED_REACH = 0.25

function offsetOf(faults: Faults, diameterInches: number) {
  const cosine = new Array<number>(HARMONICS).fill(0)
  const sine = new Array<number>(HARMONICS).fill(0)
  const add = (metres: number, at: number, reach: number) => {
    // A bump of Gaussian shape along the edge, by its Fourier coefficients.
    for (let k = 0; k < HARMONICS; k++) {
      const size =
        ((k === 0 ? 1 : 2) * metres * reach * Math.exp(-0.5 * (k * reach) ** 2)) / Math.sqrt(2 * Math.PI)
      cosine[k] += size * Math.cos(2 * Math.PI * k * at)
      sine[k] += size * Math.sin(2 * Math.PI * k * at)
    }
  }
  const { dentMm = 0, dentAt = 0, snareBedMm = 0, snareBedAt = 0 } = faults
  add(-dentMm / 1000, dentAt, DENT_REACH * (14 / diameterInches))
  // The wires run from the strainer straight across to the butt.
  for (const end of [0, 0.5]) add(-snareBedMm / 1000, snareBedAt + end, BED_REACH)
  return { cosine, sine }
}
