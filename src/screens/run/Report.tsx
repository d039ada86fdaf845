'use client'

import { format } from 'date-fns'
import type { KitState } from '@/core/log/fold'
import type { Run } from '@/core/log/runs'
import { fileName, saveBlob } from '@/files/save'
import { runCsv } from '@/text/csv'
import { reportIntervals, reportRows, reportText } from '@/text/run'
import { Button } from '@/ui/Button'
import { Table } from '@/ui/Table'

/** What a run did: before as found, after, what was left and why, and the intervals it left the drums in. */
export function Report({ kit, run }: { kit: KitState; run: Run }) {
  const sheet = kit.sheets.find(({ id }) => id === run.sheet)
  const rows = reportRows(run, kit.drums)
  const intervals = reportIntervals(run, kit.drums)
  const minutes = run.endedAt ? Math.round((Date.parse(run.endedAt) - Date.parse(run.startedAt)) / 60_000) : 0
  const name = sheet?.name ?? 'A sheet that is gone'
  const save = () =>
    saveBlob(
      new Blob([runCsv(run, kit.drums)], { type: 'text/csv' }),
      fileName(`${kit.name} run ${run.startedAt.slice(0, 10)}`, 'csv'),
    )
  return (
    <section aria-label="Report" className="mt-6 max-w-5xl">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h2 className="text-2xl font-bold">
          {name}, {format(new Date(run.startedAt), 'd MMM HH:mm')}
        </h2>
        <span className="flex gap-2 print:hidden">
          <Button onClick={() => window.print()}>Print</Button>
          <Button onClick={save}>Save as CSV</Button>
        </span>
      </div>
      <p className="mt-1 text-lg">{reportText(rows, minutes)}</p>
      <div className="gap-10 lg:grid lg:grid-cols-[minmax(0,1.7fr)_minmax(0,1fr)]">
        <Table
          label="Heads"
          heads={['head', 'as found', 'after', 'left']}
          rows={rows.map((row) => ({
            key: `${row.drum}/${row.side}`,
            cells: [`${row.drum}, ${row.side}`, row.before, row.after, row.left],
          }))}
        />
        {intervals.length ? (
          <Table
            label="Between drums"
            heads={['from, to', 'before', 'after']}
            rows={intervals.map(({ from, to, before, after }) => ({
              key: `${from}/${to}`,
              cells: [`${from} to ${to}`, before, after],
            }))}
          />
        ) : null}
      </div>
    </section>
  )
}
