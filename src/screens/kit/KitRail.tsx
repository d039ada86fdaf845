'use client'

import { lazy, Suspense, useState } from 'react'
import { railModel } from '@/charts/rail.model'
import type { Stop } from '@/core/status/steps'
import type { Drum } from '@/core/records/kit'
import type { KitVerdict } from '@/core/spacing/verdict'
import { orderDrums } from '@/session/actions/kits'
import { isForetold } from '@/core/status/drum'
import type { DrumInKit } from '@/core/status/kit'
import { useSelect, useSession } from '@/session/react'
import { verdictWords } from '@/text/verdict'
import { useWidth } from '@/ui/useWidth'
import { Lane, LANE_GRID, type LaneProps } from './Lane'

// What moves lanes is loaded when a hand comes near one.
const MovingLanes = lazy(() => import('./MovingLanes'))

interface Props {
  drums: readonly DrumInKit[]
  judged: KitVerdict
  onOpen: (drum: string, stop: Stop) => void
  onEdit: (drum: Drum) => void
}

/** All drums on one logarithmic axis, a lane a drum; lanes are put in order by their grips. */
export function KitRail({ drums, judged, onOpen, onEdit }: Props) {
  const session = useSession()
  const a4Hz = useSelect((state) => state.settings.a4Hz)
  const [chartRef, width] = useWidth<HTMLDivElement>(620)
  const [reached, setReached] = useState<{ grip: string | null } | null>(null)
  const model = railModel(
    drums.map(({ drum, heads, range }) => ({
      id: drum.id,
      batterHz: heads.batter.pitch.hz,
      resonantHz: heads.resonant.pitch.hz,
      foretold: { batter: isForetold(heads.batter), resonant: isForetold(heads.resonant) },
      spreadCents: heads.batter.evenness.spreadCents,
      targetHz: heads.batter.kept?.meanHz ?? null,
      toleranceCents: heads.batter.toleranceCents,
      range,
    })),
    width,
    a4Hz,
  )
  const lanes = drums.map((summary, i): LaneProps => ({
    ...{ summary, model, width, lane: model.lanes[i], first: i === 0, last: i === drums.length - 1 },
    doubts: doubtsOf(judged, summary.drum.id, drums[i + 1]?.drum.id),
    onOpen: (stop) => onOpen(summary.drum.id, stop),
    onEdit: () => onEdit(summary.drum),
  }))
  const reach = () =>
    setReached((before) => before ?? { grip: document.activeElement?.getAttribute('data-grip') ?? null })
  const still = lanes.map((lane) => <Lane key={lane.summary.drum.id} {...lane} onReach={reach} />)
  return (
    <>
      <div className={`${LANE_GRID} mt-4`}>
        <span className="hidden md:block" />
        <div ref={chartRef} className="relative h-6 text-sm text-soft" aria-hidden>
          {model.notes.map((tick) => (
            <span key={tick.label} className="absolute -translate-x-1/2" style={{ left: tick.x }}>
              {tick.label}
            </span>
          ))}
        </div>
      </div>
      <ol aria-label="Drums">
        {reached ? (
          <Suspense fallback={still}>
            <MovingLanes
              lanes={lanes}
              focused={reached.grip}
              onOrder={(order) => session && orderDrums(session, order)}
            />
          </Suspense>
        ) : (
          still
        )}
      </ol>
      <div className={LANE_GRID}>
        <span className="hidden md:block" />
        <div className="relative h-6 text-sm text-soft" aria-hidden>
          {model.hertz.map((tick, i) => (
            <span
              key={tick.label}
              className="absolute -translate-x-1/2 whitespace-nowrap"
              style={{ left: tick.x }}
            >
              {tick.label}
              {i === model.hertz.length - 1 ? ' Hz' : ''}
            </span>
          ))}
        </div>
      </div>
    </>
  )
}

/** What is said on one lane: to the next drum where both are too close, and beside the heads. */
function doubtsOf({ verdicts }: KitVerdict, drum: string, next: string | undefined) {
  const close = verdicts.find(
    (each) =>
      each.what === 'close' &&
      ((each.drum === drum && each.next === next) || (each.next === drum && each.drum === next)),
  )
  const heads = verdicts.filter(
    (each) => (each.what === 'mixed' || each.what === 'answers') && each.drum === drum,
  )
  return {
    next: close ? verdictWords(close) : null,
    heads: heads.length ? heads.map(verdictWords).join(', ') : null,
  }
}
