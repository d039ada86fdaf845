'use client'

import { clsx } from 'clsx'
import { useSelect } from '@/session/react'
import { kitOf } from '@/session/state'
import { Button } from '@/ui/Button'
import { useCommander } from './commander'

/** Wherever one is: this kit is the demo, made up; the door to one's own, and the way out. On a phone a line of its own. */
export function DemoTag({ className }: { className: string }) {
  const { run } = useCommander()
  const demo = useSelect((state) => kitOf(state)?.simulated === true)
  if (!demo) return null
  const door = 'text-[15px] whitespace-nowrap underline'
  return (
    <div className={clsx('print:hidden', className)}>
      <span className="font-bold text-caution">demo</span>
      <span className="flex md:-ml-4 md:flex-col md:items-start">
        <Button tone="quiet" className={door} onClick={() => run('kit.own')}>
          my kit
        </Button>
        <Button tone="quiet" className={door} onClick={() => run('kit.leaveDemo')}>
          leave it
        </Button>
      </span>
    </div>
  )
}
