import { format } from 'date-fns'
import { earModel } from '@/charts/ear.model'
import { EarChart } from '@/charts/EarChart'
import { DRILLS } from '@/core/ear/kinds'
import { toneLimenCents } from '@/core/ear/limens'
import { courseOf, resultOf } from '@/core/ear/result'
import type { DrillId, DrillRecord } from '@/core/records/drill'
import { useSelect } from '@/session/react'
import { levelText, resultText } from '@/text/ear'
import { fixed } from '@/text/shown'
import { Tape } from '@/ui/Tape'

const SHOWN = 6
const STRIP = { width: 168, height: 64 }

interface Props {
  kind: DrillId
  /** The run that stands on the strip above. */
  without: string | undefined
}

/** Earlier runs of a drill, newest last, and by size of drum. */
export function Progress({ kind, without }: Props) {
  const drills = useSelect((state) => state.drills)
  const runs = (drills ?? []).filter(
    (each): each is DrillRecord =>
      each.what === 'drill' && each.kind === kind && each.answered.length > 0 && each.id !== without,
  )
  if (runs.length === 0) return null
  return (
    <div className="mt-4 grid gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_380px]">
      <section aria-label="Week by week">
        <h3 className="text-soft">Week by week</h3>
        <Tape seed={31} className="flex flex-wrap gap-x-4 px-4 py-2">
          {runs.slice(-SHOWN).map((run) => (
            <SmallRun key={run.id} run={run} />
          ))}
        </Tape>
      </section>
      <BySize runs={runs} kind={kind} />
    </div>
  )
}

function SmallRun({ run }: { run: DrillRecord }) {
  const { levels } = DRILLS[run.kind].scale
  const result = resultOf(run)
  const model = earModel({
    ...STRIP,
    ...{
      levels,
      answered: run.answered,
      course: courseOf(run),
      room: run.answered.length + 1,
      ticks: [],
      small: true,
    },
  })
  return (
    <div className="py-1">
      <div className="max-md:hidden">
        <EarChart model={model} {...STRIP} tickText={() => ''} small />
      </div>
      <p className="text-sm text-soft">
        {format(Date.parse(run.at), 'd MMM')},{' '}
        <span className="text-base font-bold text-ink" title={resultText(run.kind, result)}>
          {result.told ? levelText(run.kind, result.threshold) : 'not told'}
        </span>{' '}
        {result.told ? `± ${levelText(run.kind, result.error).replace(/ (c|turn)$/, '')}` : ''}
      </p>
    </div>
  )
}

/** The newest result of every size that was drilled, low drums first, beside the limen of tones there. */
function BySize({ runs, kind }: { runs: readonly DrillRecord[]; kind: DrillId }) {
  const newest = new Map<string, DrillRecord>()
  for (const run of runs)
    if (resultOf(run).told) newest.set(`${run.drum.diameterInches}/${Math.round(run.drum.lugHz)}`, run)
  const rows = [...newest.values()].sort((a, b) => a.drum.lugHz - b.drum.lugHz)
  if (rows.length === 0) return null
  return (
    <table className="h-fit w-full text-left">
      <caption className="text-left text-soft">By size and pitch</caption>
      <thead className="text-sm text-soft">
        <tr>
          <th className="font-normal">drum</th>
          <th className="font-normal">near</th>
          <th className="font-normal">you</th>
          {kind === 'higher' ? <th className="font-normal">a long tone</th> : null}
        </tr>
      </thead>
      <tbody>
        {rows.map((run) => {
          const { threshold, error } = resultOf(run)
          return (
            <tr key={run.id} className="border-t border-line">
              <td className="py-1.5">{run.drum.diameterInches} inch</td>
              <td>{Math.round(run.drum.lugHz)} Hz</td>
              <td className="font-bold">
                {levelText(kind, threshold)}{' '}
                <span className="font-normal text-soft">
                  ± {levelText(kind, error).replace(/ (c|turn)$/, '')}
                </span>
              </td>
              {kind === 'higher' ? <td>{fixed(toneLimenCents(run.drum.lugHz), 1)} c</td> : null}
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
