'use client'

import { Slider } from 'radix-ui'

/** Steps of the slider, in cents; its Page keys move ten. */
const STEP_CENTS = 5
const CENTS = 1200
const MARK = 'absolute top-1/2 -translate-x-1/2 -translate-y-1/2'

/** One figure on a logarithmic line: where it stands, where it would go. With `onMove` the goal is a slider. */
export function PairLine({
  label,
  now,
  then,
  reach,
  text,
  liked,
  onMove,
}: {
  label: string
  now: number
  then: number
  /** The line goes from `now` over to `now` times this. */
  reach: number
  text: string
  liked?: readonly [number, number]
  onMove?: (value: number) => void
}) {
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
