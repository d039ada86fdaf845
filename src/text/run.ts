import { headKey } from '@/core/log/headKey'
import type { Run } from '@/core/log/runs'
import { isOut } from '@/core/status/targets'
import { wantsWork, type WorkItem } from '@/core/status/worklist'
import { SIDES } from '@/core/records/plain'
import type { Drum } from '@/core/records/kit'
import type { RunHead } from '@/core/records/sheet'
import { intervalText } from '@/core/units/intervals'
import { centsBetween } from '@/core/units/pitch'
import { handText } from './hand'
import { hzText, offText } from './heads'
import { minutesText } from './minutes'
import { fixed } from './shown'

/** "14 c low", "about 9 c low, give or take 12", "never read". */
export function standsText(item: WorkItem): string {
  const { offCents, errorCents, known, spreadCents, target } = item
  if (!target) return known ? (item.out > 0.5 ? 'not as kept' : 'as kept') : 'not measured'
  if (offCents === null) return 'never read'
  const uneven =
    spreadCents !== null &&
    isOut(spreadCents, target.toleranceCents) &&
    !target.keepUneven &&
    !target.offsetTurns
      ? `, spread ${Math.round(spreadCents)} c`
      : ''
  if (known) return `${offText(offCents)}${uneven}`
  return `about ${offText(offCents)}, give or take ${Math.max(1, Math.round(errorCents))}${uneven}`
}

/** What the sheet wants of a head: "151.5 Hz", or what the hand finds it again by. */
export const wantedText = ({ target, hand }: WorkItem): string =>
  [target ? `${hzText(target.meanHz)} Hz` : '', hand ? handText(hand) : ''].filter(Boolean).join('; ')

/** What to do with a head of the list. */
export function todoText(item: WorkItem): string {
  if (item.offCents === null && item.target) return 'read and tune'
  if (item.known) return item.out > 0.5 ? 'tune' : 'good'
  if (!wantsWork(item)) return 'likely still there'
  return item.out > 0.9 ? 'read and tune' : 'check'
}

/** Time to doors: "24 min to doors", "doors are open". */
export function doorsText(minutes: number): string {
  if (minutes <= 0) return 'doors are open'
  return minutes < 1 ? 'under a minute to doors' : `${Math.floor(minutes)} min to doors`
}

const WHY = { time: 'no time', 'good-enough': 'good enough', cannot: 'cannot be had' }

export interface ReportRow {
  drum: string
  side: string
  before: string
  after: string
  /** What became of it: read and there, left with the reason, or not read and only believed to be there. */
  ended: 'there' | 'left' | 'not-read'
  left: string
}

/** A run as a report: before, after, what was left and why; in the kit's own order. */
export function reportRows(run: Run, drums: readonly Drum[]): ReportRow[] {
  const of = (heads: readonly RunHead[], drum: string, side: string) =>
    heads.find((head) => head.drum === drum && head.side === side)
  const stood = (head: RunHead | undefined) => {
    if (!head || head.meanHz === null) return 'never read'
    const off = head.offCents === null ? '' : `, ${offText(head.offCents)}`
    if (!head.known) return `about ${fixed(head.meanHz, 1)} Hz${off}, not read`
    const spread = head.spreadCents === null ? '' : `, spread ${Math.round(head.spreadCents)} c`
    return `${fixed(head.meanHz, 1)} Hz${off}${spread}`
  }
  return drums.flatMap((drum) =>
    SIDES.flatMap((side): ReportRow[] => {
      const before = of(run.before, drum.id, side)
      if (!before) return []
      const after = of(run.after, drum.id, side)
      const key = headKey(drum.id, side)
      const why = run.left.get(key)?.why
      const ended = run.left.has(key) ? 'left' : after?.known ? 'there' : 'not-read'
      const left =
        ended === 'left' ? (why ? WHY[why] : 'left') : ended === 'not-read' ? 'likely still there' : ''
      return [{ drum: drum.name, side, before: stood(before), after: stood(after), ended, left }]
    }),
  )
}

/** One drum to the next, as a run left them: by their batters, in the kit's own order. */
export interface ReportInterval {
  from: string
  to: string
  before: string
  after: string
}

/** Intervals between drums that follow each other in the kit, before and after the run; drums that it does not know are passed over. */
export function reportIntervals(run: Run, drums: readonly Drum[]): ReportInterval[] {
  const batter = (heads: readonly RunHead[], drum: Drum) =>
    heads.find(({ drum: id, side }) => id === drum.id && side === 'batter')?.meanHz ?? null
  const known = drums.filter((drum) => batter(run.after, drum) !== null)
  const between = (heads: readonly RunHead[], a: Drum, b: Drum) => {
    const [from, to] = [batter(heads, a), batter(heads, b)]
    if (from === null || to === null) return 'not known'
    return `${intervalText(Math.abs(centsBetween(from, to)))} ${to < from ? 'down' : 'up'}`
  }
  return known.slice(1).map((to, i) => ({
    ...{ from: known[i].name, to: to.name },
    before: between(run.before, known[i], to),
    after: between(run.after, known[i], to),
  }))
}

/** A head by name: "Tom 12, batter". */
export const nameText = ({ drum, side }: Pick<WorkItem, 'drum' | 'side'>): string => `${drum.name}, ${side}`

/** What there is no time for, by name. */
export function leaveText(items: readonly WorkItem[]): string {
  return `Not everything fits before doors: leave ${items.map(nameText).join('; ')}.`
}

/** A run changes what the kit is held against: said before it is begun. */
export function heldBeforeText(held: string, to: string): string {
  return `The kit is held against ${held}. With the run it is held against ${to}.`
}

/** A head younger than its sheet. */
export function relationFirstText(hz: number): string {
  return `a new head: first to ${fixed(hz, 1)} Hz, the sheet’s relation to the other head, then to pitch`
}

/** The report in one sentence: what is there, what was left, what nobody looked at. */
export function reportText(rows: readonly ReportRow[], minutes: number): string {
  const count = (ended: ReportRow['ended']) => rows.filter((row) => row.ended === ended).length
  const parts = [
    `${count('there')} of ${rows.length} heads read and where the sheet wants them`,
    ...(count('not-read') ? [`${count('not-read')} not read and likely still there`] : []),
    ...(count('left') ? [`${count('left')} left`] : []),
  ]
  return `${parts.join(', ')}; ${minutesText(minutes)}.`
}
