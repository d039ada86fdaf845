import { HaloText } from './HaloText'
import { IntervalLine } from './IntervalLine'
import type { RailLane, RailModel } from './rail.model'

/** Words of caution on one lane; null where nothing is wrong. */
export interface LaneDoubts {
  next: string | null
  heads: string | null
}
const NO_DOUBTS: LaneDoubts = { next: null, heads: null }

/** Filled is read, hollow is foretold. */
const markOf = (foretold: boolean) =>
  foretold ? { fill: 'var(--case)', stroke: 'var(--ink)', strokeWidth: 2.5 } : { fill: 'var(--ink)' }

interface Props {
  lane: RailLane
  model: RailModel
  width: number
  height: number
  label: string
  /** What does not fit: said at the interval to the next drum, and beside the heads. */
  doubts?: LaneDoubts
}

/** One lane of the rail: marks, whisker, bracket, and the line to the next drum. */
export function RailLaneChart({ lane, model, width, height, label, doubts = NO_DOUBTS }: Props) {
  const y = height * 0.42
  const drop = y + 24
  return (
    <svg width={width} height={height} role="img" aria-label={label} className="block overflow-visible">
      {model.notes.map((tick) => (
        <line key={tick.label} x1={tick.x} x2={tick.x} y1={0} y2={height} stroke="var(--line)" />
      ))}
      {lane.range ? (
        <>
          <rect
            x={lane.range.from}
            y={y + 13}
            width={Math.max(2, lane.range.to - lane.range.from)}
            height={5}
            fill="var(--good-band)"
          />
          <line
            x1={lane.range.best}
            x2={lane.range.best}
            y1={y + 10}
            y2={y + 21}
            stroke="var(--good)"
            strokeWidth={2}
          />
        </>
      ) : null}
      {lane.before !== null ? (
        <line x1={lane.before} x2={lane.before} y1={0} y2={y} stroke="var(--soft)" />
      ) : null}
      {lane.next && lane.batter !== null ? (
        <IntervalLine
          from={{ x: lane.batter, y }}
          to={{ x: lane.next.x, y: height, turnY: height - 14 }}
          label={doubts.next ?? lane.next.label}
          caution={doubts.next !== null}
        />
      ) : null}
      {lane.bracket ? (
        <path
          d={`M${lane.bracket.from + 5} ${y - 19}H${lane.bracket.from}V${y + 19}H${lane.bracket.from + 5}M${lane.bracket.to - 5} ${y - 19}H${lane.bracket.to}V${y + 19}H${lane.bracket.to - 5}`}
          fill="none"
          stroke="var(--good)"
          strokeWidth={2.5}
        />
      ) : null}
      {lane.batter !== null && lane.resonant !== null ? (
        <line x1={lane.batter} x2={lane.resonant} y1={y} y2={y} stroke="var(--soft)" strokeWidth={1} />
      ) : null}
      {lane.whisker ? (
        <path
          d={`M${lane.whisker.from} ${drop - 4}V${drop + 4}M${lane.whisker.to} ${drop - 4}V${drop + 4}M${lane.whisker.from} ${drop}H${lane.whisker.to}`}
          stroke="var(--ink)"
          strokeWidth={2}
          fill="none"
        />
      ) : null}
      {lane.batter !== null ? (
        <circle
          cx={lane.batter}
          cy={y}
          r={lane.foretold.batter ? 7.5 : 9}
          {...markOf(lane.foretold.batter)}
        />
      ) : null}
      {lane.resonant !== null ? (
        <>
          <rect
            x={lane.resonant - 3.5}
            y={y - 11}
            width={7}
            height={22}
            {...markOf(lane.foretold.resonant)}
          />
          {doubts.heads ? (
            <HaloText x={lane.resonant + 14} y={y - 12} fontSize={15} fontWeight={700} fill="var(--caution)">
              {doubts.heads}
            </HaloText>
          ) : null}
          {lane.relation ? (
            <HaloText x={lane.resonant + 14} y={y + 5} fontSize={13} fill="var(--soft)">
              {lane.relation}
            </HaloText>
          ) : null}
        </>
      ) : null}
    </svg>
  )
}
