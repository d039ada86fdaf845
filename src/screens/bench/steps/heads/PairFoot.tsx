'use client'

import { ringsText } from '@/text/strokes'
import { pairModel } from '@/core/bench/pairing'
import type { DrumPair } from '@/core/status/drum'
import type { PairBelief } from '@/core/pair/belief'
import type { PairAnswer } from '@/core/pair/solve'
import type { PairWant } from '@/core/pair/types'
import { hzText } from '@/text/heads'
import { PairLine } from './PairLine'
import { fixed } from '@/text/shown'

/** How far either side of where it stands a line reaches, as a factor. */
const REACH = 1.6

/** Every figure of both heads on a line of its own: filled where it stands, hollow where it would go; the lugs' can be moved. */
export function PairFoot({
  pair,
  stands,
  found,
  onWant,
}: {
  pair: DrumPair
  stands: PairBelief
  found: PairAnswer
  onWant: (want: PairWant) => void
}) {
  const model = pairModel(pair)
  const centreNow = pair.stands.centreHz ?? model.centre(stands).hz
  const about = (side: 'batter' | 'resonant') => (pair.stands.read[side] ? '' : 'about ')
  const tenth = (hz: number) => Number(hz.toFixed(1))
  const goal = {
    batterHz: tenth(found.batterHz),
    ...(found.resonantHz === null ? {} : { resonantHz: tenth(found.resonantHz) }),
  }
  return (
    <section
      aria-label="Figures of both heads"
      className="grid shrink-0 gap-x-7 gap-y-3 border-t border-line px-5 py-3 sm:grid-cols-2 md:grid-cols-3 md:px-7 lg:grid-cols-5"
    >
      <PairLine
        label="batter lug"
        now={stands.batterHz}
        then={found.batterHz}
        reach={REACH}
        text={`${about('batter')}${hzText(stands.batterHz)} → ${hzText(found.batterHz)} Hz`}
        onMove={(hz) => onWant({ ...goal, batterHz: hz })}
      />
      {stands.resonantHz !== null && found.resonantHz !== null ? (
        <PairLine
          label="resonant lug"
          now={stands.resonantHz}
          then={found.resonantHz}
          reach={REACH}
          text={`${about('resonant')}${hzText(stands.resonantHz)} → ${hzText(found.resonantHz)} Hz`}
          onMove={(hz) => onWant({ ...goal, resonantHz: hz })}
        />
      ) : null}
      <PairLine
        label="centre"
        now={centreNow}
        then={found.centreHz}
        reach={REACH}
        text={`${pair.centreHz === null ? 'about ' : ''}${hzText(centreNow)} → ${hzText(found.centreHz)} Hz`}
      />
      <PairLine
        label="edge over centre"
        now={stands.batterHz / centreNow}
        then={found.ratio}
        reach={REACH}
        liked={[1.5, 1.6]}
        text={`${fixed(stands.batterHz / centreNow, 2)} → ${fixed(found.ratio, 2)}`}
      />
      <PairLine
        label="ring, foretold"
        now={model.ring(stands).decaySeconds}
        then={model.ring(found).decaySeconds}
        reach={3}
        text={`${ringsText(model.ring(stands).decaySeconds)} → ${ringsText(model.ring(found).decaySeconds)}`}
      />
    </section>
  )
}
