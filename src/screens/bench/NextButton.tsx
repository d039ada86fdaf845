'use client'

import { clsx } from 'clsx'
import { jobView, type JobView } from '@/session/jobView'
import { useSelect } from '@/session/react'
import { nextHeadText, nextText } from '@/text/steps'
import { Button } from '@/ui/Button'
import { useCommander } from '../shell/commander'

/** What the line names next, in words; null while the step at hand has something left. */
function nextWords({ job, next }: JobView): string | null {
  if (!next) return null
  return 'stop' in next ? nextText(job, next.stop) : nextHeadText(next.drum.name, next.side)
}

/** One button to what the line names next: brass where it is the one thing to do. */
export function NextButton({ first }: { first: boolean }) {
  const words = useSelect((state) => {
    const view = jobView(state)
    return view && nextWords(view)
  })
  const { run } = useCommander()
  if (!words) return null
  return (
    <Button
      tone={first ? 'act' : 'line'}
      big
      className={clsx('max-md:grow', first ? '' : 'px-4 text-base font-normal')}
      onClick={() => run('bench.next')}
    >
      {words}
    </Button>
  )
}
