import {
  afterPressing,
  afterTurning,
  practiceHead,
  roughRods,
  slackRods,
  turnedByHand,
  type PracticeDrum,
  type Rods,
} from '../practice/drum'
import { lugTruth } from '../practice/model'
import { seedFromText } from '../numeric/random'
import { spreadCents } from '../head/harmonics'
import { centsBetween } from '../units/pitch'

/** A practice drum on the table: one head to turn, or more, with all that was done to them. No record of a real drum is near it. */
export interface TableHead {
  name: string
  drum: PracticeDrum
  rods: Rods
  /** Wanted mean lug pitch in Hz; null where none is. */
  targetHz: number | null
  /** Place in the list of the head that closes the same drum; null where it lies alone. */
  other: number | null
}

export type TableAct =
  | { did: 'tapped'; head: number; lug: number | 'centre' }
  | { did: 'turned'; head: number; turns: readonly number[] }
  | { did: 'pressed'; head: number }
  | { did: 'named'; head: number; lug: number }

export interface Table {
  heads: readonly TableHead[]
  acts: readonly TableAct[]
}

export type TableState = 'slack' | 'rough' | 'nearly'

/** Part of a rough head's errors that is left on one that is nearly there. */
const NEARLY = 0.35
/** Where the resonant head of a usual tom stands over its batter: a major third. */
const THIRD_ABOVE = 1.26
/** Steps towards a wanted pitch; each leaves next to nothing of what was off. */
const WANTED_STEPS = 4

/** What chance does next on the table, from words that tell one thing from another. */
export const seedOf = (...words: ReadonlyArray<string | number>): number => seedFromText(words.join('/'))

/** Where the rods of a head stand in a state, about a pitch. */
export function stateRods(drum: PracticeDrum, state: TableState, aroundHz: number, seed: number): Rods {
  if (state === 'slack') {
    const rods = slackRods(drum, aroundHz, 'fingers', seed)
    return { ...rods, seats: rods.rods, presses: 0 }
  }
  const rough = roughRods(drum.lugs, aroundHz, seed)
  const part = state === 'nearly' ? NEARLY : 1
  const rods = rough.rods.map((turn) => part * turn)
  return { evenHz: aroundHz * (rough.evenHz / aroundHz) ** part, rods, seats: rods, presses: 4 }
}

/** The other head as a tap meets it: still under a lug tap, free under a stroke on the centre. */
export function otherOf({ heads }: Table, head: number, muted: boolean): { lugHz: number; muted: boolean } {
  const { other } = heads[head]
  // A head that lies alone has a still neighbour a third above, as on a usual tom.
  if (other === null) return { lugHz: THIRD_ABOVE * heads[head].rods.evenHz, muted: true }
  return { lugHz: lugTruth(headOf({ heads, acts: [] }, other)).meanHz, muted }
}

function headOf({ heads }: Table, head: number) {
  const { drum, rods } = heads[head]
  return practiceHead(drum, rods, { lugHz: rods.evenHz, muted: true })
}

export interface HeadNow {
  lugHz: number[]
  meanHz: number
  spreadCents: number
  /** Cents from the wanted pitch; null where none is wanted. */
  offCents: number | null
}

/** How a head truly stands: settled lug pitches, its other head still. */
export function headNow(table: Table, head: number): HeadNow {
  const { lugHz, meanHz } = lugTruth(headOf(table, head))
  const { targetHz } = table.heads[head]
  return {
    lugHz,
    meanHz,
    spreadCents: spreadCents(lugHz),
    offCents: targetHz === null ? null : centsBetween(targetHz, meanHz),
  }
}

const withHead = (table: Table, head: number, change: Partial<TableHead>): TableHead[] =>
  table.heads.map((each, i) => (i === head ? { ...each, ...change } : each))

export const tapped = (table: Table, head: number, lug: number | 'centre'): Table => ({
  ...table,
  acts: [...table.acts, { did: 'tapped', head, lug }],
})

/** Rods turned by hand: each ends a little off, and comes to lie where the film follows. */
export function turned(table: Table, head: number, turns: readonly number[]): Table {
  const { drum, rods } = table.heads[head]
  const seed = seedFromText(`${drum.seedText}/${table.acts.length}`)
  const moved = afterTurning(drum, rods, turnedByHand(rods.rods, turns, seed))
  return {
    heads: withHead(table, head, { rods: moved }),
    acts: [...table.acts, { did: 'turned', head, turns: [...turns] }],
  }
}

export function pressed(table: Table, head: number): Table {
  return {
    heads: withHead(table, head, { rods: afterPressing(table.heads[head].rods) }),
    acts: [...table.acts, { did: 'pressed', head }],
  }
}

export const named = (table: Table, head: number, lug: number): Table => ({
  ...table,
  acts: [...table.acts, { did: 'named', head, lug }],
})

/**
 * The same head as it is wanted, to hear it beside the one on the table: sound, rods level, and set so that one lug gives
 * the wanted pitch in Hz, which is what a tuned reference beside the drum would be.
 */
export function wantedHead(
  { drum: table }: TableHead,
  targetHz: number,
  lug: number,
): Pick<TableHead, 'drum' | 'rods'> {
  const drum = { ...table, faults: {} }
  const level = new Array<number>(drum.lugs).fill(0)
  let rods: Rods = { evenHz: targetHz, rods: level, seats: level, presses: 4 }
  for (let i = 0; i < WANTED_STEPS; i++) {
    const { lugHz } = lugTruth(practiceHead(drum, rods, { lugHz: THIRD_ABOVE * targetHz, muted: true }))
    rods = { ...rods, evenHz: (rods.evenHz * targetHz) / lugHz[lug - 1] }
  }
  return { drum, rods }
}

export interface Work {
  taps: number
  /** A pass is all that is turned between two spells of listening. */
  passes: number
  /** Turns of the key made, whichever way, summed over all rods. */
  turns: number
}

/** What was done. */
export function workOf({ acts }: Table): Work {
  const work: Work = { taps: 0, passes: 0, turns: 0 }
  let turning = false
  for (const act of acts) {
    if (act.did === 'tapped') {
      work.taps++
      turning = false
    }
    if (act.did !== 'turned') continue
    if (!turning) work.passes++
    turning = true
    work.turns += act.turns.reduce((sum, turn) => sum + Math.abs(turn), 0)
  }
  return work
}
