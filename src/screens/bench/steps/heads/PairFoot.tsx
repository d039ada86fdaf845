'use client'

import { ringsText } from '@/text/strokes'
import { pairModel } from '@/core/bench/pairing'
import type { DrumPair } from '@/core/status/drum'
import type { PairBelief } from '@/core/pair/belief'
import type { PairAnswer } from '@/core/pair/solve'
import type { PairWant } from '@/core/pair/types'
import { hzText } from '@/text/heads'
import { fixed } from '@/text/shown'
import { Slider } from 'radix-ui'

/** How far either side of where it stands a line reaches, as a factor. */
const REACH = 1.6

interface PairFootProps {
  pair: DrumPair
  stands: PairBelief
  found: PairAnswer
  onWant: (want: PairWant) => void
}

/** Every figure of both heads on a line of its own: filled where it stands, hollow where it would go; the lugs' can be moved. */
export function PairFoot({ pair, stands, found, onWant }: PairFootProps) {
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

/** Steps of the slider, in cents; its Page keys move ten. */
const STEP_CENTS = 5

const CENTS = 1200

const MARK = 'absolute top-1/2 -translate-x-1/2 -translate-y-1/2'

interface PairLineProps {
  label: string
  now: number
  then: number
  /** The line goes from `now` over to `now` times this. */
  reach: number
  text: string
  liked?: readonly [number, number]
  onMove?: (value: number) => void
}

/** One figure on a logarithmic line: where it stands, where it would go. With `onMove` the goal is a slider. */
function PairLine({ label, now, then, reach, text, liked, onMove }: PairLineProps) {
  const most = STEP_CENTS * Math.round((CENTS * Math.log2(reach)) / STEP_CENTS)
  const cents = (value: number) => Math.max(-most, Math.min(most, CENTS * Math.log2(value / now)))
  const left = (value: number) => `${(50 * (cents(value) + most)) / most}%`
  const marks = (
    <>
      <span aria-hidden className="absolute inset-x-0 top-1/2 h-px bg-soft" />
      {liked ? (
        <span
          aria-hidden
          className="absolute top-1/2 h-3.5 -translate-y-1/2 bg-good-band"
          style={{ left: left(liked[0]), right: `calc(100% - ${left(liked[1])})` }}
        />
      ) : null}
      <span aria-hidden className={`${MARK} size-3 rounded-full bg-ink`} style={{ left: left(now) }} />
    </>
  )
  return (
    <div className="min-w-0">
      <p className="font-bold">{label}</p>
      {onMove ? (
        <Slider.Root
          min={-most}
          max={most}
          step={STEP_CENTS}
          value={[cents(then)]}
          onValueChange={([next]) => onMove(Number((now * 2 ** (next / CENTS)).toFixed(1)))}
          className="relative flex h-11 touch-none items-center md:-my-2"
        >
          <Slider.Track className="relative h-full grow">{marks}</Slider.Track>
          <Slider.Thumb
            aria-label={`${label}, wanted`}
            aria-valuetext={text}
            className="flex size-11 items-center justify-center rounded-full"
          >
            <span aria-hidden className="size-4.5 rounded-full border-[3px] border-act bg-tape" />
          </Slider.Thumb>
        </Slider.Root>
      ) : (
        <div className="relative h-7">
          {marks}
          <span
            aria-hidden
            className={`${MARK} size-3 rotate-45 border-[2.5px] border-act bg-tape`}
            style={{ left: left(then) }}
          />
        </div>
      )}
      <p className="text-[15px] whitespace-nowrap text-soft">{text}</p>
    </div>
  )
}
