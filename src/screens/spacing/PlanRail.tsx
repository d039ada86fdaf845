'use client'

import { allRodsText } from '@/text/relation'
import { SpacingLane } from '@/charts/SpacingLane'
import { spacingModel } from '@/charts/spacing.model'
import type { Plan } from '@/core/spacing/types'
import { leaveOut, pin } from '@/session/actions/spacing'
import { type Planning } from '@/session/selectors'
import { useSelect, useSession } from '@/session/react'
import { centsBetween } from '@/core/units/pitch'
import { centsText, hzText, noteText } from '@/text/heads'
import { Button } from '@/ui/Button'
import { Tape } from '@/ui/Tape'
import { useWidth } from '@/ui/useWidth'

const GRID = 'grid grid-cols-1 md:grid-cols-[150px_minmax(0,1fr)_262px] md:gap-x-3'
/** Pitches are set by hand to this many cents. */
const STEP = 5

/** A plan on the rail: drag a drum and the rest answers. */
export function PlanRail({ asking, plan, other }: { asking: Planning; plan: Plan; other: Plan | null }) {
  const session = useSession()
  const settings = useSelect((state) => state.settings)
  const [ref, width] = useWidth<HTMLDivElement>(460)
  if (!session) return null
  const { pinned, leftOut } = settings.spacing
  const isOut = (id: string) => leftOut.includes(id)
  const rows = asking.known.drums.map(({ drum, range, pair }) => {
    const own = plan.drums.find(({ id }) => id === drum.id) ?? null
    const was = other?.drums.find(({ id }) => id === drum.id)?.batterHz ?? null
    return { drum, range, pair, own, was }
  })
  const model = spacingModel(
    rows.map(({ drum, range, pair, own, was }) => ({
      id: drum.id,
      ...{ lowestHz: range.lowestHz, favouriteHz: range.favouriteHz, highestHz: range.highestHz },
      nowHz: pair.batterHz,
      batterHz: own?.batterHz ?? null,
      resonantHz: drum.oneHeaded ? null : (own?.resonantHz ?? null),
      otherHz: was,
      chained: drum.kind === 'tom' || drum.kind === 'floor-tom',
    })),
    width,
  )
  const move = (drum: string) => (hz: number) => {
    const steps = Math.round((1200 * Math.log2(hz / settings.a4Hz)) / STEP)
    pin(session, drum, settings.a4Hz * 2 ** ((STEP * steps) / 1200))
  }
  return (
    <div className="mt-3">
      <ol>
        {rows.map(({ drum, own, pair, was }, i) => {
          const out = (
            <Button
              tone="quiet"
              className="-my-2.5 px-1 text-sm underline"
              aria-label={`${isOut(drum.id) ? 'Take' : 'Leave'} ${drum.name} ${isOut(drum.id) ? 'in' : 'out'}`}
              onClick={() => leaveOut(session, drum.id, !isOut(drum.id))}
            >
              {isOut(drum.id) ? 'take it in' : 'leave it out'}
            </Button>
          )
          return (
            <li key={drum.id} className={`${GRID} md:h-[66px]`}>
              <Tape seed={i + 31} className="mt-1 mb-2 self-start px-3 py-1.5 max-md:w-40">
                <span className="block truncate text-lg leading-tight font-bold">{drum.name}</span>
                <span className="block truncate text-sm text-soft">
                  {pair.batterHz === null ? 'not read' : `now ${hzText(pair.batterHz)}`}
                </span>
              </Tape>
              <div ref={i === 0 ? ref : undefined}>
                <SpacingLane
                  lane={model.lanes[i]}
                  model={model}
                  width={width}
                  label={`${drum.name}, planned batter`}
                  valueHz={own?.batterHz ?? null}
                  valueText={
                    own ? `${hzText(own.batterHz)} hertz, ${noteText(own.batterHz, settings.a4Hz)}` : ''
                  }
                  pinned={drum.id in pinned}
                  onMove={move(drum.id)}
                />
              </div>
              {own ? (
                <div className="pt-1 leading-snug max-md:pb-3">
                  <span className="text-xl font-bold">{hzText(own.batterHz)}</span>{' '}
                  <span className="text-soft">{noteText(own.batterHz, settings.a4Hz)}</span>
                  {out}
                  {was ? (
                    <span className="text-soft"> ({centsText(centsBetween(was, own.batterHz))} c)</span>
                  ) : null}
                  {drum.id in pinned ? (
                    <Button
                      tone="quiet"
                      className="-my-2.5 text-sm underline"
                      aria-label={`Give ${drum.name} back to the search`}
                      onClick={() => pin(session, drum.id, null)}
                    >
                      by hand: give it back
                    </Button>
                  ) : null}
                  <span className="block text-sm text-soft">
                    {own.turns
                      ? `batter ${allRodsText(own.turns.batter)}${drum.oneHeaded ? '' : `, resonant ${allRodsText(own.turns.resonant)}`}`
                      : drum.oneHeaded
                        ? ''
                        : `resonant ${hzText(own.resonantHz)}`}
                  </span>
                </div>
              ) : (
                <div className="pt-1 text-soft">
                  {isOut(drum.id) ? 'left out' : 'not read, none of the plan'} {out}
                </div>
              )}
            </li>
          )
        })}
      </ol>
      <div className={GRID}>
        <span />
        <div className="relative h-5 text-sm text-soft" aria-hidden>
          {model.ticks.map(({ x, label }) => (
            <span key={label} className="absolute -translate-x-1/2" style={{ left: x }}>
              {label}
            </span>
          ))}
        </div>
      </div>
      <p className="mt-1 flex flex-wrap gap-x-5 text-sm text-soft">
        <span>● now</span>
        <span className="text-act">○ planned, to be dragged</span>
        <span>❙ its resonant head</span>
        <span className="text-good">band: where it speaks; ticks: at its best</span>
        {other ? <span>dotted, and in brackets: against the plan looked at before</span> : null}
      </p>
    </div>
  )
}
