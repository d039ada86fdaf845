'use client'

import { format } from 'date-fns'
import type { KitState } from '@/core/log/fold'
import type { Run } from '@/core/log/runs'
import { reportRows, reportText } from '@/text/run'

/** What a run did: before, after, what was left and why. */
export function Report({ kit, run }: { kit: KitState; run: Run }) {
  const sheet = kit.sheets.find(({ id }) => id === run.sheet)
  const rows = reportRows(run, kit.drums)
  const minutes = run.endedAt ? Math.round((Date.parse(run.endedAt) - Date.parse(run.startedAt)) / 60_000) : 0
  return (
    <section aria-label="Report" className="mt-8 max-w-4xl">
      <h2 className="text-2xl font-bold">
        {sheet?.name ?? 'A sheet that is gone'}, {format(new Date(run.startedAt), 'd MMM HH:mm')}
      </h2>
      <p className="mt-1 text-lg">{reportText(rows, minutes)}</p>
      <div className="overflow-x-auto">
        <table className="mt-2 w-full text-left">
          <thead className="text-sm text-soft">
            <tr>
              {['head', 'before', 'after', 'left'].map((head) => (
                <th key={head} scope="col" className="py-1 pr-4 font-normal">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={`${row.drum}/${row.side}`} className="border-t border-line">
                <th scope="row" className="py-1 pr-4 font-bold whitespace-nowrap">
                  {row.drum}, {row.side}
                </th>
                <td className="pr-4 text-soft">{row.before}</td>
                <td className="pr-4">{row.after}</td>
                <td>{row.left}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  )
}
