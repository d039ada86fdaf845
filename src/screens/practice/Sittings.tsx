import { format } from 'date-fns'
import { weeksModel, type WeeksInput } from '@/charts/weeks.model'
import { WeeksChart } from '@/charts/WeeksChart'
import { farResult } from '@/core/ear/far'
import type { Practised } from '@/core/records/drill'
import { useSelect } from '@/session/react'
import { farText, standsText, workText } from '@/text/ear'
import { turnText } from '@/text/turns'
import { Tape } from '@/ui/Tape'
import { useWidth } from '@/ui/useWidth'

const HEIGHT = 170
/** So many sittings at most: the newest. */
const SHOWN = 24

interface Sitting {
  id: string
  at: string
  /** What was left, in words. */
  words: string
  left: number
}

type Kind = 'far' | 'set'

const KINDS: Record<
  Kind,
  {
    heading: string
    ticks: readonly number[]
    tickText: (value: number) => string
    of: (each: Practised) => Omit<Sitting, 'id' | 'at'> | null
  }
> = {
  far: {
    heading: 'Off, in turns, sitting by sitting',
    ticks: [0, 1 / 8, 1 / 4, 3 / 8, 1 / 2, 3 / 4, 1],
    tickText: turnText,
    of(each) {
      const result = each.what === 'far' ? farResult(each.said) : null
      return result && { left: result.offTurns, words: farText(result) }
    },
  },
  set: {
    heading: 'Spread left, in cents, head by head',
    ticks: [0, 10, 20, 40, 80, 160, 320],
    tickText: String,
    of: (each) =>
      each.what === 'set'
        ? {
            left: each.ear.spreadCents,
            words: `found spread ${Math.round(each.foundSpreadCents)} c; left ${standsText(each.ear)}, ${workText(each.ear)}`,
          }
        : null,
  },
}

/** How one got better at it over the weeks: every sitting that is kept, the newest at the right. */
export function Sittings({ kind }: { kind: Kind }) {
  const drills = useSelect((state) => state.drills)
  const [ref, width] = useWidth<HTMLDivElement>(700)
  const { heading, ticks, tickText, of } = KINDS[kind]
  const sittings = (drills ?? [])
    .flatMap((each): Sitting[] => {
      const found = of(each)
      return found ? [{ id: each.id, at: each.at, ...found }] : []
    })
    .slice(-SHOWN)
  if (sittings.length === 0) return null
  const dayOf = ({ at }: Sitting) => format(Date.parse(at), 'd MMM')
  const input: WeeksInput['sittings'] = sittings.map((each) => ({
    ...{ id: each.id, day: dayOf(each), left: each.left },
  }))
  return (
    <section aria-label={heading} className="mt-6 max-w-3xl border-t border-line pt-3">
      <h3 className="text-soft">{heading}</h3>
      <div ref={ref} className="mt-1">
        <Tape seed={53} teeth={18}>
          <WeeksChart
            model={weeksModel({ width, height: HEIGHT, sittings: input, ticks })}
            {...{ width, height: HEIGHT, tickText }}
          />
        </Tape>
      </div>
      <ol className="sr-only">
        {sittings.map((each) => (
          <li key={each.id}>
            {dayOf(each)}: {each.words}.
          </li>
        ))}
      </ol>
    </section>
  )
}
