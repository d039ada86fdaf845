import type { Drum, Side } from '../records/kit'

/**
 * The steps of a drum's job, in the order of work (common practice, no source): the one list that the line, the palette, the keys,
 * a drum's menu on Kit, addresses and tests read.
 */
export interface Step {
  label: string
  /** What the palette and the sheet of keys call it. */
  says: string
  /** Key as tinykeys writes it; left out where a key would be one too many. */
  key?: string
  /** Works on one head, which the address names; or on both at once. */
  heads: 'one' | 'both'
  /** Kinds of drum that have it; left out: all. */
  only?: Drum['kind']
  /** Beside the line: work that comes when it is wanted, not in its turn. */
  beside?: true
}

const LIST = {
  look: {
    ...{ label: 'look over', says: 'Look it over: heads, hoop, edge, rods, mount', key: 'o' },
    ...{ heads: 'one' },
  },
  fit: {
    ...{ label: 'fit', says: 'Fit a head, or start from slack', key: 'i' },
    ...{ heads: 'one' },
  },
  even: {
    ...{ label: 'even', says: 'Even this head: read, turn, press', key: 'z' },
    ...{ heads: 'one' },
  },
  heads: {
    ...{ label: 'both heads', says: 'Both heads: relation, centre pitch, edge to centre', key: 'b' },
    ...{ heads: 'both' },
  },
  ring: {
    ...{ label: 'ring', says: 'Ring and muffling: strike the centre, lay something on', key: 'q' },
    ...{ heads: 'both' },
  },
  snare: {
    ...{ label: 'snare', says: 'Snare: snare side, wires, bed, ranges', key: 'Shift+S' },
    ...{ heads: 'both', only: 'snare' },
  },
  kick: {
    ...{ label: 'kick', says: 'Kick: feel, tone, port, muffling', key: 'Shift+K' },
    ...{ heads: 'both', only: 'kick' },
  },
  stand: {
    ...{ label: 'on the stand', says: 'On the stand: ring held and hung', key: 'j' },
    ...{ heads: 'both' },
  },
  keep: {
    ...{ label: 'keep', says: 'Keep the drum on a sheet', key: 'k' },
    ...{ heads: 'both' },
  },
  fault: {
    ...{ label: 'find what is wrong', says: 'Find what is wrong: from complaint to cause', key: 'x' },
    ...{ heads: 'one', beside: true },
  },
  compare: {
    ...{ label: 'compare', says: 'Compare two states of this drum: numbers, ring, by ear', key: 'v' },
    ...{ heads: 'both', beside: true },
  },
  drastic: {
    ...{ label: 'one turn on purpose', says: 'One turn on purpose: learn what a head does' },
    ...{ heads: 'one', beside: true },
  },
  fast: {
    ...{ label: 'fast routine', says: 'Fast routine: five minutes a drum', key: 'Shift+F' },
    ...{ heads: 'one', beside: true },
  },
} as const satisfies Record<string, Step>

export type StepId = keyof typeof LIST
export const STEPS: Record<StepId, Step> = LIST
export const STEP_IDS = Object.keys(LIST) as [StepId, ...StepId[]]

/** A place on the line: a step, and the head it works on. */
export interface Stop {
  step: StepId
  side: Side
}

export const isStep = (text: string | null): text is StepId => text !== null && text in LIST

export function hasStep(drum: Drum, id: StepId): boolean {
  const { only } = STEPS[id]
  return only === undefined || only === drum.kind
}

/** The line of a drum: its steps in order, evening once a head, the resonant one first. Beside steps are not on it. */
export function lineOf(drum: Drum, side: Side): Stop[] {
  return STEP_IDS.filter((id) => hasStep(drum, id) && !STEPS[id].beside).flatMap((step): Stop[] =>
    step === 'even'
      ? (drum.oneHeaded ? (['batter'] as const) : (['resonant', 'batter'] as const)).map((head) => ({
          step,
          side: head,
        }))
      : [{ step, side }],
  )
}

export const besideOf = (drum: Drum): StepId[] =>
  STEP_IDS.filter((id) => hasStep(drum, id) && STEPS[id].beside)

/** Evening is one step on each head; every other step is one, whichever head it works on. */
export const sameStop = (a: Stop, b: Stop): boolean =>
  a.step === b.step && (a.step !== 'even' || a.side === b.side)

/** What a stop is called: evening by its head. */
export const stopLabel = ({ step, side }: Stop): string => (step === 'even' ? side : STEPS[step].label)
