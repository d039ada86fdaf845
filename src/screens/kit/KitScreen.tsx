'use client'

import { judgedAsRead } from '@/session/selectors'
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
import { type KitVerdict } from '@/core/spacing/verdict'
import { verdictWords } from '@/text/verdict'
import { chooseHead, keepBorrowed, orderDrums, removeKit } from '@/session/actions/kits'
import { chooseSheet } from '@/session/actions/sheets'
import { kitSummary, nextThing } from '@/session/kitView'
import { useKit, useSelect, useSession } from '@/session/react'
import type { Drum, Side } from '@/core/records/kit'
import { Button } from '@/ui/Button'
import { Pick } from '@/ui/Pick'
import { useWidth } from '@/ui/useWidth'
import { useCommander } from '../shell/commander'
import { DrumDialog } from './DrumDialog'
import { KitMenu } from './KitMenu'
import { Lane, LANE_GRID } from './Lane'
import { nextText, summaryText } from './summaryText'
import { VerdictPart } from './VerdictPart'

/** The whole kit at a glance. */
export function KitScreen() {
  const session = useSession()
  const state = useSelect(({ clockMs, phase, settings }) => ({ clockMs, phase, settings }))
  const kit = useKit()
  const router = useRouter()
  const { open } = useCommander()
  const [edited, setEdited] = useState<Drum | null>(null)
  const [chartRef, width] = useWidth<HTMLDivElement>(620)
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  )
  const judged = useSelect(judgedAsRead)

  if (!session || (state.phase === 'starting' && !kit))
    return <p className="p-8 text-soft">Opening the log…</p>
  if (!kit) return <NoKit onNew={() => open('new-kit')} />

  const drums = kitSummary(state, kit)
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
    state.settings.a4Hz,
  )
  const goTo = (drum: string, side: Side) => {
    chooseHead(session, drum, side)
    router.push('/bench')
  }
  const next = nextThing(state, kit, drums)
  const words = nextText(next)
  const goOn = () => {
    if (!next) return
    if (next.do === 'run') return router.push('/run')
    if (next.do === 'plan') return router.push('/spacing')
    if (next.do === 'keep') return router.push('/sheets')
    goTo(next.drum.id, next.do === 'age' ? 'resonant' : next.side)
    if (next.do === 'look') open('look')
    if (next.do === 'age') open('fit')
  }
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
            {kit.simulated ? <span className="font-bold text-caution">simulated</span> : null}
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
          {kit.borrowed ? <Borrowed /> : null}
        </div>
        {words ? (
          <div className="max-w-xs text-right max-md:text-left">
            <Button tone="act" big onClick={goOn}>
              {words.act}
            </Button>
            <p className="mt-1 text-sm leading-snug text-soft">{words.why}</p>
          </div>
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
          <VerdictPart judged={judged} names={new Map(kit.drums.map(({ id, name }) => [id, name]))} />
          <p className="mt-3 flex flex-wrap gap-x-5 gap-y-1 text-sm text-soft">
            <span>● batter lug pitch</span>
            <span>❙ resonant lug pitch</span>
            <span className="text-good">[ ] the sheet’s target</span>
            <span>├┤ spread, drawn ten times wider</span>
            <span className="text-good">bar: where the batter speaks, its best marked</span>
          </p>
        </>
      )}
      <Button className="mt-4 mr-3" onClick={() => open('add-drum')}>
        Add a drum
      </Button>
      {edited ? <DrumDialog drum={edited} onClose={() => setEdited(null)} /> : null}
    </div>
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

function NoKit({ onNew }: { onNew: () => void }) {
  const { open } = useCommander()
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
        <Button big onClick={() => open('borrowed-kit')}>
          A borrowed kit
        </Button>
        <KitMenu />
      </div>
    </div>
  )
}

/** A kit for a night: planned and tuned fast, then kept or discarded. */
function Borrowed() {
  const session = useSession()
  const router = useRouter()
  const { run } = useCommander()
  if (!session) return null
  return (
    <p className="mt-1 flex flex-wrap items-center gap-x-1">
      <span className="text-soft">Borrowed for a night:</span>
      <Button tone="quiet" className="underline" onClick={() => router.push('/spacing')}>
        plan it
      </Button>
      <Button
        tone="quiet"
        className="underline"
        onClick={() => {
          router.push('/bench')
          run('bench.fast')
        }}
      >
        fast routine
      </Button>
      <Button tone="quiet" className="underline" onClick={() => keepBorrowed(session)}>
        keep it
      </Button>
      <Button tone="quiet" className="underline" onClick={() => removeKit(session)}>
        discard it
      </Button>
    </p>
  )
}
