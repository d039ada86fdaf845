'use client'

import { DRASTIC_PLACES, type Drastic } from '@/core/bench/drastic'
import type { Stroke } from '@/core/status/strokes'
import type { Side } from '@/core/records/kit'
import { centsBetween } from '@/core/units/pitch'
import { hzText, signedCentsText } from '@/text/heads'
import { bendText } from '@/text/pair'
import { decayText } from '@/text/strokes'
import { Sideways } from '@/ui/Sideways'
import { StripFrame } from '../../Frame'
import { scaleLinear } from 'd3-scale'

/** What one head did at each place, drawn on one scale of cents, with its figures. */
export function DrasticStrip({ drastic, side }: { drastic: Drastic | null; side: Side }) {
  const strokes = drastic?.strokes ?? []
  return (
    <StripFrame
      label="What it does"
      seed={79}
      over={
        <span className="text-xl font-bold">
          {strokes.length ? `${drastic!.side} head, ${strokes.length} of 4 strokes` : `${side} head`}
        </span>
      }
    >
      {strokes.length ? (
        <Found strokes={strokes} side={drastic!.side} />
      ) : (
        <ol className="list-decimal pl-6 text-lg leading-relaxed">
          <li>Strike it as it is found.</li>
          <li>All rods up by a turn or what the head allows. Press, read two lugs, strike.</li>
          <li>Down past where it was. Press, read, strike.</li>
          <li>Back. Read, strike: is it where it was?</li>
        </ol>
      )}
    </StripFrame>
  )
}

function Found({ strokes, side }: { strokes: readonly Stroke[]; side: Side }) {
  const own = ({ batterHz, resonantHz }: Stroke) => (side === 'batter' ? batterHz : resonantHz)
  const [from] = strokes
  const cents = (a: number | null, b: number | null) => (a && b ? centsBetween(a, b) : null)
  const rows = strokes.map((stroke, i) => ({
    label: DRASTIC_PLACES[i],
    lugHz: own(stroke),
    lugCents: cents(own(from), own(stroke)),
    centreHz: stroke.hz,
    centreCents: cents(from.hz, stroke.hz) ?? 0,
    decaySeconds: stroke.decaySeconds,
    glideCents: stroke.glideCents,
  }))
  return (
    <>
      <DrasticChart rows={rows} side={side} />
      <Sideways label="Figures">
        <table className="mt-3 w-full text-left">
          <thead className="text-sm text-soft">
            <tr>
              {['', `${side} lug`, 'centre', 'rings', 'bends'].map((head) => (
                <th key={head} scope="col" className="pr-3 font-normal">
                  {head || <span className="sr-only">where</span>}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.label} className="border-t border-line">
                <th scope="row" className="py-1 pr-3 font-bold whitespace-nowrap">
                  {row.label}
                </th>
                <td className="pr-3">
                  {row.lugHz === null
                    ? 'not read'
                    : `${hzText(row.lugHz)} Hz${signedCentsText(row.lugCents)}`}
                </td>
                <td className="pr-3">
                  {hzText(row.centreHz)} Hz{signedCentsText(row.centreCents)}
                </td>
                <td className="pr-3">{decayText(row.decaySeconds)}</td>
                <td>{row.glideCents === null ? '–' : bendText(row.glideCents, null)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Sideways>
    </>
  )
}

interface DrasticRow {
  label: string
  lugCents: number | null
  centreCents: number
  decaySeconds: number | null
}

const SIZE = { width: 760, height: 190 }

const MARGIN = { left: 90, right: 24, top: 30, bottom: 10 }

const LANE = 36

/** What one head did: for each stage where its lug pitch and the centre went, on one scale of cents, and how long it rang. */
function DrasticChart({ rows, side }: { rows: readonly DrasticRow[]; side: string }) {
  const all = [0, 100, -100, ...rows.flatMap(({ lugCents, centreCents }) => [lugCents ?? 0, centreCents])]
  const ringFrom = SIZE.width - 150
  const x = scaleLinear([Math.min(...all), Math.max(...all)], [MARGIN.left, ringFrom - 30])
  const longest = Math.max(0.05, ...rows.map(({ decaySeconds }) => decaySeconds ?? 0))
  const ring = scaleLinear([0, longest], [0, SIZE.width - MARGIN.right - ringFrom])
  const y = (i: number) => MARGIN.top + 14 + i * LANE
  return (
    <svg
      viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
      role="img"
      aria-label={`What the ${side} head did: ${rows
        .map(
          ({ label, lugCents, centreCents }) =>
            `${label}, lug ${Math.round(lugCents ?? 0)} cents, centre ${Math.round(centreCents)} cents`,
        )
        .join('; ')}`}
      className="block w-full"
    >
      <text x={MARGIN.left} y={16} fontSize={12} fill="var(--soft)">
        cents from where it was: square the {side} lug, round the centre
      </text>
      <text x={ringFrom} y={16} fontSize={12} fill="var(--soft)">
        ring
      </text>
      <line x1={x(0)} x2={x(0)} y1={24} y2={SIZE.height - 6} stroke="var(--line)" />
      {rows.map(({ label, lugCents, centreCents, decaySeconds }, i) => (
        <g key={label}>
          <text x={0} y={y(i) + 5} fontSize={15} fontWeight={700} fill="var(--ink)">
            {label}
          </text>
          <line x1={x(0)} x2={x(centreCents)} y1={y(i)} y2={y(i)} stroke="var(--ink)" strokeWidth={3} />
          {lugCents === null ? null : (
            <rect x={x(lugCents) - 6} y={y(i) - 6} width={12} height={12} fill="var(--soft)" />
          )}
          <circle cx={x(centreCents)} cy={y(i)} r={7} fill="var(--ink)" />
          {decaySeconds === null ? null : (
            <rect x={ringFrom} y={y(i) - 5} width={ring(decaySeconds)} height={10} fill="var(--good)" />
          )}
        </g>
      ))}
    </svg>
  )
}
