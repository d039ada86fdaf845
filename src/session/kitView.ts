import { believedNow, type BelievedNow } from '@/core/drift/headForecast'
import { FINDINGS } from '@/core/fitting/lookOver'
import { openFindings, type NotedFinding } from '@/core/log/findings'
import { openRun } from '@/core/log/runs'
import { SITTING_GAP_MS } from '@/core/log/sittings'
import { outOf, wantsWork, worklist } from '@/core/runs/worklist'
import { snareHeadAge } from '@/core/pair/snare'
import type { KitState } from '@/core/log/fold'
import { rangeOf } from '@/core/sheets/planning'
import { fittedSpreadCents, isOffPitch, isOut, sheetTarget, toleranceOf } from '@/core/bench/targets'
import type { DrumRange } from '@/core/kit/range'
import { SIDES, sidesOf } from '@/core/records/plain'
import type { Drum, Side, Target } from '@/core/records/kit'
import { centsBetween } from '@/core/units/pitch'
import type { SessionState } from './state'

/** One head as the Kit place shows it. */
export interface HeadSummary {
  side: Side
  meanHz: number | null
  /** Crest to trough of the fitted second harmonic, in cents. */
  spreadCents: number | null
  readAt: string | null
  target: Target | null
  /** From the target, positive when high; null where either is missing. */
  offCents: number | null
  toleranceCents: number
  /** Where it is believed to be by now, by the same forecast as the run list's; null where it was never read. */
  now: BelievedNow | null
  /** Probability that it is out of the sheet's band by now; null without a target or a reading. */
  out: number | null
  /** `moved` and `doubt`: it was in its band when it was read, and likely, or perhaps, is not any more. */
  state: 'not-read' | 'settled' | 'off' | 'uneven' | 'no-target' | 'moved' | 'doubt'
}

export interface DrumSummary {
  drum: Drum
  heads: Record<Side, HeadSummary>
  /** Head most in need of work; null when nothing is. */
  worst: HeadSummary | null
  /** What looking over found and nobody put right yet. */
  findings: NotedFinding[]
  /** Where its batter speaks, as far as size, marks and sheets say. */
  range: DrumRange
}

export function headSummary(
  kit: KitState,
  drum: Drum,
  side: Side,
  practice: boolean,
  nowMs: number,
): HeadSummary {
  const now = believedNow(kit, drum, side, practice, nowMs)
  const known = now?.known ?? null
  const target = sheetTarget(kit, drum.id, side)
  const meanHz = known?.meanHz ?? null
  const spreadCents = known ? fittedSpreadCents(known, drum.lugs) : null
  const toleranceCents = target?.toleranceCents ?? toleranceOf(drum, side, meanHz ?? 150)
  const offCents = meanHz !== null && target ? centsBetween(target.meanHz, meanHz) : null
  const out =
    now && target && offCents !== null ? outOf(offCents + now.movedCents, now.sd, null, target) : null
  return {
    ...{ side, meanHz, spreadCents, target, offCents, toleranceCents, now, out },
    readAt: known?.at ?? null,
    state: stateOf({ meanHz, spreadCents, offCents, toleranceCents, target, out, now }, nowMs),
  }
}

function stateOf(
  head: Pick<
    HeadSummary,
    'meanHz' | 'spreadCents' | 'offCents' | 'toleranceCents' | 'target' | 'out' | 'now'
  >,
  nowMs: number,
): HeadSummary['state'] {
  const { meanHz, spreadCents, offCents, toleranceCents, target, out, now } = head
  if (meanHz === null) return 'not-read'
  if (offCents !== null && isOffPitch(offCents, toleranceCents)) return 'off'
  if (!target?.keepUneven && spreadCents !== null && isOut(spreadCents, toleranceCents)) return 'uneven'
  if (!target) return 'no-target'
  const known = now !== null && nowMs - Date.parse(now.known.at) < SITTING_GAP_MS
  if (out === null || known || !wantsWork({ out, known })) return 'settled'
  return out > 0.5 ? 'moved' : 'doubt'
}

/** How far out a head is, in tolerances; 0 for what needs nothing. */
function need(head: HeadSummary): number {
  if (head.state === 'off') return Math.abs(head.offCents!) / head.toleranceCents
  if (head.state === 'uneven') return head.spreadCents! / head.toleranceCents
  if (head.state === 'moved') return head.out!
  return head.state === 'not-read' && head.target ? 0.5 : 0
}

/** Of these nobody knows where they stand now: read before anything is turned. */
const READ_FIRST: ReadonlySet<HeadSummary['state']> = new Set(['not-read', 'settled', 'moved', 'doubt'])

/** The next best thing to do with a kit, and why. */
export type NextThing =
  | { do: 'run' }
  | { do: 'look'; drum: Drum; side: Side; finding: NotedFinding }
  | { do: 'tune' | 'read'; drum: Drum; side: Side; why: HeadSummary; minutes: number | null }
  | { do: 'age'; drum: Drum; months: number }
  | { do: 'keep' }
  | { do: 'plan' }
  | null

/**
 * What to do next: a run that is under way goes first, then what is to be put right before turning, then the head most in need, by the sheet
 * where there is one; then heads never read, an old snare side, keeping what was reached, planning.
 */
export function nextThing(
  state: Pick<SessionState, 'settings' | 'clockMs'>,
  kit: KitState,
  drums: readonly DrumSummary[],
): NextThing {
  if (openRun(kit.runs)) return { do: 'run' }
  const found = drums.flatMap(({ drum, findings }) => findings.map((finding) => ({ drum, finding })))
  const first = found.find(({ finding }) => FINDINGS[finding.finding].goOn !== 'yes')
  if (first) return { do: 'look', ...first, side: first.finding.side }
  const { keys } = state.settings
  const sheet = kit.sheets.find(({ id }) => id === kit.sheet)
  const list = sheet ? worklist({ kit, sheet, practice: kit.simulated, keys, nowMs: state.clockMs }) : []
  const inNeed = list.filter(wantsWork).sort((a, b) => b.worth - a.worth)[0]
  if (inNeed) {
    const own = drums.find(({ drum }) => drum.id === inNeed.drum.id)!
    const why = own.heads[inNeed.side]
    const what = READ_FIRST.has(why.state) ? ('read' as const) : ('tune' as const)
    return { do: what, drum: own.drum, side: inNeed.side, why, minutes: inNeed.minutes }
  }
  const uneven = drums.find(({ worst }) => worst && worst.state !== 'moved')
  if (uneven)
    return { do: 'tune', drum: uneven.drum, side: uneven.worst!.side, why: uneven.worst!, minutes: null }
  for (const { drum, heads } of drums) {
    const unread = sidesOf(drum)
      .map((side) => heads[side])
      .find((head) => head.state === 'not-read')
    if (unread) return { do: 'read', drum, side: unread.side, why: unread, minutes: null }
  }
  for (const { drum } of drums) {
    const { months, age } = snareHeadAge(drum.resonant.fittedOn, state.clockMs)
    if (drum.kind === 'snare' && age === 'due') return { do: 'age', drum, months: Math.round(months!) }
  }
  if (drums.length === 0) return null
  return sheet ? { do: 'plan' } : { do: 'keep' }
}

export function kitSummary(state: Pick<SessionState, 'clockMs'>, kit: KitState): DrumSummary[] {
  // What was simulated never stands for a drum of one's own.
  const practice = kit.simulated
  return kit.drums.map((drum) => {
    const [batter, resonant] = SIDES.map((side) => headSummary(kit, drum, side, practice, state.clockMs))
    const worst = drum.oneHeaded || need(batter) >= need(resonant) ? batter : resonant
    return {
      drum,
      heads: { batter, resonant },
      worst: need(worst) > 0 ? worst : null,
      findings: openFindings(kit, drum.id, practice),
      range: rangeOf(kit, drum, practice),
    }
  })
}
