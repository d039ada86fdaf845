'use client'

import { useState, type FormEvent } from 'react'
import { StarMap } from '@/charts/StarMap'
import { starMapModel } from '@/charts/starmap.model'
import { starOrder } from '@/core/evening/order'
import { fitSteps } from '@/core/fitting/lookOver'
import { SLACK_SCHOOL_IDS, SLACK_SCHOOLS, type SlackSchoolId } from '@/core/head/slackStart'
import type { HeadRecord } from '@/core/records/kit'
import { headIsOn, slackened } from '@/session/actions/fitting'
import { useBenchView, useSelect, useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import { Choice } from '@/ui/Choice'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { Modal } from '@/ui/Modal'
import { Pick } from '@/ui/Pick'
import { KeysPick } from '../bench/KeysPick'
import { FilmSelect } from '../kit/FilmSelect'

const MARKS = [
  ['0', 'in line with the badge'],
  ['0.125', 'an eighth round, clockwise'],
  ['0.25', 'a quarter round'],
  ['0.375', 'three eighths round'],
  ['0.5', 'opposite the badge'],
  ['0.625', 'five eighths round'],
  ['0.75', 'three quarters round'],
  ['0.875', 'an eighth short of the badge'],
].map(([value, label]) => ({ value, label }))

const STEPS = [
  { value: '0.125', label: '1/8, careful' },
  { value: '0.25', label: '1/4' },
  { value: '0.5', label: '1/2, as many do' },
  { value: '1', label: '1, very slack heads' },
]

const day = (ms: number) => new Date(ms).toISOString().slice(0, 10)

/** Starts that trust how tight fingers feel. */
const BY_FINGERS: ReadonlySet<SlackSchoolId> = new Set(['fingers', 'ear'])

/** Fitting a head: steps with what to check at each, up to the slack start; or only back to slack with the head that is on. */
export function FitDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const state = useSelect(({ settings }) => ({ settings }))
  const view = useBenchView()
  const own = view?.drum[view.side]
  // A rod whose finger-tight lies takes the starts by fingers off the list.
  const lies = view?.head.findings.some(({ finding }) => finding === 'dirty') ?? false
  const starts = SLACK_SCHOOL_IDS.filter((id) => !lies || !BY_FINGERS.has(id))
  const [kind, setKind] = useState<'new' | 'same'>(lies ? 'same' : 'new')
  const [pliesMils, setPliesMils] = useState(own?.pliesMils ?? [10])
  const [coating, setCoating] = useState<HeadRecord['coating']>(own?.coating ?? 'clear')
  const [mark, setMark] = useState(String(view?.head.markTurns ?? 0))
  const [school, setSchool] = useState<SlackSchoolId>(
    starts.includes(state.settings.slackSchool) ? state.settings.slackSchool : starts[0],
  )
  const [ticked, setTicked] = useState<string[]>([])
  if (!session || !view || !own) return null
  const { drum, side } = view
  const { settings } = state
  const steps = fitSteps(SLACK_SCHOOLS[school].how)
  const shown = kind === 'new' ? steps : steps.filter(({ id }) => id === 'start')
  const groups = starOrder(drum.lugs)
  const order = groups.map((group) => group.map((rod) => rod + 1).join('·')).join(', ')
  const submit = (event: FormEvent) => {
    event.preventDefault()
    if (kind === 'new') {
      const head = { ...own, pliesMils, coating, fittedOn: day(session.deps.nowMs()) }
      headIsOn(session, { head, markTurns: Number(mark), school })
    } else slackened(session, school)
    onClose()
  }
  return (
    <Modal
      open
      wide
      onClose={onClose}
      title={`Fit the ${side} head of ${drum.name}`}
      description="Which head first is a matter of school: the resonant, since a thin ply can be judged alone and the batter then against it; or the batter. Change the head on the bench to fit the other."
    >
      <form onSubmit={submit}>
        <Choice
          label="Which head"
          value={kind}
          items={[
            { value: 'new', label: 'a new head' },
            { value: 'same', label: 'the head that is on, back to slack' },
          ]}
          onChange={setKind}
        />
        {kind === 'new' ? (
          <div className="mt-3 grid gap-4 sm:grid-cols-3">
            <Field label="Film">
              <FilmSelect pliesMils={pliesMils} onChange={setPliesMils} />
            </Field>
            <Field label="Surface">
              <select
                value={coating}
                onChange={(event) => setCoating(event.target.value as HeadRecord['coating'])}
                className={INPUT_CLASS}
              >
                <option value="clear">clear</option>
                <option value="coated">coated</option>
              </select>
            </Field>
            <Field
              label="Its mark lies"
              hint={
                view.head.markTurns === null
                  ? 'So that it goes back the same way.'
                  : 'The one before lay as shown.'
              }
            >
              <select value={mark} onChange={(event) => setMark(event.target.value)} className={INPUT_CLASS}>
                {MARKS.map(({ value, label }) => (
                  <option key={value} value={value}>
                    {label}
                  </option>
                ))}
              </select>
            </Field>
          </div>
        ) : null}
        <div className="mt-4 flex flex-wrap gap-x-6 border-y border-line">
          <Pick
            label="start from"
            value={school}
            items={starts.map((id) => ({ value: id, label: SLACK_SCHOOLS[id].label }))}
            onChange={(value) => setSchool(value as SlackSchoolId)}
          />
          <KeysPick />
          <Pick
            label="a step at most"
            value={String(settings.largestStepTurns)}
            items={STEPS}
            onChange={(value) => session.setSettings({ largestStepTurns: Number(value) })}
          />
        </div>
        <div className="mt-3 gap-6 sm:flex">
          <ol className="flex-1">
            {shown.map(({ id, todo, check, caution }) => (
              <li key={id} className="border-b border-line">
                <label className="flex cursor-pointer gap-3 py-2.5">
                  <input
                    type="checkbox"
                    checked={ticked.includes(id)}
                    onChange={() =>
                      setTicked((now) =>
                        now.includes(id) ? now.filter((each) => each !== id) : [...now, id],
                      )
                    }
                    className="mt-1 size-5 shrink-0 accent-[var(--act)]"
                  />
                  <span className="leading-snug">
                    <span className="font-bold">{todo}</span> <span className="text-soft">{check}</span>
                    {caution ? <span className="block text-caution">{caution}</span> : null}
                  </span>
                </label>
              </li>
            ))}
          </ol>
          <figure className="shrink-0">
            <StarMap model={starMapModel(170, groups)} label={`Order of the rods in pairs: ${order}`} />
            <figcaption className="w-[170px] text-sm text-soft">
              {settings.keys === 2
                ? 'Both rods of a pair together: the head stays centred.'
                : 'A rod, then its opposite, in this order: with one key in smaller steps.'}{' '}
              Never around in a circle.
            </figcaption>
          </figure>
        </div>
        <div className="mt-5 flex flex-wrap gap-3">
          <Button tone="act" type="submit">
            {kind === 'new' ? 'It is on, rods at the start' : 'Rods are at the start'}
          </Button>
          <Button onClick={onClose}>Leave it</Button>
        </div>
      </form>
    </Modal>
  )
}
