import { turnLawOf } from '../membrane/turnLaw'
import type { Drum, Side } from '../records/kit'
import { drumLog, type KitState } from '../log/fold'
import { strokesOf, type Stroke } from '../status/strokes'
import { CHECK_LUGS } from './climbing'

/**
 * Drastic on purpose: one head up by a turn, read, struck, listened to, down past it, up again to where it was. What is next
 * is what the log lacks, so that it goes on after a reload.
 */
export type DrasticStage = 'strike' | 'turn' | 'read' | 'over'

export interface Drastic {
  side: Side
  /** How far up and how far down from where it stands, in turns of every rod. */
  up: number
  down: number
  stage: DrasticStage
  /** Turns of every rod to make next; 0 while none is wanted. */
  next: number
  /** Lugs read since the last turn. */
  lugsRead: number
  /** Strokes made: as found, up, down, back. */
  strokes: Stroke[]
}

export const DRASTIC_PLACES = ['as found', 'up', 'down', 'back'] as const
const MOVES = 3

/** The experiment that is going on or was the last one on this drum; null when there was none. */
export function drasticOf(
  kit: KitState,
  drum: Drum,
  practice: boolean,
): (Drastic & { ended: boolean }) | null {
  const going = drumLog(kit, drum.id, practice).drastic
  if (!going) return null
  const { start, moves, ended } = going
  const lugsRead = going.lugs.length
  const strokes = strokesOf(kit, drum, practice).filter(({ id }) => going.strokes.includes(id))
  const first = strokes.slice(0, MOVES + 1)
  const stage = stageOf(first.length, moves, lugsRead)
  return {
    ...{ side: start.side, up: start.up, down: start.down, stage, lugsRead, strokes: first, ended },
    next: stage === 'turn' ? [start.up, -start.up - start.down, start.down][moves] : 0,
  }
}

function stageOf(strokes: number, moves: number, lugsRead: number): DrasticStage {
  if (strokes > MOVES) return 'over'
  if (strokes > moves) return 'turn'
  return moves > 0 && lugsRead < CHECK_LUGS ? 'read' : 'strike'
}

/** A head still speaks with this much pull, in turns above slack. */
const LEAST_TURNS = 0.2
const STEP = 1 / 8
const LEAST_STEP = 1 / 4

/**
 * How far up and down a head can be moved, a turn at most: it still speaks below and stays under its limit above. Null where
 * there is not even a quarter either way.
 */
export function drasticRoom(
  drum: Drum,
  side: Side,
  hz: number,
  hz2PerTurn?: number,
): { up: number; down: number } | null {
  const k = turnLawOf(drum, side, hz2PerTurn)
  const { ceilingHz } = drum[side]
  const whole = (turns: number) => Math.floor(Math.min(1, turns) / STEP) * STEP
  const down = whole(hz ** 2 / k - LEAST_TURNS)
  const up = whole(ceilingHz === null ? 1 : (ceilingHz ** 2 - hz ** 2) / k)
  return up >= LEAST_STEP && down >= LEAST_STEP ? { up, down } : null
}
