'use client'

import { ChevronDown, ChevronUp } from 'lucide-react'
import { memo, useMemo } from 'react'
import { laneModel, laneScale, timeScale } from '@/charts/lanes.model'
import { LaneChart } from '@/charts/LaneChart'
import { headFan, type HeadForecast } from '@/core/status/forecast'
import { DAY_MS } from '@/core/units/time'
import type { LaneView } from '@/session/logbookView'
import { hzText } from '@/text/heads'
import { laneText } from '@/text/logbook'

/** The lanes' own left edge is the names'. */
export const LANES_GRID = 'grid grid-cols-1 md:grid-cols-[128px_minmax(0,1fr)] md:gap-x-3'
const HEIGHT = { shut: 44, open: 170 }
const FAN_DAYS = 60

/** One head's lane, with its name, and all of it in words for who does not see it. */
export const LaneRow = memo(function LaneRow({
  lane,
  first,
  frame,
  nowMs,
  forecast,
  open,
  onOpen,
}: {
  lane: LaneView
  /** The first head of its drum. */
  first: boolean
  frame: { width: number; fromMs: number; toMs: number }
  nowMs: number
  forecast: HeadForecast | null
  open: boolean
  onOpen: () => void
}) {
  const { drum, side, halfCents, zeroHz, target } = lane
  const height = open ? HEIGHT.open : HEIGHT.shut
  const fan = useMemo(() => (forecast ? headFan(forecast, nowMs, FAN_DAYS) : []), [forecast, nowMs])
  const input = {
    ...{ ...frame, height, nowMs, halfCents, fan, now: lane.now },
    points: lane.points,
    byHandMs: lane.byHand,
    turnedMs: lane.turns.map(({ ms }) => ms),
    changesMs: lane.changes,
    leavesMs: forecast?.readOut ? null : (forecast?.leavesMs ?? null),
    rangeMs:
      forecast && forecast.leavesMs !== null
        ? ([forecast.fromMs ?? nowMs, forecast.toMs ?? nowMs + 180 * DAY_MS] as const)
        : null,
  }
  const x = timeScale(frame)
  const y = laneScale(input)
  const Icon = open ? ChevronUp : ChevronDown
  return (
    <li className={`${LANES_GRID} ${first ? 'mt-2.5' : 'mt-0.5'}`}>
      <button
        type="button"
        aria-expanded={open}
        aria-label={laneText(lane, forecast, nowMs)}
        onClick={onOpen}
        className="relative flex min-h-11 flex-wrap items-end max-md:pb-1 gap-x-2 text-left md:flex-col md:items-start md:justify-start"
      >
        {first ? <span className="text-[17px] leading-tight font-bold md:-mb-0.5">{drum.name}</span> : null}
        <span className="flex items-center gap-1 text-[15px] leading-tight text-soft">
          {side} <Icon aria-hidden size={15} />
        </span>
        {open && halfCents !== null ? (
          <span aria-hidden className="absolute inset-y-0 right-0 hidden text-right text-sm md:block">
            <span className="absolute right-0 -translate-y-1/2 text-soft" style={{ top: y(halfCents) }}>
              +{Math.round(halfCents)}
            </span>
            <span className="absolute right-0 -translate-y-1/2 font-bold text-good" style={{ top: y(0) }}>
              {hzText(zeroHz)}
            </span>
            <span className="absolute right-0 -translate-y-1/2 text-soft" style={{ top: y(-halfCents) }}>
              −{Math.round(halfCents)}
            </span>
          </span>
        ) : null}
      </button>
      <div className="min-w-0 overflow-hidden" onClick={onOpen}>
        <LaneChart
          model={laneModel(input)}
          width={frame.width}
          height={height}
          open={open}
          words={
            open
              ? spaced(
                  lane.turns.map(({ ms, text }) => ({ x: x(ms), text })),
                  frame.width,
                )
              : []
          }
        />
      </div>
      {target || lane.points.length === 0 || !open ? null : (
        <p className="text-sm text-soft md:col-start-2">
          No sheet holds it: drawn around its newest reading.
        </p>
      )}
    </li>
  )
})

const WORDS_PX = 130

/** Words that would lie over each other are left out, the newest stay. */
function spaced(words: ReadonlyArray<{ x: number; text: string }>, width: number) {
  const kept: Array<{ x: number; text: string }> = []
  for (const word of [...words].reverse()) {
    if (word.x < 40 || word.x > width - 30) continue
    if (kept.every(({ x }) => Math.abs(x - word.x) > WORDS_PX)) kept.push(word)
  }
  return kept
}
