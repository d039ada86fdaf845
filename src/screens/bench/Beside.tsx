'use client'

import { DropdownMenu } from 'radix-ui'
import { ChevronDown } from 'lucide-react'
import { besideOf, STEPS } from '@/core/bench/steps'
import { stepCommand } from '@/commands/steps'
import { jobView } from '@/session/jobView'
import { useSelect } from '@/session/react'
import { stepState } from '@/text/steps'
import { useCommander, useEnabled } from '../shell/commander'

const MARKS = [
  ['growls', 'growls'],
  ['best', 'is best'],
  ['chokes', 'chokes'],
] as const

/** What is done beside the line, when it is wanted: the search for a fault, comparing, one turn on purpose, the fast routine. */
export function Beside() {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className="flex min-h-11 shrink-0 items-center gap-1 border-l border-line px-4 text-soft hover:text-ink">
        beside <ChevronDown aria-hidden size={18} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" className="z-50 w-80 max-w-[96vw] bg-tape py-2 text-ink shadow-xl">
          <Items />
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

const ITEM = 'cursor-pointer outline-none data-[highlighted]:bg-case'

/** There while the menu is open: only then its words are worked out. */
function Items() {
  const { run } = useCommander()
  const isEnabled = useEnabled(['bench.best', 'bench.hideFault'])
  const shown = useSelect(jobView)
  if (!shown) return null
  const { job, at } = shown
  return (
    <>
      {besideOf(job.drum).map((step) => (
        <DropdownMenu.Item key={step} onSelect={() => run(stepCommand(step))} className={`${ITEM} px-4 py-2`}>
          <span className="block text-lg leading-tight font-bold">{STEPS[step].label}</span>
          <span className="block text-[15px] text-soft">{stepState(job, { step, side: at.side }).says}</span>
        </DropdownMenu.Item>
      ))}
      {isEnabled('bench.hideFault') ? (
        <DropdownMenu.Item onSelect={() => run('bench.hideFault')} className={`${ITEM} px-4 py-2`}>
          <span className="block text-lg leading-tight font-bold">hide a fault</span>
          <span className="block text-[15px] text-soft">in the practice drum</span>
        </DropdownMenu.Item>
      ) : null}
      {isEnabled('bench.best') ? (
        <div className="flex items-center gap-1 border-t border-line px-4 pt-1">
          <span className="text-[15px] text-soft">here it</span>
          {MARKS.map(([mark, label]) => (
            <DropdownMenu.Item
              key={mark}
              onSelect={() => run(`bench.${mark}`)}
              className={`${ITEM} flex min-h-11 items-center px-2 font-bold`}
            >
              {label}
            </DropdownMenu.Item>
          ))}
        </div>
      ) : null}
    </>
  )
}
