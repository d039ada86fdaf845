'use client'

import { clsx } from 'clsx'
import type { ringsBy } from '@/core/status/strokes'
import { decayText } from '@/text/strokes'
import { StripFrame } from '../../Frame'

/** The ring of every place on tape, held by the rim first: what the stand takes of it is seen at a glance. */
export function StandStrip({
  names,
  places,
  chosen,
  verdict,
  onChoose,
}: {
  names: readonly string[]
  places: ReturnType<typeof ringsBy>
  chosen: string | null
  verdict: string
  onChoose: (name: string) => void
}) {
  const longest = Math.max(0.05, ...places.map(({ ring }) => ring))
  return (
    <StripFrame label="Place" seed={76} over={<span className="text-xl font-bold">{verdict}</span>}>
      <p className="text-soft">The drum is now</p>
      <ul>
        {names.map((name) => {
          const own = places.find((each) => each.name === name)
          return (
            <li key={name} className="border-b border-line py-2 last:border-0">
              <button
                type="button"
                aria-pressed={chosen === name}
                onClick={() => onChoose(name)}
                className={clsx(
                  'min-h-11 w-full text-left text-lg',
                  chosen === name && 'font-extrabold text-act underline decoration-[3px] underline-offset-4',
                )}
              >
                {name}
              </button>
              {own ? (
                <span className="flex items-center gap-4">
                  <span
                    aria-hidden
                    className="h-5 bg-good"
                    style={{ width: `${(72 * own.ring) / longest}%` }}
                  />
                  <span className="whitespace-nowrap">
                    {decayText(own.ring)} <span className="text-soft">({own.count}×)</span>
                  </span>
                </span>
              ) : (
                <span className="text-soft">not struck yet</span>
              )}
            </li>
          )
        })}
      </ul>
    </StripFrame>
  )
}
