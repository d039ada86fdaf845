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
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { useEffect } from 'react'
import { Lane, type LaneProps } from './Lane'

interface Props {
  lanes: readonly LaneProps[]
  /** Drum whose grip had the focus when these took the place of the still ones. */
  focused: string | null
  onOrder: (order: string[]) => void
}

/** Lanes that are put in order by their grips: loaded when a hand comes near one. */
export default function MovingLanes({ lanes, focused, onOrder }: Props) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  )
  useEffect(() => {
    if (focused) document.querySelector<HTMLElement>(`[data-grip="${window.CSS.escape(focused)}"]`)?.focus()
  }, [focused])
  const order = lanes.map(({ summary }) => summary.drum.id)
  const dragged = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return
    onOrder(arrayMove(order, order.indexOf(String(active.id)), order.indexOf(String(over.id))))
  }
  return (
    <DndContext id="drums" sensors={sensors} collisionDetection={closestCenter} onDragEnd={dragged}>
      <SortableContext items={order} strategy={verticalListSortingStrategy}>
        {lanes.map((lane) => (
          <MovingLane key={lane.summary.drum.id} {...lane} />
        ))}
      </SortableContext>
    </DndContext>
  )
}

function MovingLane(lane: LaneProps) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: lane.summary.drum.id,
  })
  return (
    <Lane
      {...lane}
      moving={{
        ref: setNodeRef,
        style: { transform: CSS.Translate.toString(transform), transition },
        grip: { ...attributes, ...listeners },
        dragged: isDragging,
      }}
    />
  )
}
