import { Button } from '@/ui/Button'
import { useCommander } from '../../../shell/commander'
import { Acts } from '../../Frame'

/** The move was made as shown, or something else happened. */
export function MoveButtons({ other, label }: { other: string; label: string }) {
  const { run } = useCommander()
  return (
    <Acts>
      <Button tone="act" big className="flex-1 md:flex-none" onClick={() => run('bench.turned')}>
        Turned
      </Button>
      <Button big className="px-3.5 text-base font-normal whitespace-nowrap" onClick={() => run(other)}>
        {label}
      </Button>
    </Acts>
  )
}
