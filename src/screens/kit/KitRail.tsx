'use client'

import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core'
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable'
import { railModel } from '@/charts/rail.model'
import type { Stop } from '@/core/bench/steps'
import type { KitState } from '@/core/log/fold'
import type { Drum } from '@/core/records/kit'
import type { KitVerdict } from '@/core/spacing/verdict'
import { orderDrums } from '@/session/actions/kits'
import type { DrumSummary } from '@/session/kitView'
import { useSelect, useSession } from '@/session/react'
import { verdictWords } from '@/text/verdict'
import { useWidth } from '@/ui/useWidth'
import { Lane, LANE_GRID } from './Lane'

/** All drums on one logarithmic axis, a lane a drum; lanes are put in order by their grips. */
export function KitRail({
  kit,
  drums,
  judged,
  onOpen,
  onEdit,
}: {
  kit: KitState
  drums: readonly DrumSummary[]
  judged: KitVerdict
  onOpen: (drum: string, stop: Stop) => void
  onEdit: (drum: Drum) => void
}) {
  const session = useSession()
  const a4Hz = useSelect((state) => state.settings.a4Hz)
  const [chartRef, width] = useWidth<HTMLDivElement>(620)
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  )
  const model = railModel(
    drums.map(({ drum, heads, range }) => ({
      id: drum.id,
      batterHz: heads.batter.meanHz,
      resonantHz: heads.resonant.meanHz,
      spreadCents: heads.batter.spreadCents,
      targetHz: heads.batter.target?.meanHz ?? null,
      toleranceCents: heads.batter.toleranceCents,
      range,
    })),
    width,
    a4Hz,
  )
  const dragged = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return
    const order = kit.drums.map(({ id }) => id)
    if (session)
      orderDrums(session, arrayMove(order, order.indexOf(String(active.id)), order.indexOf(String(over.id))))
  }

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
      <DndContext id="drums" sensors={sensors} collisionDetection={closestCenter} onDragEnd={dragged}>
        <SortableContext items={kit.drums.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
          <ol aria-label="Drums">
            {drums.map((summary, i) => (
              <Lane
                key={summary.drum.id}
                summary={summary}
                lane={model.lanes[i]}
                model={model}
                width={width}
                first={i === 0}
                last={i === drums.length - 1}
                doubts={doubtsOf(judged, summary.drum.id, drums[i + 1]?.drum.id)}
                onOpen={(stop) => onOpen(summary.drum.id, stop)}
                onEdit={() => onEdit(summary.drum)}
              />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
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
