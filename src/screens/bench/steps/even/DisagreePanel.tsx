'use client'

import { useState } from 'react'
import { readAgain } from '@/session/actions/readings'
import { believeReadings } from '@/session/actions/said'
import type { BenchView } from '@/session/benchView'
import { useSession } from '@/session/react'
import { adviceText } from '@/text/advice'
import { Button } from '@/ui/Button'
import { Acts } from '../../Frame'
import { Big, Light } from '../../Big'
import { EntryLink } from '../../../handbook/EntryLink'
import { REASON_ENTRY } from '@/handbook/links'
import type { EvenAnswer } from '@/core/evening/types'

/** Readings that no head could show together: which to tap again; what came again is asked about, one thing at a time. */
export function DisagreePanel({ view }: { view: BenchView }) {
  const session = useSession()
  if (!view.advice || !session) return null
  const { plan } = view.advice
  const pass = view.sitting?.passes.at(-1)
  const lugs = plan.readNext.slice(0, 2)
  const again = lugs.some((lug) => (pass?.readings.get(lug)?.used.length ?? 0) > 1 || pass?.believed.has(lug))
  return (
    <>
      <p className="text-soft">not done: these disagree</p>
      <div>
        <Big>
          {lugs.map((lug, i) => (
            <span key={lug}>
              {i > 0 ? <Light>and</Light> : null}
              {lug}
            </span>
          ))}
        </Big>
        <p className="mt-3 text-lg leading-snug">{adviceText(plan)}</p>
        <EntryLink entry={REASON_ENTRY['readings-disagree']} />
      </div>
      {again ? <Questions view={view} /> : null}
      <Acts>
        <Button tone="act" big className="px-4 whitespace-nowrap" onClick={() => readAgain(session, lugs[0])}>
          Tap {lugs[0]} again
        </Button>
        <Button
          big
          className="px-3.5 text-base font-normal whitespace-nowrap"
          onClick={() => believeReadings(session, [])}
        >
          They are so
        </Button>
      </Acts>
      <p className="mt-3 text-[15px] text-soft">
        “They are so” goes lug by lug in small steps, with wide forecasts: no whole head behaves so.
      </p>
    </>
  )
}

function Questions({ view }: { view: BenchView }) {
  const [at, setAt] = useState(0)
  const [yes, setYes] = useState(false)
  const readings = [...(view.sitting?.passes.at(-1)?.readings.values() ?? [])]
  const all = doubtsOf(view.advice!.plan, {
    isSnare: view.drum.kind === 'snare',
    otherMuted: view.otherHead !== 'free',
    byMicrophone: readings.some(({ modes }) => modes.length > 0),
  })
  const doubt = all[at]
  if (!doubt)
    return <p className="mt-3 text-lg">Then look at these lugs’ rods and at the edge beside them.</p>
  return (
    <div className="mt-4 border-t border-line pt-3">
      <p className="text-lg font-bold">{yes ? doubt.then : doubt.ask}</p>
      {yes ? null : (
        <div className="mt-2 flex gap-3">
          <Button onClick={() => setYes(true)}>Yes</Button>
          <Button onClick={() => setAt(at + 1)}>No</Button>
        </div>
      )}
    </div>
  )
}

/** One question at a time on readings that came again and still cannot stand together: what else it may be. */
interface Doubt {
  id: 'microphone' | 'other-head' | 'wires' | 'mode' | 'hoop'
  ask: string
  /** What to do where the answer is yes. */
  then: string
}

const DOUBTS: readonly Doubt[] = [
  {
    id: 'other-head',
    ask: 'Is the other head free?',
    then: 'Lay something soft against it, say so above, and read the head again.',
  },
  {
    id: 'microphone',
    ask: 'Did the microphone stand still while you went round?',
    then: 'Set it to standing still under How it listens, or carry it along; then read again.',
  },
  {
    id: 'wires',
    ask: 'Are the snare wires on, or does anything rattle?',
    then: 'Wires off or a stick under them; then read again.',
  },
  {
    id: 'mode',
    ask: 'Might one of them be another tone of the head?',
    then: 'A fingertip on the very middle, a soft stroke two fingers in; or choose another tone under What was heard.',
  },
  {
    id: 'hoop',
    ask: 'Seen from above, is there an uneven gap round the hoop, or a dent in the edge?',
    then: 'No rod setting will make such a head even. Note it under Look it over; the head is then brought as near as it goes.',
  },
]

/** The questions that fit, the likeliest first: what the readings themselves point at, then by how common it is. */
function doubtsOf(
  answer: Pick<EvenAnswer, 'micStoodStill' | 'muteOther'>,
  { isSnare, otherMuted, byMicrophone }: { isSnare: boolean; otherMuted: boolean; byMicrophone: boolean },
): Doubt[] {
  const first = answer.micStoodStill ? 'microphone' : answer.muteOther ? 'other-head' : null
  return DOUBTS.filter(
    ({ id }) =>
      (id !== 'wires' || isSnare) &&
      (id !== 'microphone' || byMicrophone) &&
      (id !== 'other-head' || !otherMuted || answer.muteOther),
  ).sort((a, b) => Number(b.id === first) - Number(a.id === first))
}
