import { clsx } from 'clsx'
import { Button } from '@/ui/Button'
import { useCommander } from '../shell/commander'
import { ACTION_BAR } from './Big'

/** The move was made as shown, or something else happened. */
export function MoveButtons({ other, label }: { other: string; label: string }) {
  const { run } = useCommander()
  return (
    <div className={clsx(ACTION_BAR, 'flex gap-3 md:mt-4')}>
      <Button tone="act" big className="flex-1 md:flex-none" onClick={() => run('bench.turned')}>
        Turned
      </Button>
      <Button big className="px-4 text-base font-normal whitespace-nowrap" onClick={() => run(other)}>
        {label}
      </Button>
    </div>
  )
}
