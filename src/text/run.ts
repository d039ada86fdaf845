import { headKey } from '@/core/log/headKey'
import type { Run } from '@/core/log/runs'
import { isOut } from '@/core/bench/targets'
import { wantsWork, type WorkItem } from '@/core/runs/worklist'
import { SIDES, type Drum } from '@/core/records/kit'
import type { RunHead } from '@/core/records/sheet'
import { offText } from './heads'
import { minutesText } from './minutes'

/** "14 c low", "about 9 c low, give or take 12", "never read". */
export function standsText({ offCents, errorCents, known, spreadCents, target }: WorkItem): string {
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

/** What to do with a head of the list. */
export function todoText(item: WorkItem): string {
  if (item.offCents === null) return 'read and tune'
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
    if (!head.known) return `about ${head.meanHz.toFixed(1)} Hz${off}, not read`
    const spread = head.spreadCents === null ? '' : `, spread ${Math.round(head.spreadCents)} c`
    return `${head.meanHz.toFixed(1)} Hz${off}${spread}`
  }
  return drums.flatMap((drum) =>
    SIDES.flatMap((side): ReportRow[] => {
      const before = of(run.before, drum.id, side)
      if (!before) return []
      const after = of(run.after, drum.id, side)
      const key = headKey(drum.id, side)
      const why = run.left.get(key)
      const ended = run.left.has(key) ? 'left' : after?.known ? 'there' : 'not-read'
      const left =
        ended === 'left' ? (why ? WHY[why] : 'left') : ended === 'not-read' ? 'likely still there' : ''
      return [{ drum: drum.name, side, before: stood(before), after: stood(after), ended, left }]
    }),
  )
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
