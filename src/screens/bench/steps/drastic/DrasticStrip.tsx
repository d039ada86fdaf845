'use client'

import { DrasticChart } from '@/charts/DrasticChart'
import { DRASTIC_PLACES, type Drastic } from '@/core/bench/drastic'
import type { Stroke } from '@/core/status/strokes'
import type { Side } from '@/core/records/kit'
import { centsBetween } from '@/core/units/pitch'
import { hzText, signedCentsText } from '@/text/heads'
import { bendText } from '@/text/pair'
import { decayText } from '@/text/strokes'
import { Sideways } from '@/ui/Sideways'
import { StripFrame } from '../../Frame'

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
