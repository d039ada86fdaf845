'use client'

import { ChevronDown } from 'lucide-react'
import { besideOf, STEPS } from '@/core/status/steps'
import { stepCommand } from '@/commands/steps'
import { jobView } from '@/session/jobView'
import { useSelect } from '@/session/react'
import { stepState } from '@/text/steps'
import { Menu } from '@/ui/Menu'
import type { MenuParts } from '@/ui/MenuBody'
import { useCommander, useEnabled } from '../shell/commander'

const MARKS = [
  ['growls', 'growls'],
  ['best', 'is best'],
  ['chokes', 'chokes'],
] as const

/** What is done beside the line, when it is wanted: the search for a fault, comparing, one turn on purpose, the fast routine. */
export function Beside() {
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
