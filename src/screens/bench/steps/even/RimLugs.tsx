import { clsx } from 'clsx'
import type { RimInput, RimModel, RimReading } from '@/charts/rim.model'
import type { Pass } from '@/core/log/sittings'
import { centsBetween } from '@/core/units/pitch'
import { readAgain } from '@/session/actions/readings'
import type { BenchView } from '@/session/benchView'
import { useSession } from '@/session/react'
import { centsText, hzText } from '@/text/heads'

function lugLabel(lug: number, reading: RimReading | undefined, pass: Pass | undefined): string {
  const taps = reading ? `${reading.taps} ${reading.taps === 1 ? 'tap' : 'taps'}` : ''
  const dial = pass?.dials.get(lug)
  const word = pass?.ear.get(lug)?.replace('-', ' ')
  const said = [
    reading ? `${hzText(reading.hz)} Hz, ${taps}` : '',
    dial === undefined ? '' : `dial ${dial}`,
    word ? `${word} than lug ${pass!.earReference}`.replace('alike than', 'alike with') : '',
    reading?.leftOut ? 'left out' : '',
  ].filter(Boolean)
  return `Lug ${lug}, ${said.join(', ') || 'not tapped'}. Read it now`
}

/** Narrower than this a lug has no room for its figures. */
const LEAST_PX = 56
/** A lug is hit with a finger: narrower than this they stand in rows, one behind the other. */
const TOUCH_PX = 44

/** Rows of lugs in such a width, and how high they are together. */
export function lugRows(width: number, lugs: number): { rows: number; height: number } {
  const rows = Math.ceil(TOUCH_PX / Math.max(1, width / lugs))
  return { rows, height: rows > 1 ? rows * TOUCH_PX : width / lugs < LEAST_PX ? TOUCH_PX : FIGURES_PX }
}
const FIGURES_PX = 74

/** A button a lug, under its mark on the strip: its number, what was read of it, and reading it again. */
export function RimLugs({ view, input, model }: { view: BenchView; input: RimInput; model: RimModel }) {
  const session = useSession()
  const pass = view.sitting?.passes.at(-1)
  const pitched = (pass?.readings.size ?? 0) > 0
  const byLug = new Map(input.readings.map((reading) => [reading.lug, reading]))
  const room = (model.right - model.left) / model.lugX.length
  const { rows, height } = lugRows(model.right - model.left, model.lugX.length)
  return (
    <div className="relative" style={{ height }}>
      {model.lugX.map((x, i) => {
        const lug = i + 1
        const focused = view.phase === 'read' && view.lug === lug
        const reading = byLug.get(lug)
        return (
          <button
            key={lug}
            type="button"
            aria-label={lugLabel(lug, pitched ? reading : undefined, pass)}
            aria-current={focused ? 'step' : undefined}
            onClick={() => session && readAgain(session, lug)}
            className="absolute flex -translate-x-1/2 flex-col items-center pt-1"
            style={{ left: x, width: rows * room, top: (i % rows) * TOUCH_PX, height: height / rows }}
          >
            <span
              className={clsx(
                'text-lg leading-tight font-bold',
                focused && 'text-act underline decoration-[3px] underline-offset-4',
              )}
            >
              {lug}
            </span>
            {room < LEAST_PX ? null : pitched && reading ? (
              <>
                <span className="text-[15px] leading-tight">{hzText(reading.hz)}</span>
                <span className="text-sm leading-tight text-soft">
                  {centsText(centsBetween(input.targetHz[i], reading.hz))}
                  {reading.taps > 1 ? ` ×${reading.taps}` : ''}
                </span>
              </>
            ) : (
              <span className="text-center text-[15px] leading-tight">{saidOf(view, lug)}</span>
            )}
          </button>
        )
      })}
    </div>
  )
}

/** What a dial or an ear said of a lug. */
function saidOf({ sitting, readBy }: BenchView, lug: number): string {
  const pass = sitting?.passes.at(-1)
  if (!pass || pass.readings.size > 0) return ''
  if (readBy === 'ear' && pass.ear.size)
    return pass.ear.get(lug)?.replace('-', ' ') ?? (pass.earReference === lug ? 'reference' : '')
  return pass.dials.has(lug) ? `dial ${pass.dials.get(lug)}` : ''
}
