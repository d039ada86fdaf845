'use client'

import { StarMap } from '@/charts/StarMap'
import { starMapModel } from '@/charts/starmap.model'
import type { FitStep } from '@/core/fitting/lookOver'
import { useSelect } from '@/session/react'
import { rodOrderText } from '@/text/fit'
import { StripFrame } from '../../Frame'
import { useMapLook } from '../../useMapLook'

interface Props {
  steps: readonly FitStep[]
  ticked: readonly string[]
  groups: readonly (readonly number[])[]
  onTick: (id: string) => void
}

/** The way to the slack start on tape: each step with what to check, and the order of the rods drawn. */
export function FitStrip({ steps, ticked, groups, onTick }: Props) {
  const look = useMapLook()
  const keys = useSelect((state) => state.settings.keys)
  const order = groups.map((group) => group.map((rod) => rod + 1).join('·')).join(', ')
  return (
    <StripFrame
      label="Steps of fitting"
      seed={72}
      over={<span className="text-xl font-bold">up to the slack start</span>}
    >
      <div className="gap-8 lg:flex lg:items-start">
        <ol className="min-w-0 flex-1">
          {steps.map(({ id, todo, check }) => (
            <li key={id} className="border-b border-line last:border-0">
              <label className="flex cursor-pointer gap-3 py-3">
                <input
                  type="checkbox"
                  checked={ticked.includes(id)}
                  onChange={() => onTick(id)}
                  className="mt-0.5 size-6 shrink-0 accent-(--act)"
                />
                <span className="leading-snug">
                  <span className="text-lg font-bold">{todo}</span>
                  <span className="block text-soft">{check}</span>
                </span>
              </label>
            </li>
          ))}
        </ol>
        <figure className="shrink-0 max-lg:mt-4">
          <StarMap model={starMapModel(250, groups, look)} label={`Order of the rods in pairs: ${order}`} />
          <figcaption className="w-[250px] text-[15px] leading-snug text-soft">
            {rodOrderText(keys)}
          </figcaption>
        </figure>
      </div>
    </StripFrame>
  )
}
