import { oppositeRod } from '../head/harmonics'
import { CENTS_PER_NEPER } from '../units/pitch'
import { afterPressing, afterTurning, type Rods } from './drum'
import { heldBy, lugTruth, truthOf } from './model'
import { addedLossPerSecond, type Faults } from './nature'
import { headOf, spreadOf, usualLaw, type Trouble } from './plant'
import { lugDecaySeconds } from './tap'

/** What can be measured, felt and seen of a drum, from its physical state. */
export interface Observed {
  /** Turns of an even pull above slack, as the pitch and a usual drum of the size say. */
  turnsUp: number
  spreadCents: number
  /** Spread that two passes of plain evening leave. */
  evenedSpreadCents: number
  /** What every lug has lost since the last readings, in cents; null where it was never read. */
  fellCents: number[] | null
  /** Pull of every rod against the mean, and how much a rod's pull lies apart from the others. */
  pulls: number[]
  freeRods: number
  stiffRods: number
  /** What an eighth on the lowest pair does there, against a sound drum of the same parts. */
  answered: number
  /** What an eighth on all rods does to the whole head, against the same. */
  answeredAll: number
  pressCents: number
  /** Beats that the other head adds, Hz; 0 for none. */
  beatsOtherHz: number
  /** Ring against a sound drum's: held, and mounted. */
  heldPart: number
  mountedPart: number
  mufflingPerSecond: number
  faults: Faults
  presses: number
}

const PROBE_TURNS = 1 / 8

/** Looks a drum over from all sides; some tens of milliseconds. */
export function observe(trouble: Trouble): Observed {
  const { drum, rods } = trouble
  const faults = drum.faults ?? {}
  const now = lugTruth(headOf(trouble, true))
  const { rodNewtons } = heldBy(headOf(trouble, true))
  const mean = rodNewtons.reduce((sum, n) => sum + n, 0) / rodNewtons.length
  const lowest = now.lugHz.indexOf(Math.min(...now.lugHz))
  const loss = (mounted: boolean) => addedLossPerSecond(faults, mounted)
  const ring = (perSecond: number) => lugDecaySeconds(now.meanHz, perSecond) / lugDecaySeconds(now.meanHz)
  const pressed = lugTruth(headOf({ ...trouble, rods: afterPressing(rods) }, true))
  return {
    turnsUp: now.meanHz ** 2 / usualLaw(drum),
    spreadCents: spreadOf(now.lugHz),
    evenedSpreadCents: evened(trouble),
    fellCents: trouble.before && fellSince(trouble, trouble.before, now.lugHz),
    pulls: rodNewtons.map((newtons) => newtons / Math.max(1e-9, mean)),
    freeRods: faults.strippedRods?.length ?? 0,
    stiffRods: faults.dirtyRods?.length ?? 0,
    answered: probe(trouble, lowest) / probe(soundOf(trouble), lowest),
    answeredAll: probe(trouble, 'all') / probe(soundOf(trouble), 'all'),
    pressCents: CENTS_PER_NEPER * Math.log(now.meanHz / pressed.meanHz),
    beatsOtherHz: beats(trouble),
    heldPart: ring(loss(false)),
    mountedPart: ring(loss(true)),
    mufflingPerSecond: faults.mufflingPerSecond ?? 0,
    faults,
    presses: rods.presses ?? 0,
  }
}

function fellSince(trouble: Trouble, before: Pick<Trouble, 'drum' | 'rods'>, nowHz: readonly number[]) {
  const { lugHz } = lugTruth(headOf({ ...trouble, ...before }, true))
  return lugHz.map((hz, lug) => CENTS_PER_NEPER * Math.log(hz / nowHz[lug]))
}

/** How much of a twofold pattern of turns shows in the pitch, as one would guess of any drum. */
const GUESSED_SECOND = 0.35

/** Two passes as anyone would make them: every rod by its lug's own error, pressed after each. */
function evened(trouble: Trouble): number {
  const { drum } = trouble
  let { rods } = trouble
  for (let pass = 0; pass < 2; pass++) {
    const { lugHz, meanHz } = lugTruth(headOf({ ...trouble, rods }, true))
    const turns = lugHz.map((hz) => (meanHz ** 2 - hz ** 2) / (GUESSED_SECOND * usualLaw(drum)))
    const presses = rods.presses ?? 0
    const turned = afterTurning(
      drum,
      rods,
      rods.rods.map((turn, rod) => turn + turns[rod]),
    )
    rods = { ...afterPressing(turned), presses: Math.max(1, presses) }
  }
  return spreadOf(lugTruth(headOf({ ...trouble, rods }, true)).lugHz)
}

function soundOf(trouble: Trouble): Trouble {
  return { ...trouble, drum: { ...trouble.drum, faults: {} } }
}

/** Rise of the squared pitch when a lug's pair goes up by an eighth, or all rods do, and the head is pressed. */
function probe(trouble: Trouble, lug: number | 'all'): number {
  const { drum, rods } = trouble
  const settledRods = { ...rods, presses: 6 }
  const pair = lug === 'all' ? [] : [lug, drum.lugs % 2 ? lug : oppositeRod(lug, drum.lugs)]
  const turned = rods.rods.map((turn, rod) =>
    lug === 'all' || pair.includes(rod) ? turn + PROBE_TURNS : turn,
  )
  const after = { ...afterPressing(afterTurning(drum, settledRods, turned)), presses: 6 }
  const at = (state: Rods) => {
    const { lugHz, meanHz } = lugTruth(headOf({ ...trouble, rods: state }, true))
    return (lug === 'all' ? meanHz : lugHz[lug]) ** 2
  }
  return at(after) - at(settledRods)
}

/** Poles of the lug mode's family nearer than this beat, or roughen, as one note. */
export const BEAT_HZ = { least: 0.7, most: 25 }
const HEARD_SHARE = 0.3
/** A pole of less than this part of the tapped head's movement is not heard. */

function beats(trouble: Trouble): number {
  const widest = (muted: boolean) => {
    const edge = truthOf(headOf(trouble, muted)).modes.find(({ m, n }) => m === 1 && n === 1)!
    const heard = edge.poles.filter(({ share }) => share > HEARD_SHARE).map(({ hz }) => hz)
    return Math.max(...heard) - Math.min(...heard)
  }
  const added = widest(false) - widest(true)
  return added > BEAT_HZ.least ? added : 0
}
