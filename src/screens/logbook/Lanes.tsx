'use client'

import { useMemo, type KeyboardEvent, useCallback, useEffect, useRef, useState } from 'react'
import { airModel, timeScale, timeTicks } from '@/charts/lanes.model'
import { DaysChart } from '@/charts/DaysChart'
import { DAY_MS } from '@/core/units/time'
import type { KitState } from '@/core/log/fold'
import type { Forecasts } from '@/session/forecasts'
import type { LaneView } from '@/session/logbookView'
import { daysLabel } from '@/text/logbook'
import { Choice } from '@/ui/Choice'
import { useWidth } from '@/ui/useWidth'
import { LaneRow, LANES_GRID } from './LaneRow'
import { select } from 'd3-selection'
import { zoom, zoomIdentity, type ZoomBehavior } from 'd3-zoom'
import { scaleTime } from 'd3-scale'

const SPANS = [
  { value: 'week', label: 'week', days: 10 },
  { value: 'weeks', label: '8 weeks', days: 76 },
  { value: 'season', label: 'season', days: 210 },
] as const

const DAY_SPAN = { value: 'day', label: 'day', days: 3 } as const

const ALL_SPANS = [DAY_SPAN, ...SPANS]

const AHEAD_DAYS = 60

interface Props {
  kit: KitState
  lanes: readonly LaneView[]
  forecasts: Forecasts
  nowMs: number
  opened: string | null
  onOpen: (key: string | null) => void
}

/** All heads over time, on one axis; one of them may stand open. */
export function Lanes({ kit, lanes, forecasts, nowMs, opened, onOpen }: Props) {
  const [boxRef, width] = useWidth<HTMLDivElement>(560)
  const firstMs = Math.min(
    nowMs - 30 * DAY_MS,
    ...lanes.flatMap(({ points }) => points.slice(0, 1).map(({ ms }) => ms)),
  )
  const limits = useMemo(() => [firstMs - 5 * DAY_MS, nowMs + AHEAD_DAYS * DAY_MS] as const, [firstMs, nowMs])
  const [zoomed, zoom] = useTimeZoom(width, nowMs, 76 * DAY_MS, limits)
  const frame = { width, fromMs: zoom.fromMs, toMs: zoom.toMs }
  const span = (zoom.toMs - zoom.fromMs) / DAY_MS
  const near = ALL_SPANS.find(({ days }) => Math.abs(days / span - 1) < 0.06)
  const x = timeScale(frame)
  const keys = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return
    const act: Record<string, () => void> = {
      '+': () => zoom.by(1.6),
      '=': () => zoom.by(1.6),
      '-': () => zoom.by(1 / 1.6),
      ArrowLeft: () => zoom.move(-0.2),
      ArrowRight: () => zoom.move(0.2),
      Home: () => zoom.show(76 * DAY_MS),
    }
    if (!act[event.key]) return
    event.preventDefault()
    act[event.key]()
  }
  const air = [...kit.diary.air].flatMap(([day, { humidity }]) =>
    humidity.count ? [{ ms: (day + 0.5) * DAY_MS, value: humidity.sum / humidity.count }] : [],
  )
  air.sort((a, b) => a.ms - b.ms)
  return (
    <section aria-label="Lanes" onKeyDown={keys}>
      <div className="flex flex-wrap items-center justify-between gap-x-4">
        <Choice
          label="Time shown"
          value={near?.value ?? null}
          items={ALL_SPANS.map(({ value, label }) => ({ value, label }))}
          onChange={(value) => zoom.show(ALL_SPANS.find((each) => each.value === value)!.days * DAY_MS)}
        />
        <p className="text-sm text-soft max-md:hidden">wheel, pinch or + and − zoom; drag or arrows move</p>
      </div>
      <div className={LANES_GRID}>
        <div className="text-[15px] leading-[30px] text-soft max-md:hidden">
          <span className="block">humidity</span>
          <span className="block">played</span>
        </div>
        <div ref={boxRef} className="min-w-0 overflow-hidden">
          <DaysChart
            width={width}
            ticks={timeTicks(frame)}
            nowX={nowMs > zoom.fromMs && nowMs < zoom.toMs ? x(nowMs) : null}
            air={airModel(frame, 50, air)}
            gigs={kit.diary.occasions.map(({ on, what, cancelled }) => ({
              ...{ x: x(Date.parse(on)), ahead: Date.parse(on) > nowMs },
              ...{ rehearsal: what === 'rehearsal', off: cancelled },
            }))}
            label={daysLabel(kit.diary, nowMs)}
          />
        </div>
      </div>
      <ol ref={zoomed} aria-label="Heads over time" className="cursor-grab active:cursor-grabbing">
        {lanes.map((lane, i) => (
          <LaneRow
            key={lane.key}
            lane={lane}
            first={lanes[i - 1]?.drum.id !== lane.drum.id}
            frame={frame}
            nowMs={nowMs}
            forecast={forecasts.get(lane.key) ?? null}
            open={opened === lane.key}
            onOpen={() => onOpen(opened === lane.key ? null : lane.key)}
          />
        ))}
      </ol>
      <p className="mt-3 flex flex-wrap gap-x-5 gap-y-1 text-sm text-soft">
        <span>● read, ○ by dial or ear</span>
        <span>— believed, grey its width</span>
        <span className="text-good">▬ its band</span>
        <span className="text-caution">◆ read out of it, ▁ how long</span>
        <span className="text-act">◇ expected to leave it, line: 8 in 10</span>
        <span>torn: another head</span>
        <span>▮ gig ▯ to come</span>
      </p>
    </section>
  )
}

interface TimeZoom {
  fromMs: number
  toMs: number
  /** Shows so much time, the present near the right edge. */
  show(spanMs: number): void
  /** Zooms in (2) or out (0.5), or moves by a part of what is shown. */
  by(factor: number): void
  move(part: number): void
}

/** Part of the width that lies ahead of now, where a span is chosen. */
const AHEAD = 0.22

const LEAST_SPAN_MS = 2 * 24 * 3600 * 1000

/**
 * Time that is shown, moved and zoomed by wheel, drag and pinch (d3-zoom), by keys and by buttons.
 * @returns the ref of the element over whose width time goes, and what is shown
 */
function useTimeZoom(width: number, nowMs: number, spanMs: number, limits: readonly [number, number]) {
  const [element, setElement] = useState<HTMLElement | null>(null)
  const [transform, setTransform] = useState(zoomIdentity)
  const behaviour = useRef<ZoomBehavior<HTMLElement, unknown> | null>(null)
  // The scale that zooming starts from stays, whatever the clock does.
  const [start] = useState(() => [nowMs - (1 - AHEAD) * spanMs, nowMs + AHEAD * spanMs] as const)
  const base = useMemo(() => scaleTime().domain(start).range([0, width]), [start, width])
  const [first, last] = limits

  useEffect(() => {
    if (!element || width === 0) return
    const most = (start[1] - start[0]) / LEAST_SPAN_MS
    const least = Math.min(1, (start[1] - start[0]) / Math.max(last - first, LEAST_SPAN_MS))
    const made = zoom<HTMLElement, unknown>()
      .extent([
        [0, 0],
        [width, 1],
      ])
      .translateExtent([
        [base(first), 0],
        [base(last), 1],
      ])
      .scaleExtent([least, most])
      .on('zoom', (event: { transform: typeof zoomIdentity }) => setTransform(event.transform))
    behaviour.current = made
    select(element).call(made).on('dblclick.zoom', null)
    // A finger still moves the page up and down.
    select(element).style('touch-action', 'pan-y')
    return () => {
      select(element).on('.zoom', null)
    }
  }, [element, width, base, first, last, start])

  const run = useCallback(
    (
      act: (
        target: ReturnType<typeof select<HTMLElement, unknown>>,
        made: ZoomBehavior<HTMLElement, unknown>,
      ) => void,
    ) => {
      if (element && behaviour.current) act(select(element) as never, behaviour.current)
    },
    [element],
  )
  const [from, to] = transform.rescaleX(base).domain()
  const time: TimeZoom = {
    fromMs: from.getTime(),
    toMs: to.getTime(),
    show: (span) =>
      run((target, made) => {
        const k = (start[1] - start[0]) / span
        const left = base(nowMs - (1 - AHEAD) * span)
        target.call(made.transform, zoomIdentity.scale(k).translate(-left, 0))
      }),
    by: (factor) => run((target, made) => target.call(made.scaleBy, factor)),
    move: (part) => run((target, made) => target.call(made.translateBy, (-part * width) / transform.k, 0)),
  }
  return [setElement, time] as const
}
