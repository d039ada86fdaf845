'use client'

import { useEffect, useRef, useState } from 'react'
import { DRILLS } from '@/core/ear/kinds'
import type { DrillId, DrillRecord } from '@/core/records/drill'
import type { PracticeChoice } from '@/session/practiceDrums'
import { drillDrumOf } from '@/session/practiceDrums'
import { useSelect } from '@/session/react'
import type { Session } from '@/session/session'
import { HEARING_CAUTION, LONG_TODAY, TIRED } from '@/text/ear'
import { Button } from '@/ui/Button'
import { Choice } from '@/ui/Choice'
import { Pick } from '@/ui/Pick'
import { Answers } from './Answers'
import { EarStrip } from './EarStrip'
import { Progress } from './Progress'
import { Sounding } from './Sounding'
import { useDrill, type Drill } from './useDrill'
import { EntryLink } from '../handbook/EntryLink'
import { DRILL_ENTRY, NUMBER_ENTRY } from '@/handbook/links'

const THROUGH = [
  { value: 'headphones', label: 'headphones' },
  { value: 'speaker', label: 'speaker' },
] as const

const KINDS = Object.entries(DRILLS).map(([value, { label }]) => ({ value, label }))
/** So much listening within the hour is enough. */
const LONG_TRIALS = 150
const HOUR_MS = 3_600_000

/** Drills that measure the ear by answers: one question, its answers under the hand, the strip of trials below. */
export function EarPart({ session, choices }: { session: Session; choices: readonly PracticeChoice[] }) {
  const [kind, setKind] = useState<DrillId>('higher')
  const [drum, setDrum] = useState(choices[1].value)
  const [through, setThrough] = useState<DrillRecord['through']>('headphones')
  const chosen = choices.find(({ value }) => value === drum) ?? choices[0]
  const drill = useDrill(session)
  const begin = () => drill.begin(kind, drillDrumOf(chosen.drum), through)
  const busy = drill.phase !== 'idle' && drill.phase !== 'over'
  useDrillKeys(drill, busy)
  const shown = drill.record?.kind ?? kind
  return (
    <div>
      <div className="flex flex-wrap items-center gap-x-6 border-b border-line pb-1">
        {busy ? (
          <p className="py-2.5 text-soft">
            <span className="font-bold text-ink">{DRILLS[shown].label}</span>, {chosen.label},{' '}
            <span aria-label="Time left">{clockText(drill.secondsLeft)}</span>
          </p>
        ) : (
          <>
            <Pick label="drill" value={kind} items={KINDS} onChange={(value) => setKind(value as DrillId)} />
            <Pick label="on" value={drum} items={choices} onChange={setDrum} />
            <Choice label="Heard through" value={through} items={THROUGH} onChange={setThrough} />
          </>
        )}
      </div>
      {busy ? <Asking drill={drill} /> : <Ready {...{ drill, shown: kind, begin }} />}
      {drill.record ? <EarStrip record={drill.record} /> : null}
      <Progress kind={shown} without={busy ? drill.record?.id : undefined} />
    </div>
  )
}

const clockText = (seconds: number) => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`

/** Before a run, and after it. */
function Ready({ drill, shown, begin }: { drill: Drill; shown: DrillId; begin: () => void }) {
  const { question } = DRILLS[shown]
  const drills = useSelect((state) => state.drills)
  const hourAgo = useSelect((state) => state.clockMs) - HOUR_MS
  const lately = (drills ?? []).reduce(
    (sum, each) =>
      each.what === 'drill' && Date.parse(each.at) > hourAgo ? sum + each.answered.length : sum,
    0,
  )
  return (
    <div className="py-4 md:py-6">
      <Question text={question} />
      <div className="mt-4 flex flex-wrap items-center gap-x-6 gap-y-2">
        <Button tone="act" big onClick={begin}>
          {drill.phase === 'over' ? 'Three minutes more' : 'Begin, three minutes'}
        </Button>
        <p className="max-w-prose text-soft">{HEARING_CAUTION}</p>
      </div>
      <p className="mt-1 flex flex-wrap gap-x-5">
        <EntryLink entry={DRILL_ENTRY[shown]} />
        <EntryLink entry={NUMBER_ENTRY.threshold} />
        <EntryLink entry={NUMBER_ENTRY.staircase} />
        <EntryLink entry="hearing" />
      </p>
      <Trouble drill={drill} />
      {drill.tired || lately > LONG_TRIALS ? (
        <p role="status" className="mt-2 text-lg font-bold">
          {drill.tired ? TIRED : LONG_TODAY}
        </p>
      ) : null}
    </div>
  )
}

/** What keeps the drill from sounding. */
function Trouble({ drill: { trouble } }: { drill: Drill }) {
  return trouble ? (
    <p role="alert" className="mt-2 font-bold text-caution">
      {trouble}
    </p>
  ) : null
}

/** The question at its size, its last word the heaviest. */
function Question({ text }: { text: string }) {
  const at = text.lastIndexOf(' ')
  return (
    <h2 className="text-[44px] leading-none font-light tracking-tight text-soft md:text-[88px]">
      {text.slice(0, at)} <span className="font-extrabold text-ink">{text.slice(at + 1)}</span>
    </h2>
  )
}

function Asking({ drill }: { drill: Drill }) {
  const { record, trial, told } = drill
  if (!record) return null
  return (
    <div className="gap-x-8 py-4 md:py-6 lg:grid lg:grid-cols-[minmax(0,1fr)_320px]">
      <div className="min-w-0">
        <Question text={DRILLS[record.kind].question} />
        <Answers drill={drill} />
        <Trouble drill={drill} />
        <p aria-live="polite" className="mt-3 min-h-8 text-xl">
          {told ? (
            <>
              <span className="font-extrabold">{told.right ? 'Right.' : 'Wrong.'}</span> {told.reveal}
            </>
          ) : drill.phase === 'waiting' || !trial ? (
            <span className="text-soft">One moment…</span>
          ) : null}
        </p>
        <div className="flex flex-wrap items-center gap-x-6">
          <Button tone="quiet" className="underline" onClick={drill.again} disabled={drill.phase !== 'ask'}>
            Hear it again
          </Button>
          <Button tone="quiet" className="underline" onClick={drill.stop}>
            Stop here
          </Button>
        </div>
        {drill.tired ? (
          <p role="status" className="mt-1 font-bold">
            {TIRED}
          </p>
        ) : null}
      </div>
      <div className="max-lg:hidden">
        <Sounding drill={drill} />
      </div>
    </div>
  )
}

/** Digits answer, the space bar plays again, Escape stops. */
function useDrillKeys(drill: Drill, busy: boolean) {
  const latest = useRef(drill)
  useEffect(() => {
    latest.current = drill
  })
  useEffect(() => {
    if (!busy) return
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement
      if (event.ctrlKey || event.metaKey || event.altKey) return
      if (target.closest('input, textarea, select, [role="dialog"], [role="menu"]')) return
      const now = latest.current
      if (event.key === ' ' && !target.closest('button, a')) {
        event.preventDefault()
        if (now.phase === 'ask') now.again()
      } else if (/^[1-9]$/.test(event.key)) {
        const answer = now.trial?.answers[Number(event.key) - 1]
        if (answer) now.answer(answer)
      } else if (event.key === 'Escape') now.stop()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [busy])
}
