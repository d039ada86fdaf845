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
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { railModel } from '@/charts/rail.model'
import { chooseHead, orderDrums } from '@/session/actions/kits'
import { chooseSheet } from '@/session/actions/sheets'
import { kitSummary, type DrumSummary } from '@/session/kitView'
import { useKit, useSession, useSessionState } from '@/session/react'
import type { Drum, Side } from '@/core/records/kit'
import { Button } from '@/ui/Button'
import { Pick } from '@/ui/Pick'
import { useWidth } from '@/ui/useWidth'
import { useCommander } from '../shell/CommandProvider'
import { DrumDialog } from './DrumDialog'
import { KitMenu } from './KitMenu'
import { Lane, LANE_GRID } from './Lane'
import { summaryText } from './summaryText'

/** The whole kit at a glance. */
export function KitScreen() {
  const session = useSession()
  const state = useSessionState()
  const kit = useKit()
  const router = useRouter()
  const { open } = useCommander()
  const [edited, setEdited] = useState<Drum | null>(null)
  const [chartRef, width] = useWidth<HTMLDivElement>(620)
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  )

  if (!session || (state.phase === 'starting' && !kit))
    return <p className="p-8 text-soft">Opening the log…</p>
  if (!kit) return <NoKit onNew={() => open('new-kit')} />

  const drums = kitSummary(state, kit)
  const model = railModel(
    drums.map(({ drum, heads }) => ({
      id: drum.id,
      batterHz: heads.batter.meanHz,
      resonantHz: heads.resonant.meanHz,
      spreadCents: heads.batter.spreadCents,
      targetHz: heads.batter.target?.meanHz ?? null,
      toleranceCents: heads.batter.toleranceCents,
    })),
    width,
    state.settings.a4Hz,
  )
  const goTo = (drum: string, side: Side) => {
    chooseHead(session, drum, side)
    router.push('/bench')
  }
  const first = drums.filter(({ worst }) => worst).sort((a, b) => urgency(b) - urgency(a))[0]
  const dragged = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return
    const order = kit.drums.map(({ id }) => id)
    orderDrums(session, arrayMove(order, order.indexOf(String(active.id)), order.indexOf(String(over.id))))
  }

  return (
    <div className="px-4 pb-8 md:px-7">
      <div className="flex flex-wrap items-start justify-between gap-x-6 gap-y-2 pt-3 md:pt-5">
        <div className="min-w-0">
          <div className="flex flex-wrap items-center gap-x-3">
            <h1 className="text-3xl font-bold md:text-4xl">{kit.name}</h1>
            <KitMenu />
            {kit.sheets.length > 0 ? (
              <Pick
                label="held against"
                value={kit.sheet ?? ''}
                items={[
                  ...kit.sheets.map(({ id, name }) => ({ value: id, label: name })),
                  { value: '', label: 'no sheet' },
                ]}
                onChange={(value) => chooseSheet(session, value || null)}
              />
            ) : null}
          </div>
          <p className="mt-1 text-lg">{summaryText(drums)}</p>
        </div>
        {first ? (
          <Button tone="act" big onClick={() => goTo(first.drum.id, first.worst!.side)}>
            Start with {first.drum.name}
          </Button>
        ) : null}
      </div>

      {drums.length === 0 ? (
        <p className="mt-8 max-w-xl text-lg">
          No drum in this kit yet. Add one by kind and size; everything else is filled in and can be changed.
        </p>
      ) : (
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
              <ol>
                {drums.map((summary, i) => (
                  <Lane
                    key={summary.drum.id}
                    summary={summary}
                    lane={model.lanes[i]}
                    model={model}
                    width={width}
                    first={i === 0}
                    last={i === drums.length - 1}
                    onOpen={(side) => goTo(summary.drum.id, side)}
                    onEdit={() => setEdited(summary.drum)}
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
          <p className="mt-3 flex flex-wrap gap-x-5 gap-y-1 text-sm text-soft">
            <span>● batter lug pitch</span>
            <span>❙ resonant lug pitch</span>
            <span className="text-good">[ ] the sheet’s target</span>
            <span>├┤ spread, drawn ten times wider</span>
          </p>
        </>
      )}
      <Button className="mt-4" onClick={() => open('add-drum')}>
        Add a drum
      </Button>
      {edited ? <DrumDialog drum={edited} onClose={() => setEdited(null)} /> : null}
    </div>
  )
}

function urgency({ worst }: DrumSummary): number {
  if (!worst) return 0
  return Math.max(Math.abs(worst.offCents ?? 0), worst.spreadCents ?? 0) / worst.toleranceCents
}

function NoKit({ onNew }: { onNew: () => void }) {
  return (
    <div className="p-8">
      <h1 className="text-4xl font-bold">No kit here yet</h1>
      <p className="mt-3 max-w-xl text-lg">
        Start a kit and add its drums, or import a kit file that was exported before.
      </p>
      <div className="mt-6 flex flex-wrap gap-3">
        <Button tone="act" big onClick={onNew}>
          Start a kit
        </Button>
        <KitMenu />
      </div>
    </div>
  )
}
