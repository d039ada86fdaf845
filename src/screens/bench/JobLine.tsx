'use client'

import { useCallback, useLayoutEffect, useRef } from 'react'
import { clsx } from 'clsx'
import { sameStop, STEPS, stopLabel, type Stop } from '@/core/status/steps'
import { goToStop } from '@/session/actions/kits'
import { jobView, type JobView } from '@/session/jobView'
import { useSelect, useSession } from '@/session/react'
import { stepState } from '@/text/steps'
import { Tape } from '@/ui/Tape'
import { TornLine } from '@/ui/TornLine'
import { useWidth } from '@/ui/useWidth'
import { Beside } from './Beside'
import { EntryMark } from '../handbook/EntryLink'
import { STEP_ENTRY } from '@/handbook/links'

/** How much the line says: everything; of what nobody began only its name; only what stands open, and the row scrolls. */
const LESS = ['0', '1', '2']

/** The drum's job as one strip of steps, each with how it stands; the one at hand on tape, the next one named. */
export function JobLine() {
  const shown = useSelect(jobView)
  const row = useRef<HTMLOListElement | null>(null)
  const [measure, width] = useWidth<HTMLOListElement>(0)
  const ref = useCallback(
    (element: HTMLOListElement | null) => {
      row.current = element
      measure(element)
    },
    [measure],
  )
  const words = shown ? said(shown) : ''
  useLayoutEffect(() => {
    if (row.current) fit(row.current)
  }, [words, width])
  if (!shown) return null
  const beside = STEPS[shown.at.step].beside ? [shown.at] : []
  return (
    <nav aria-label={`The job of ${shown.job.drum.name}`} className="flex shrink-0 border-b border-line">
      <ol ref={ref} className="group/line flex min-w-0 flex-1 overflow-x-auto [scrollbar-width:none] md:pl-3">
        {[...shown.line, ...beside].map((stop, i) => (
          <Item key={i} shown={shown} stop={stop} seed={i} />
        ))}
      </ol>
      <EntryMark entry={STEP_ENTRY[shown.at.step]} />
      <Beside />
    </nav>
  )
}

/** Says less until the row fits, measured; a row that is longer still shows where one is. */
function fit(row: HTMLElement): void {
  for (const less of LESS) {
    row.dataset.less = less
    if (row.scrollWidth <= row.clientWidth + 1) break
  }
  const here = row.querySelector('[aria-current="step"]')?.getBoundingClientRect()
  const all = row.getBoundingClientRect()
  if (here) row.scrollLeft += here.left + here.width / 2 - (all.left + all.width / 2)
}

/** Everything that the line says, to notice when it has to be fitted anew. */
const said = ({ job, line, at, next }: JobView) =>
  JSON.stringify([line.map((stop) => stepState(job, stop)), at, next && 'stop' in next ? next.stop : null])

function Item({ shown, stop, seed }: { shown: JobView; stop: Stop; seed: number }) {
  const session = useSession()
  const { job, at, next } = shown
  const here = sameStop(stop, at)
  const isNext = next !== null && 'stop' in next && sameStop(next.stop, stop)
  const { says, open, caution, done } = stepState(job, stop)
  const brief = here || isNext || open ? '' : done ? BRIEF.done : BRIEF.begun
  const content = (
    <button
      type="button"
      aria-current={here ? 'step' : undefined}
      aria-label={[stopLabel(stop), says, open, isNext && !here ? 'next' : ''].filter(Boolean).join(', ')}
      onClick={() => session && goToStop(session, stop)}
      className={clsx(
        'relative flex min-h-16 flex-col justify-center text-left whitespace-nowrap',
        here ? 'px-6' : 'px-3.5',
      )}
    >
      {done || caution ? (
        <span
          aria-hidden
          className={clsx(
            'absolute top-0 left-3.5 h-1.5 w-5',
            caution ? 'bg-caution' : 'bg-good',
            here && 'left-6',
            NOTCH,
          )}
        />
      ) : null}
      <span
        className={clsx(
          here ? 'text-[25px] leading-tight font-extrabold' : 'text-[17px]',
          !here && (done || open || isNext ? 'font-bold' : 'text-soft'),
        )}
      >
        {stopLabel(stop)}
      </span>
      <span className={clsx('text-sm leading-snug', brief)}>
        <span className={here ? 'text-ink' : 'text-soft'}>{says}</span>
        {open ? (
          <>
            <span className="text-soft">{says ? ', ' : ''}</span>
            <span className={clsx('font-bold', caution ? 'text-caution' : 'text-act')}>{open}</span>
          </>
        ) : null}
        {isNext && !here ? <span className="font-bold text-act">{says || open ? ' · ' : ''}next</span> : null}
      </span>
    </button>
  )
  return (
    <li className="flex shrink-0">
      {here ? (
        <Tape seed={seed + 61} teeth={9} outerClass="flex" className="h-full">
          {content}
        </Tape>
      ) : (
        <>
          {content}
          <TornLine seed={seed + 61} />
        </>
      )}
    </li>
  )
}

const BRIEF = {
  begun: 'group-data-[less=1]/line:sr-only group-data-[less=2]/line:sr-only',
  done: 'group-data-[less=2]/line:sr-only',
}
const NOTCH = '[clip-path:polygon(0_0,100%_0,78%_100%,22%_100%)]'
