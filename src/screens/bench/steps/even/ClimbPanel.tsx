'use client'

import { StarMap } from '@/charts/StarMap'
import { starMapModel } from '@/charts/starmap.model'
import { starOrder } from '@/core/evening/order'
import { targetMeanHz } from '@/core/evening/types'
import { ruleOfThumb } from '@/core/fitting/climb'
import type { BenchView } from '@/session/benchView'
import { useSelect } from '@/session/react'
import { climbText } from '@/text/fitting'
import { Big } from '../../Big'
import { MoveButtons } from './MoveButtons'
import { SweepMove } from './SweepMove'
import { useMapLook } from '../../useMapLook'

/** Up from slack: the next round of all rods, in which order, and how far there still is to go. */
export function ClimbPanel({ view }: { view: BenchView }) {
  const settings = useSelect((state) => state.settings)
  const look = useMapLook()
  const { climb, drum, side, request } = view
  const targetHz = targetMeanHz(request.target)
  if (!climb || targetHz === null) return null
  const [turns] = climb.rounds
  const groups = starOrder(drum.lugs)
  const order = groups.map((group) => group.map((rod) => rod + 1).join('·')).join(', ')
  const made = view.sitting?.passes.reduce((sum, pass) => sum + (pass.turns ? pass.moves : 0), 0) ?? 0
  return (
    <>
      <p className="text-soft">
        up from slack, round {made + 1} of {made + climb.rounds.length}
      </p>
      <div>
        <Big>All</Big>
        <SweepMove
          turns={turns}
          hand={settings.keys === 2 ? 'both rods of a pair together' : 'one rod after its opposite'}
        />
      </div>
      <MoveButtons other="bench.wrinkles" label="Wrinkles" />
      <p className="mt-3 text-lg leading-snug">{climbText(climb, targetHz)}</p>
      {settings.keys === 1 && turns > 0.25 ? (
        <p className="mt-1 leading-snug text-soft">
          With one key go around twice, half of it each time: the film is loaded unevenly on the way.
        </p>
      ) : null}
      <div className="mt-2 flex items-start justify-between gap-3">
        <div className="min-w-0 text-[15px] leading-snug text-soft">
          <p>
            Order: {order}. Rule of thumb: {ruleOfThumb(drum.kind, side, drum.diameterInches).toLowerCase()}
          </p>
          <p className="mt-1 text-caution">
            Stay under the maker’s limit, eyes away from the rim: heads burst, rods snap.
          </p>
        </div>
        <div className="-mt-2 hidden shrink-0 md:block">
          <StarMap model={starMapModel(150, groups, look)} label={`Order of the rods in pairs: ${order}`} />
        </div>
      </div>
    </>
  )
}
