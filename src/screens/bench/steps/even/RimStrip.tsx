'use client'

import { RimChart } from '@/charts/RimChart'
import { WalkNote } from '../../../WalkNote'
import { rimModel, rimText, type RimReading } from '@/charts/rim.model'
import { centsBetween } from '@/core/units/pitch'
import type { BenchView } from '@/session/benchView'
import { useSelect, useSession, useTuning } from '@/session/react'
import type { EvenAnswer } from '@/core/evening/types'
import { hzText, noteText, offText } from '@/text/heads'
import { Tape } from '@/ui/Tape'
import { useBox } from '@/ui/useWidth'
import { lugRows, RimLugs } from './RimLugs'
import { rimInput } from './rimInput'
import { fixed } from '@/text/shown'
import { EntryMark } from '../../../handbook/EntryLink'
import { NUMBER_ENTRY } from '@/handbook/links'
import { useState } from 'react'
import { setAim } from '@/session/actions/sheets'
import { HzField } from '@/ui/fields'
import { Pick as PickField } from '@/ui/Pick'
import { useCommander } from '@/screens/shell/commander'

const PHONE_PX = 560

const PHONE_CHART_PX = 190

/** Before it is measured. */
const USUAL_PX = 464

/** The chart's own padding beside the lugs. */
const BESIDE_PX = 68

const LEAST_CHART_PX = 150

/** The head's edge on tape: readings, fit, target band and forecast; a button a lug to read it again. */
export function RimStrip({ view }: { view: BenchView }) {
  const onTheWay = useSelect((state) => state.onTheWay)
  const [ref, box] = useBox<HTMLDivElement>({ width: 700, height: 0 })
  const phone = box.width < PHONE_PX
  const lugs = lugRows(box.width - BESIDE_PX, view.drum.lugs).height
  // On a phone the page scrolls and the strip has its own height; beside a panel it fills what there is.
  const height = phone ? PHONE_CHART_PX : Math.max(LEAST_CHART_PX, (box.height || USUAL_PX) - lugs)
  const input = rimInput(view, box.width, height, onTheWay)
  const model = rimModel(input)
  return (
    <section aria-label="Rim strip" className="flex min-w-0 flex-col px-2 pb-2 md:min-h-0 md:px-6 md:pt-4">
      <RimHead view={view} read={input.readings.length > 0} />
      <WalkNote id="strip" className="mb-2" />
      <Tape
        seed={41}
        teeth={30}
        outerClass="md:flex md:min-h-0 md:flex-1 md:flex-col"
        className="px-1 pt-1 pb-2 md:min-h-0 md:flex-1"
      >
        <div ref={ref} className="md:absolute md:inset-x-1 md:top-1 md:bottom-3">
          <RimChart
            model={model}
            width={box.width}
            height={height}
            label={rimText(input)}
            lug={view.phase === 'read' ? view.lug : null}
          />
          <RimLugs view={view} input={input} model={model} />
        </div>
      </Tape>
      <Signs
        expected={input.expected.length > 0}
        toleranceCents={input.toleranceCents}
        readings={input.readings}
      />
    </section>
  )
}

/** Two spreads further apart than this are both shown, by name. */
const WORTH_SAYING_CENTS = 3

/** How far off a head is that is to have a pitch; the pitch itself of one that is only to be even. */
const pitchWords = ({ targetHz, meanHz }: EvenAnswer, aimed: boolean) =>
  aimed ? offText(centsBetween(targetHz, meanHz)) : `${hzText(meanHz)} Hz`

/** Spread and mean, and what the cents are counted from, which can be changed here. */
function RimHead({ view, read }: { view: BenchView; read: boolean }) {
  const { plan } = view.advice ?? {}
  // The readings' own spread stands beside the state's where they differ.
  const asRead =
    plan?.readSpreadCents && Math.abs(plan.readSpreadCents - plan.spreadCents) > WORTH_SAYING_CENTS
      ? Math.round(plan.readSpreadCents)
      : null
  // Readings that cannot stand together have no head behind them: they stand there as they were taken.
  const disagree = plan?.reason === 'readings-disagree'
  const known = plan && read && plan.reason !== 'need-readings'
  const byPitch = plan?.knownBy === 'pitch' || plan?.knownBy === 'whole'
  return (
    <div className="mb-1 flex flex-wrap items-baseline gap-x-6 px-3 md:px-7">
      {known && !disagree ? (
        <span className="text-xl font-bold">
          spread {Math.round(plan.spreadCents)} c{' '}
          <span className="text-base font-normal text-soft">
            ± {Math.max(1, Math.round(plan.spreadErrorCents))}
          </span>
          <span className="max-md:hidden">
            <EntryMark entry={NUMBER_ENTRY.spread} />
          </span>
        </span>
      ) : null}
      {known && asRead ? <span className="text-soft">as read {asRead} c</span> : null}
      {known && !disagree ? (
        <span className="text-xl font-bold">
          {byPitch ? pitchWords(plan, view.head.targetHz !== null) : 'pitch not read'}
        </span>
      ) : null}
      <span className="ml-auto">
        <AimPick drum={view.drum} side={view.side} aim={view.aim} kept={view.kept} />
      </span>
    </div>
  )
}

interface Props {
  expected: boolean
  toleranceCents: number
  readings: readonly RimReading[]
}

/** What the marks mean, and the newest reading. */
function Signs({ expected, toleranceCents, readings }: Props) {
  const { a4Hz, tap } = useSelect(({ settings, bench }) => ({ a4Hz: settings.a4Hz, tap: bench.lastTap }))
  const last = tap?.used ? readings.find(({ lug }) => lug === tap.lug) : undefined
  return (
    <div className="mt-1.5 hidden flex-wrap gap-x-6 px-7 text-[15px] text-soft lg:flex">
      <span>● read</span>
      {expected ? <span className="text-act">◇ expected after this pass</span> : null}
      <span className="text-good">▬ good enough here: spread {Math.round(toleranceCents)} c</span>
      {last ? (
        <span className="ml-auto text-ink">
          lug {last.lug}: {hzText(last.hz)} Hz ± {fixed(Math.max(0.01, last.errorHz), 2)},{' '}
          {noteText(last.hz, a4Hz)}
        </span>
      ) : null}
    </div>
  )
}

/** What the head is brought to: the sheet's target, a pitch, or even where it stands. */
function AimPick({ drum, side, aim, kept }: Pick<BenchView, 'drum' | 'side' | 'aim' | 'kept'>) {
  const session = useSession()
  const { run } = useCommander()
  const tuning = useTuning()
  const [typing, setTyping] = useState<string | null>(null)
  if (!session) return null
  const items = [
    ...(kept
      ? [
          {
            value: 'sheet',
            label: `${hzText(kept.meanHz)} Hz${kept.offsetTurns ? ' uneven' : ''}, the sheet’s`,
          },
        ]
      : []),
    { value: 'hz', label: aim.kind === 'hz' ? `${hzText(aim.hz)} Hz` : 'a pitch…' },
    ...(aim.kind === 'hz' ? [{ value: 'another', label: 'another pitch…' }] : []),
    ...(aim.kind === 'bed'
      ? [{ value: 'bed', label: `${hzText(aim.hz)} Hz, bed −${Math.round(aim.bedCents)} c` }]
      : []),
    { value: 'level', label: 'even where it is' },
    {
      value: 'offsets',
      label: aim.kind === 'offsets' ? `uneven at ${hzText(aim.hz)} Hz` : 'uneven on purpose…',
    },
    ...(aim.kind === 'offsets' ? [{ value: 'change', label: 'other turns…' }] : []),
  ]
  const change = (value: string) => {
    if (value === 'offsets' || value === 'change') run('bench.uneven')
    else if (value === 'hz' || value === 'another') setTyping(aim.kind === 'hz' ? hzText(aim.hz) : '')
    else if (value !== 'bed') setAim(session, drum, side, { kind: value as 'sheet' | 'level' })
  }
  if (typing !== null) {
    return (
      <HzField
        label="target, Hz"
        text={typing}
        {...tuning}
        autoFocus
        onTake={(hz) => {
          setAim(session, drum, side, { kind: 'hz', hz })
          setTyping(null)
        }}
        onLeave={() => setTyping(null)}
      />
    )
  }
  return <PickField label="cents from" value={aim.kind} items={items} onChange={change} />
}
