'use client'

import { clsx } from 'clsx'
import type { FastStep } from '@/core/fitting/fast'
import { FAST_LEAVES_OUT, fastStepText, secondsText } from '@/text/fitting'
import { StripFrame } from '../../Frame'

interface Props {
  steps: readonly FastStep[]
  at: FastStep['what']
  keys: 1 | 2
  minutes: number
}

/** The whole routine on tape, a line a step with its time; under it what it leaves out. */
export function FastStrip({ steps, at, keys, minutes }: Props) {
  return (
    <StripFrame
      label="The fast routine"
      seed={73}
      over={
        <>
          <span className="text-xl font-bold">about {Math.max(1, Math.round(minutes))} min</span>
          <span className="text-soft">for this head with {keys === 2 ? 'two keys' : 'one key'}</span>
        </>
      }
    >
      <ol>
        {steps.map((step, i) => (
          <li
            key={i}
            aria-current={step.what === at ? 'step' : undefined}
            className={clsx('flex gap-4 border-b border-line py-2', step.what === at && 'font-bold text-act')}
          >
            <span className="w-6 font-normal text-soft">{i + 1}</span>
            <span className="flex-1 leading-snug">{fastStepText(step)}</span>
            <span className="font-normal whitespace-nowrap text-soft">{secondsText(step.minutes)}</span>
          </li>
        ))}
      </ol>
      <h2 className="mt-4 font-bold">Left out</h2>
      <ul className="mt-1 list-disc pl-5 leading-snug text-soft">
        {FAST_LEAVES_OUT.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </StripFrame>
  )
}
