'use client'

import { relationText } from '@/text/relation'
import { useCallback, useMemo } from 'react'
import { PairMap } from '@/charts/PairMap'
import { pairMapModel } from '@/charts/pairmap.model'
import type { DrumPair } from '@/core/status/drum'
import type { PairBelief } from '@/core/pair/belief'
import type { PairAnswer } from '@/core/pair/solve'
import type { PairWant } from '@/core/pair/types'
import { centsBetween } from '@/core/units/pitch'
import { useSelect, useSession } from '@/session/react'
import { hzText } from '@/text/heads'
import { mapText } from '@/text/pair'
import { useBox } from '@/ui/useWidth'
import { useAsked } from '../../../useAsked'
import { StripFrame } from '../../Frame'

/** A map smaller than this says nothing. */
const LEAST = { width: 280, height: 300 }
const round = (value: number) => Number(value.toFixed(1))

interface Props {
  pair: DrumPair
  stands?: PairBelief | null
  found?: PairAnswer | null
  onGoal?: (want: PairWant) => void
}

/** The map of both heads on tape: where the drum is, was, and would go. */
export function HeadsStrip({ pair, stands = null, found = null, onGoal }: Props) {
  const session = useSession()
  const a4Hz = useSelect((state) => state.settings.a4Hz)
  const [ref, box] = useBox<HTMLDivElement>({ width: 640, height: 420 })
  const known = stands !== null
  const question = useMemo(() => (known ? pair : null), [known, pair])
  const ask = useCallback(
    ({ drum, before, turnLaw, now }: DrumPair) =>
      session?.deps.adviser().pairMap({ drum, seen: before, turnLaw, now }) ?? null,
    [session],
  )
  const grid = useAsked(question, ask)?.answer ?? null
  const width = Math.max(LEAST.width, box.width)
  const height = Math.max(LEAST.height, box.height)
  const model = useMemo(
    () => (grid && grid.resonantHz.length > 0 ? pairMapModel(grid, width, height, a4Hz) : null),
    [grid, width, height, a4Hz],
  )
  const two = pair.drum.resonant !== null
  const now =
    stands && stands.resonantHz !== null ? { batterHz: stands.batterHz, resonantHz: stands.resonantHz } : null
  return (
    <StripFrame
      label="Map of both heads"
      seed={81}
      fill
      over={
        now ? (
          <>
            <span className="text-xl font-bold">
              {pair.stands.batterHz === null || pair.stands.resonantHz === null ? 'taken for ' : ''}
              {relationText(centsBetween(now.batterHz, now.resonantHz))}
            </span>
            {pair.now.centreHz === null ? null : (
              <span className="text-xl font-bold">
                centre {pair.centreHz === null ? 'foretold ' : ''}
                {hzText(pair.now.centreHz)} Hz
              </span>
            )}
            <span className="text-soft">batter to the right, resonant upward</span>
          </>
        ) : (
          <span className="text-xl font-bold">{two ? 'not read yet' : 'one head'}</span>
        )
      }
      under={
        now ? (
          <>
            <span>{!pair.stands.read.batter || !pair.stands.read.resonant ? '○' : '●'} now</span>
            <span className="text-act">○ wanted</span>
            <span>— centre pitch, in whole tones</span>
            <span className="text-good">┄ edge over centre, 1.5 to 1.6 is liked</span>
          </>
        ) : null
      }
    >
      <div className="relative h-[340px] md:h-full md:min-h-[280px]">
        <div ref={ref} className="absolute inset-0">
          {now && model && onGoal ? (
            <PairMap
              model={model}
              now={now}
              // Read is filled, foretold is hollow with its doubt.
              doubtCents={!pair.stands.read.batter || !pair.stands.read.resonant ? stands!.errorCents : null}
              was={pair.before.flatMap(({ batterHz, resonantHz }) =>
                batterHz !== null && resonantHz !== null ? [{ batterHz, resonantHz }] : [],
              )}
              goal={
                found && found.resonantHz !== null
                  ? { batterHz: found.batterHz, resonantHz: found.resonantHz }
                  : now
              }
              label={mapText(now, found)}
              onGoal={(place) =>
                onGoal({ batterHz: round(place.batterHz), resonantHz: round(place.resonantHz) })
              }
            />
          ) : (
            <p className="text-lg text-soft">
              {now
                ? 'Working out the map…'
                : two
                  ? 'The map is drawn once a head was read.'
                  : 'A drum of one head has no second to set it against.'}
            </p>
          )}
        </div>
      </div>
    </StripFrame>
  )
}
