import { select } from 'd3-selection'
import { zoom, zoomIdentity, type ZoomBehavior } from 'd3-zoom'
import { scaleTime } from 'd3-scale'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'

export interface TimeZoom {
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
export function useTimeZoom(width: number, nowMs: number, spanMs: number, limits: readonly [number, number]) {
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
