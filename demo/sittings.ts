import { even } from '@/core/evening/even'
import type { Round } from '@/core/head/types'
import { estimateHead } from '@/core/head/estimate'
import { COSINE, MEAN, SINE } from '@/core/head/kalman'
import { evenHeadOf, targetFromFit, toleranceOf } from '@/core/status/targets'
import { practiceHead, roughRods, turnedByHand } from '@/core/practice/drum'
import { pickup, truthOf } from '@/core/practice/model'
import { lugAngle } from '@/core/head/harmonics'
import { seededRandom, seedFromText } from '@/core/numeric/random'
import type { HumbraEvent } from '@/core/records/event'
import { SCHEMA_VERSION } from '@/core/records/plain'
import type { Drum, Side } from '@/core/records/kit'
import type { PracticeState } from '@/core/records/practice'
import { DRUMS, END_MS, KIT_ID } from './scenario'

/** The demo's log as it grows, and what its practice drums stand at. */
export const events: HumbraEvent[] = []
export const states = new Map<string, PracticeState>()
export const random = seededRandom(7)
export let clockMs = 0

type Body = HumbraEvent extends infer E
  ? E extends unknown
    ? Omit<E, 'id' | 'at' | 'kit' | 'schema'>
    : never
  : never

export function add(body: Body): void {
  clockMs += 20_000
  events.push({
    ...body,
    id: `demo-${String(events.length + 1).padStart(4, '0')}`,
    at: new Date(clockMs).toISOString(),
    kit: KIT_ID,
    schema: SCHEMA_VERSION,
  } as HumbraEvent)
}

export function day(daysBefore: number, hour: number): void {
  clockMs = END_MS - daysBefore * 86_400_000 - (16 - hour) * 3_600_000
}

const by = { source: 'practice', algorithm: 'demo' } as const
export const hand = { source: 'hand', algorithm: null } as const

/** The floor tom's hoop is out of round: no rod setting makes it even. */
const OVAL = { head: `${DRUMS[1].drum.id}/batter`, faults: { outOfRound: { at: 0.25, bindsTurns: 0.6 } } }

function stateOf(drum: Drum, side: Side, aroundHz: number): PracticeState {
  const key = `${drum.id}/${side}`
  let state = states.get(key)
  if (!state) {
    state = {
      kit: KIT_ID,
      drum: drum.id,
      side,
      taps: 0,
      ...roughRods(drum.lugs, aroundHz, seedFromText(key)),
      ...(key === OVAL.head ? { faults: OVAL.faults } : {}),
    }
    states.set(key, state)
  }
  return state
}

/** What a careful tap at a lug would read: the truth with its poles, and half a cent of error. */
function read(drum: Drum, side: Side, state: PracticeState, otherHz: number): Round {
  const head = practiceHead(
    {
      seedText: `${drum.id}/${side}`,
      ...drum,
      hoop: drum[side].hoop,
      pliesMils: drum[side].pliesMils,
      otherPliesMils: drum[side === 'batter' ? 'resonant' : 'batter'].pliesMils,
      ...(state.faults ? { faults: state.faults } : {}),
    },
    state,
    { lugHz: otherHz, muted: true },
  )
  const truth = truthOf(head)
  const mode = truth.modes.find(({ m, n }) => m === 1 && n === 1)!
  const readings = truth.lugHz.map((lugHz, i) => {
    const slip = 1 + (0.6 / 1731.2) * random.normal()
    const levels = mode.poles.map((pole) => {
      const spot = { radiusFraction: 0.78, angle: lugAngle(i, drum.lugs) }
      return 10 * Math.log10(pickup(pole, spot, spot) + 1e-9)
    })
    const top = Math.max(...levels)
    const poles = mode.poles.map((pole, j) => ({
      hz: round(pole.hz * slip, 3),
      decaySeconds: round(0.21 * (234 / pole.hz) ** 0.7, 3),
      levelDb: round(2 * (levels[j] - top), 1),
      standardErrorHz: round(pole.hz * 3e-4, 3),
    }))
    add({
      kind: 'readingTaken',
      drum: drum.id,
      side,
      lug: i + 1,
      hz: round(lugHz * slip, 3),
      standardErrorHz: round(lugHz * 3e-4, 3),
      poles: poles.filter((pole) => pole.levelDb > -30),
      otherHead: 'muted',
      ...by,
    })
    return { lug: i + 1, modes: poles.filter((pole) => pole.levelDb > -30) }
  })
  return { readings, pressed: true }
}

export function round(value: number, places: number): number {
  return Number(value.toFixed(places))
}

/** A sitting on one head: read, turn, press, until the tool says done or the passes are used up. */
export function sit(
  drum: Drum,
  side: Side,
  targetHz: number,
  otherHz: number,
  passes: number,
  sheet?: string,
): void {
  const state = stateOf(drum, side, targetHz)
  const rounds: Round[] = []
  const head = evenHeadOf(drum, side, null)
  for (let pass = 0; ; pass++) {
    rounds.push(read(drum, side, state, otherHz))
    const request = {
      head,
      target: { hz: targetHz },
      toleranceCents: toleranceOf(drum, side, targetHz),
      keys: 2 as const,
      largestStepTurns: 0.5,
      rounds,
    }
    const answer = even(request)
    if (answer.done || answer.reason || pass >= passes) break
    for (const step of answer.steps) {
      const turns = new Array<number>(drum.lugs).fill(0)
      step.rods.forEach((rod, i) => (turns[rod - 1] = step.turns[i]))
      add({ kind: 'rodsTurned', drum: drum.id, side, turns, planned: turns, ...by })
    }
    add({ kind: 'pressed', drum: drum.id, side, ...by })
    rounds.at(-1)!.turns = answer.turns
    state.rods = turnedByHand(state.rods, answer.turns, seedFromText(`${drum.id}${side}${events.length}b`))
    state.presses = (state.presses ?? 0) + 1
  }
  if (sheet) keep(drum, side, rounds, sheet)
}

const SHEETS: Record<string, string> = { lounge: 'Lounge, low ceiling', deck: 'Open deck' }

function keep(drum: Drum, side: Side, rounds: Round[], sheet: string): void {
  const { x, p } = estimateHead(evenHeadOf(drum, side, null), rounds).belief
  const toCents = 1731.2 / (2 * x[MEAN])
  const fit = {
    meanHz: round(Math.sqrt(x[MEAN]), 3),
    meanErrorCents: round(toCents * Math.sqrt(p[MEAN * 6]), 3),
    cosineCents: round(toCents * x[COSINE], 3),
    sineCents: round(toCents * x[SINE], 3),
    waveErrorCents: round(toCents * Math.sqrt(Math.max(p[COSINE * 6], p[SINE * 6])), 3),
  }
  add({
    kind: 'sheetKept',
    drum: drum.id,
    side,
    sheet: `demo-sheet-${sheet}`,
    name: SHEETS[sheet],
    target: targetFromFit(fit, toleranceOf(drum, side, fit.meanHz), false),
    ...by,
  })
}

/** Moves rods unseen: playing, weather, transport. */
export function drift(drum: Drum, side: Side, turns: (rod: number) => number): void {
  const state = states.get(`${drum.id}/${side}`)!
  state.rods = state.rods.map((rod, i) => rod + turns(i))
}

export function sitKit(daysBefore: number, sheet: 'lounge' | 'deck', passes: number): void {
  for (const [i, demo] of DRUMS.entries()) {
    day(daysBefore, 9 + i)
    const { batterHz, resonantHz } = demo[sheet]
    sit(demo.drum, 'resonant', resonantHz, batterHz, passes, sheet)
    sit(demo.drum, 'batter', batterHz, resonantHz, passes, sheet)
  }
}
