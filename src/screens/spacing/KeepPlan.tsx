'use client'

import { useState } from 'react'
import { useGo } from '@/ui/useGo'
import { rowsOf } from '@/core/spacing/rows'
import type { Plan } from '@/core/spacing/types'
import { keepPlan } from '@/session/actions/sheets'
import { type Planning } from '@/session/selectors'
import { useSelect, useSession } from '@/session/react'
import { hzText, noteText } from '@/text/heads'
import { SCHEME_LABELS } from '@/text/spacing'
import { KeepForm } from '../sheets/KeepForm'
import { fixed } from '@/text/shown'

/** Keeps a plan as a sheet, with what it was made by in its notes. */
export function KeepPlan({ asking, plan, onClose }: { asking: Planning; plan: Plan; onClose: () => void }) {
  const session = useSession()
  const settings = useSelect((state) => state.settings)
  const go = useGo()
  const drumOf = (id: string) => asking.request.drums.find((drum) => drum.id === id)!
  const [kept, setKept] = useState<readonly string[]>(() => plan.drums.map(({ id }) => id))
  if (!session) return null
  const { stepsName } = settings.spacing
  // A scheme of one's own keeps its name.
  const scheme =
    plan.scheme.kind === 'steps' && stepsName !== null ? stepsName : SCHEME_LABELS[plan.scheme.kind]
  return (
    <KeepForm
      title="Keep the plan as a sheet"
      firstNotes={`${scheme} from ${fixed(plan.rootHz, 1)} Hz, ${noteText(plan.rootHz, settings.a4Hz)}`}
      onClose={onClose}
      onKeep={(name, notes) => {
        const { centreHz } = rowsOf(asking.request.drums, plan.drums)
        const placed = plan.drums
          .filter(({ id }) => kept.includes(id))
          .map((each) => ({ ...each, centreHz: centreHz[each.id] ?? null }))
        keepPlan(session, name, notes, placed)
        go('/sheets')
      }}
    >
      <fieldset>
        <legend className="font-bold">What is kept</legend>
        {plan.drums.map(({ id, batterHz }) => (
          <label key={id} className="flex min-h-11 items-center gap-3">
            <input
              type="checkbox"
              className="size-6 accent-(--act)"
              checked={kept.includes(id)}
              onChange={(event) =>
                setKept(event.target.checked ? [...kept, id] : kept.filter((each) => each !== id))
              }
            />
            {drumOf(id).name}, {hzText(batterHz)} Hz
            {drumOf(id).now ? '' : ', not read'}
          </label>
        ))}
      </fieldset>
    </KeepForm>
  )
}
