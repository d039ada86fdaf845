'use client'

import { useCallback, useLayoutEffect, useRef } from 'react'
import { clsx } from 'clsx'
import { sameStop, STEPS, stopLabel, type Stop, besideOf } from '@/core/status/steps'
import { goToStop } from '@/session/actions/kits'
import { jobView, type JobView } from '@/session/jobView'
import { useSelect, useSession } from '@/session/react'
import { stepState } from '@/text/steps'
import { Tape } from '@/ui/Tape'
import { TornLine } from '@/ui/TornLine'
import { useWidth } from '@/ui/useWidth'
import { EntryMark } from '../handbook/EntryLink'
import { STEP_ENTRY } from '@/handbook/links'
import { ChevronDown } from 'lucide-react'
import { stepCommand } from '@/commands/steps'
import { Menu } from '@/ui/Menu'
import type { MenuParts } from '@/ui/MenuBody'
import { useCommander, useEnabled } from '../shell/commander'

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

const MARKS = [
  ['growls', 'growls'],
  ['best', 'is best'],
  ['chokes', 'chokes'],
] as const

/** What is done beside the line, when it is wanted: the search for a fault, comparing, one turn on purpose, the fast routine. */
function Beside() {
  return (
    <Menu
      className="flex min-h-11 shrink-0 items-center gap-1 border-l border-line px-4 text-soft hover:text-ink"
      contentClass="w-80 max-w-[96vw]"
      align="end"
      button={
        <>
          beside <ChevronDown aria-hidden size={18} />
        </>
      }
    >
      {(parts) => <Items {...parts} />}
    </Menu>
  )
}

const ITEM = 'cursor-pointer outline-none data-[highlighted]:bg-case'

/** There while the menu is open: only then its words are worked out. */
function Items({ Item }: MenuParts) {
  const { run } = useCommander()
  const isEnabled = useEnabled(['bench.best', 'bench.hideFault'])
  const shown = useSelect(jobView)
  if (!shown) return null
  const { job, at } = shown
  return (
    <>
      {besideOf(job.drum).map((step) => (
        <Item key={step} onSelect={() => run(stepCommand(step))} className={`${ITEM} px-4 py-2`}>
          <span className="block text-lg leading-tight font-bold">{STEPS[step].label}</span>
          <span className="block text-[15px] text-soft">{stepState(job, { step, side: at.side }).says}</span>
        </Item>
      ))}
      {isEnabled('bench.hideFault') ? (
        <Item onSelect={() => run('bench.hideFault')} className={`${ITEM} px-4 py-2`}>
          <span className="block text-lg leading-tight font-bold">hide a fault</span>
          <span className="block text-[15px] text-soft">in the practice drum</span>
        </Item>
      ) : null}
      {isEnabled('bench.best') ? (
        <div className="flex items-center gap-1 border-t border-line px-4 pt-1">
          <span className="text-[15px] text-soft">here it</span>
          {MARKS.map(([mark, label]) => (
            <Item
              key={mark}
              onSelect={() => run(`bench.${mark}`)}
              className={`${ITEM} flex min-h-11 items-center px-2 font-bold`}
            >
              {label}
            </Item>
          ))}
        </div>
      ) : null}
    </>
  )
}
