'use client'

import { findingText } from '@/text/status'
import { clsx } from 'clsx'
import { KeyMap } from '@/charts/KeyMap'
import { keyMapModel } from '@/charts/keymap.model'
import { AREAS, type AreaId, type OpenFinding } from '@/core/fitting/lookOver'
import type { NotedFinding } from '@/core/log/findings'
import { listText } from '@/text/turns'
import { StripFrame } from '../../Frame'
import { useMapLook } from '../../useMapLook'
import { format } from 'date-fns'

export interface AreaState {
  id: AreaId
  seen: string | null
  found: readonly NotedFinding[]
}

interface Props {
  areas: readonly AreaState[]
  at: AreaId | null
  lugs: number
  onChoose: (area: AreaId) => void
}

/** The parts on tape, in the order of the hands, each with what was seen of it; rods that were named, on the head. */
export function LookStrip({ areas, at, lugs, onChoose }: Props) {
  const rods = [...new Set(areas.flatMap(({ found }) => found.flatMap((each) => each.rods)))].sort(
    (a, b) => a - b,
  )
  const look = useMapLook()
  const turns = Array.from({ length: lugs }, (_, i) => (rods.includes(i + 1) ? -1 / 4 : 0))
  return (
    <StripFrame
      label="Parts of the drum"
      seed={71}
      over={
        <>
          <span className="text-xl font-bold">{seenText(areas)}</span>
          <span className="text-soft">in the order of the hands</span>
        </>
      }
    >
      <div className="gap-8 lg:flex lg:items-start">
        <ol className="min-w-0 flex-1">
          {areas.map(({ id, seen, found }, i) => (
            <li key={id} className="border-b border-line last:border-0">
              <button
                type="button"
                aria-current={id === at ? 'step' : undefined}
                onClick={() => onChoose(id)}
                className="flex min-h-14 w-full flex-wrap items-baseline gap-x-4 py-3 text-left"
              >
                <span className="w-6 text-soft">{i + 1}</span>
                <span
                  className={clsx(
                    'text-lg',
                    id === at
                      ? 'font-extrabold text-act underline decoration-[3px] underline-offset-4'
                      : 'font-bold',
                  )}
                >
                  {AREAS[id].label}
                </span>
                <span
                  className={clsx(
                    'ml-auto text-right',
                    found.length ? 'font-bold text-caution' : 'text-soft',
                  )}
                >
                  {areaText(found, seen)}
                </span>
              </button>
            </li>
          ))}
        </ol>
        <figure className="max-lg:mt-4">
          <KeyMap
            model={keyMapModel(210, turns, null, null, look)}
            label={`Rods with a finding, badge at the top: ${listText(rods) || 'none'}`}
          />
        </figure>
      </div>
    </StripFrame>
  )
}

/** One part of the drum as it was seen: what was found, "well, 5 Jan", or not looked at. */
function areaText(found: readonly OpenFinding[], seen: string | null): string {
  if (found.length) return found.map(findingText).join('; ')
  return seen ? `well, ${format(new Date(seen), 'd MMM')}` : 'not looked at'
}

/** How far the looking over is: "2 of 6 looked at, 1 found". */
function seenText(areas: ReadonlyArray<{ seen: string | null; found: readonly unknown[] }>): string {
  const found = areas.reduce((sum, each) => sum + each.found.length, 0)
  const seen = areas.filter(({ seen: when }) => when !== null).length
  const looked = seen === areas.length ? 'all looked at' : `${seen} of ${areas.length} looked at`
  return found ? `${looked}, ${found} found` : looked
}
