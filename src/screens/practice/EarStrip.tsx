import { earModel, earTicks } from '@/charts/ear.model'
import { EarChart } from '@/charts/EarChart'
import { DRILLS } from '@/core/ear/kinds'
import { courseOf, resultOf } from '@/core/ear/result'
import type { DrillRecord } from '@/core/records/drill'
import { chanceText, lapseText, levelText, limenText, LIMEN_SOURCE, resultText } from '@/text/ear'
import { Tape } from '@/ui/Tape'
import { useWidth } from '@/ui/useWidth'
import { turnText } from '@/text/turns'

const HEIGHT = 190
const ROOM = 32

/** A run on its strip of trials, and what it says of the ear. */
export function EarStrip({ record }: { record: DrillRecord }) {
  const [ref, width] = useWidth<HTMLDivElement>(900)
  const { kind, answered, drum } = record
  const { levels } = DRILLS[kind].scale
  const result = resultOf(record)
  const model = earModel({
    ...{ width, height: HEIGHT, levels, answered, course: courseOf(record), room: ROOM },
    ticks: earTicks(levels),
  })
  return (
    <section aria-label="Strip of trials" className="border-t border-line pt-3">
      <div className="flex flex-wrap items-baseline gap-x-5">
        <p className="text-xl font-bold">{resultText(kind, result)}</p>
        <p className="text-soft">
          {DRILLS[kind].unit === 'turns' ? 'turns of the key' : 'cents apart'}, trial by trial
        </p>
        <p className="ml-auto flex gap-x-4 max-md:hidden">
          <span>
            <span aria-hidden>●</span> right
          </span>
          <span>
            <span aria-hidden>✕</span> wrong
          </span>
          <span className="text-good">
            <span aria-hidden>▬</span> what you hear
          </span>
        </p>
      </div>
      <div ref={ref} className="mt-2">
        <Tape seed={77} teeth={24}>
          <EarChart
            model={model}
            width={width}
            height={HEIGHT}
            tickText={(value) => (DRILLS[kind].unit === 'turns' ? turnText(value) : String(value))}
          />
        </Tape>
      </div>
      <p className="sr-only">
        {answered
          .map(
            ({ level, right }, i) =>
              `Trial ${i + 1}: ${levelText(kind, level)}, ${right ? 'right' : 'wrong'}.`,
          )
          .join(' ')}
      </p>
      {answered.length >= 6 ? (
        <p className="mt-2 text-soft">
          {result.told ? `${chanceText(result)}; ${lapseText(result)}. ` : ''}
          {result.told && kind === 'higher'
            ? `${limenText(result.threshold, drum.lugHz)} (${LIMEN_SOURCE})`
            : ''}
        </p>
      ) : null}
    </section>
  )
}
