'use client'

import type { frontChoices } from '@/core/bench/pairing'
import { hzText } from '@/text/heads'
import { FRONT_NOTE, frontText } from '@/text/kick'
import { Button } from '@/ui/Button'
import { StripFrame } from '../../Frame'

type Front = ReturnType<typeof frontChoices>['fronts'][number]

/** Front heads side by side on tape: what people say of each, and what the model foretells. */
export function KickStrip({
  from,
  fronts,
  nowHz,
  onAim,
  onHear,
}: {
  from: number
  fronts: readonly Front[]
  nowHz: number | null
  onAim: (front: Front) => void
  onHear: (front: Front) => void
}) {
  return (
    <StripFrame
      label="Front head"
      seed={78}
      over={
        <>
          <span className="text-xl font-bold">
            front {nowHz === null ? 'not read' : `${hzText(nowHz)} Hz`}
          </span>
          <span className="text-soft">with the batter at {hzText(from)} Hz, whatever the muffling</span>
        </>
      }
    >
      <ul>
        {fronts.map((front) => (
          <li
            key={front.label}
            className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line py-2.5"
          >
            <span className="min-w-56 flex-1 leading-snug">
              <span className="text-lg font-bold">
                {front.label}, {hzText(front.resonantHz)} Hz
              </span>
              <span className="block">{front.expect}</span>
              <span className="block text-[15px] text-soft">{frontText(front)}</span>
            </span>
            <span className="flex gap-2">
              <Button aria-label={`Aim the front ${front.label}`} onClick={() => onAim(front)}>
                aim there
              </Button>
              <Button aria-label={`Hear the front ${front.label}`} onClick={() => onHear(front)}>
                hear it
              </Button>
            </span>
          </li>
        ))}
      </ul>
      <p className="mt-3 leading-snug text-soft">{FRONT_NOTE}</p>
    </StripFrame>
  )
}
