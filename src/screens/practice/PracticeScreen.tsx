'use client'

import { useEffect, useMemo, useState } from 'react'
import { openPractised } from '@/session/actions/drills'
import { practiceChoices } from '@/session/practiceDrums'
import { useKit, useSelect, useSession } from '@/session/react'
import { Choice } from '@/ui/Choice'
import { ByEarPart } from './ByEarPart'
import { EarPart } from './EarPart'
import { LessonsPart } from './LessonsPart'

const PARTS = [
  { value: 'ear', label: 'the ear' },
  { value: 'set', label: 'by ear alone' },
  { value: 'lessons', label: 'lessons' },
] as const
type Part = (typeof PARTS)[number]['value']

/** The practice drum, drills that measure the ear, and lessons. Nothing of it touches a real drum's record. */
export function PracticeScreen() {
  const session = useSession()
  const phase = useSelect((state) => state.phase)
  const kit = useKit()
  const [part, setPart] = useState<Part>('ear')
  const choices = useMemo(() => practiceChoices(kit?.drums ?? []), [kit?.drums])
  useEffect(() => {
    if (session && phase !== 'starting') void openPractised(session)
  }, [session, phase])
  if (!session || phase === 'starting') return <p className="p-8 text-soft">Opening the log…</p>
  return (
    <div className="px-4 pb-8 md:px-7">
      <div className="flex flex-wrap items-center justify-between gap-x-6 pt-3 md:pt-4">
        <div className="flex flex-wrap items-baseline gap-x-4">
          <h1 className="text-3xl font-bold md:text-4xl">Practice</h1>
          <span className="text-soft">simulated, kept apart from every kit</span>
        </div>
        <Choice label="Part of practice" value={part} items={PARTS} onChange={setPart} />
      </div>
      <div className="mt-2">
        {part === 'ear' ? <EarPart {...{ session, choices }} /> : null}
        {part === 'set' ? <ByEarPart {...{ session, choices }} /> : null}
        {part === 'lessons' ? <LessonsPart session={session} /> : null}
      </div>
    </div>
  )
}
