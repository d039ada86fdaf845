'use client'

import type { FitStep } from '@/core/fitting/lookOver'
import { SLACK_SCHOOLS, type SlackSchoolId } from '@/core/head/slackStart'
import type { HeadRecord } from '@/core/records/kit'
import type { BenchView } from '@/session/benchView'
import { useSelect, useSession } from '@/session/react'
import { FIRST_HEAD_SCHOOLS, markHintText, MARKS, onText } from '@/text/fit'
import { partsOf } from '@/text/fitting'
import { Button } from '@/ui/Button'
import { Choice } from '@/ui/Choice'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { Pick } from '@/ui/Pick'
import { FilmSelect } from '../../../kit/FilmSelect'
import { MainButton, Panel, Phrase } from '../../Frame'
import { KeysPick } from '../even/KeysPick'
import type { Fitting } from './FitStep'
import { EntryLink } from '../../../handbook/EntryLink'
import { SLACK_ENTRY } from '@/handbook/links'

const STEPS = [
  { value: '0.125', label: '1/8, careful' },
  { value: '0.25', label: '1/4' },
  { value: '0.5', label: '1/2, as many do' },
  { value: '1', label: '1, very slack heads' },
]

const KINDS = [
  { value: 'new', label: 'a new head' },
  { value: 'same', label: 'the head that is on, back to slack' },
] as const

interface FitPanelProps {
  view: BenchView
  fitting: Fitting
  starts: readonly SlackSchoolId[]
  step: FitStep
  last: boolean
  onChange: (fitting: Fitting) => void
  onTick: (id: string) => void
  onDone: () => void
}

/** The step at hand in large type, and what goes on. */
export function FitPanel({ view, fitting, starts, step, last, onChange, onTick, onDone }: FitPanelProps) {
  const session = useSession()
  const settings = useSelect((state) => state.settings)
  if (!session) return null
  const { first, rest } = partsOf(step.todo)
  return (
    <Panel
      over={`fit the ${view.side} head`}
      big={<Phrase>{first}</Phrase>}
      next={null}
      acts={
        <>
          <MainButton onClick={() => (last ? onDone() : onTick(step.id))}>
            {onText(fitting.kind, last)}
          </MainButton>
          {last ? null : (
            <Button big className="px-4 text-base font-normal" onClick={onDone}>
              It is on already
            </Button>
          )}
        </>
      }
    >
      <p className="leading-snug">
        {rest}
        <span className="text-soft">{step.check}</span>
      </p>
      {step.caution ? <p className="mt-1 leading-snug text-caution">{step.caution}</p> : null}
      <Choice
        label="Which head"
        className="mt-3 border-t border-line pt-2"
        value={fitting.kind}
        items={KINDS}
        onChange={(kind) => onChange({ ...fitting, kind })}
      />
      {fitting.kind === 'new' ? <NewHead view={view} fitting={fitting} onChange={onChange} /> : null}
      <div className="mt-2 flex flex-wrap gap-x-5">
        <Pick
          label="start from"
          value={fitting.school}
          items={starts.map((id) => ({ value: id, label: SLACK_SCHOOLS[id].label }))}
          onChange={(school) => onChange({ ...fitting, school: school as SlackSchoolId })}
        />
        <KeysPick />
        <Pick
          label="a step at most"
          value={String(settings.largestStepTurns)}
          items={STEPS}
          onChange={(value) => session.setSettings({ largestStepTurns: Number(value) })}
        />
      </div>
      <p className="mt-2 text-[15px] leading-snug text-soft">{FIRST_HEAD_SCHOOLS}</p>
      <p className="flex flex-wrap gap-x-4 text-[15px]">
        <EntryLink entry={SLACK_ENTRY[fitting.school]} />
        <EntryLink entry="which-head-first" />
        <EntryLink entry="step-size" />
        {step.caution ? <EntryLink entry="over-tension" /> : null}
      </p>
    </Panel>
  )
}

interface NewHeadProps {
  view: BenchView
  fitting: Fitting
  onChange: (fitting: Fitting) => void
}

/** Film, surface and where its mark lies. */
function NewHead({ view, fitting, onChange }: NewHeadProps) {
  return (
    <div className="mt-2 grid grid-cols-2 gap-3">
      <Field label="Film">
        <FilmSelect
          pliesMils={fitting.pliesMils}
          onChange={(pliesMils) => onChange({ ...fitting, pliesMils })}
        />
      </Field>
      <Field label="Surface">
        <select
          value={fitting.coating}
          onChange={(event) => onChange({ ...fitting, coating: event.target.value as HeadRecord['coating'] })}
          className={INPUT_CLASS}
        >
          <option value="clear">clear</option>
          <option value="coated">coated</option>
        </select>
      </Field>
      <div className="col-span-2">
        <Field label="Its mark lies" hint={markHintText(view.head.markTurns)}>
          <select
            value={String(fitting.markTurns)}
            onChange={(event) => onChange({ ...fitting, markTurns: Number(event.target.value) })}
            className={INPUT_CLASS}
          >
            {MARKS.map((label, eighths) => (
              <option key={label} value={String(eighths / 8)}>
                {label}
              </option>
            ))}
          </select>
        </Field>
      </div>
    </div>
  )
}
