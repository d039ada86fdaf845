'use client'

import { useEffect, useState } from 'react'
import { clsx } from 'clsx'
import type { Plan, PlanAnswer } from '@/core/spacing/types'
import { askPlan, hearPlan } from '@/session/actions/spacing'
import { planningOf, type Planning } from '@/session/selectors'
import { useKit, useSelect, useSession } from '@/session/react'
import {
  givesText,
  namesOf,
  planLabel,
  scoreText,
  troubleText,
  workText,
  SCHEME_LABELS,
} from '@/text/spacing'
import { Button } from '@/ui/Button'
import { useCommander } from '../shell/commander'
import { Choices } from './Choices'
import { PlanRail } from './PlanRail'
import { RowsTable } from './RowsTable'
import { EntryLink } from '../handbook/EntryLink'
import { GIVES_ENTRY } from '@/handbook/links'
import { useGo } from '@/ui/useGo'
import { rowsOf } from '@/core/spacing/rows'
import { keepPlan } from '@/session/actions/sheets'
import { hzText, noteText } from '@/text/heads'
import { KeepForm } from '../sheets/KeepForm'
import { fixed } from '@/text/shown'

/** A plan among the others: by what it is. */
const keyOf = ({ what }: Plan) => JSON.stringify(what)

/** The whole kit planned: scheme, root and relation, what gives, and what it takes. */
export function SpacingScreen() {
  const session = useSession()
  const state = useSelect(({ phase }) => ({ phase }))
  const kit = useKit()
  const { run } = useCommander()
  // What was looked at, of which answer: what is newly planned is shown from its first plan.
  const [chosen, setChosen] = useState<{ answer: PlanAnswer; plan: string; beside: string | null } | null>(
    null,
  )
  const [keeping, setKeeping] = useState(false)
  const asking = useSelect(planningOf)
  const answer = usePlans(asking)
  if (!session || (state.phase === 'starting' && !kit))
    return <p className="p-8 text-soft">Opening the log…</p>
  if (!kit || !asking || kit.drums.length === 0) {
    return (
      <div className="p-8">
        <h1 className="text-4xl font-bold">No drums to space</h1>
        <p className="mt-3 text-lg">Add the drums of the kit first: sizes are enough to plan by.</p>
        <Button tone="act" big className="mt-6" onClick={() => run(kit ? 'kit.addDrum' : 'kit.new')}>
          {kit ? 'Add a drum' : 'Start a kit'}
        </Button>
      </div>
    )
  }
  const names = namesOf(asking.request)
  const plans = answer?.plans ?? []
  const picked = chosen && chosen.answer === answer ? chosen : null
  const plan = plans.find((each) => keyOf(each) === picked?.plan) ?? plans[0] ?? null
  const other = plans.find((each) => keyOf(each) === picked?.beside) ?? null
  return (
    <div className="px-4 pb-10 md:px-7">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6 pt-3 md:pt-5">
        <h1 className="text-3xl font-bold md:text-4xl">Spacing</h1>
        {plan ? (
          <div className="flex flex-wrap gap-3 max-md:mt-2">
            <Button onClick={() => hearPlan(asking, plan.drums, 'fill')}>Hear a fill</Button>
            <Button onClick={() => hearPlan(asking, plan.drums, 'single')}>Hear each</Button>
            <Button tone="act" onClick={() => setKeeping(true)}>
              Keep as a sheet
            </Button>
          </div>
        ) : null}
      </div>
      <div className="mt-3 flex flex-col gap-8 lg:grid lg:grid-cols-[270px_minmax(0,1fr)]">
        <div className="max-lg:order-2">
          <Choices asking={asking} />
        </div>
        <div className="min-w-0">
          {plans.length > 0 && plan ? (
            <>
              <ul className="flex flex-wrap gap-x-6 border-b border-line" aria-label="Plans">
                {plans.map((each) => (
                  <li key={keyOf(each)}>
                    <button
                      type="button"
                      aria-pressed={each === plan}
                      onClick={() => {
                        if (answer && each !== plan)
                          setChosen({ answer, plan: keyOf(each), beside: keyOf(plan) })
                      }}
                      className={clsx(
                        'min-h-14 border-b-[3px] py-1 text-left',
                        each === plan ? 'border-ink' : 'border-transparent text-soft hover:text-ink',
                      )}
                    >
                      <span className="block text-lg leading-tight font-bold">{planLabel(each, names)}</span>
                      <span className="block text-sm">
                        {scoreText(each)}; {workText(each)}
                      </span>
                    </button>
                  </li>
                ))}
              </ul>
              <PlanRail asking={asking} plan={plan} other={other} />
              <div className="mt-4 gap-8 md:grid md:grid-cols-2">
                <section aria-label="What it gives up">
                  <h2 className="text-xl font-bold">What gives</h2>
                  {plan.gives.length ? (
                    <ul className="mt-1 leading-snug">
                      {plan.gives.map((gives, i) => (
                        <li
                          key={i}
                          className="flex flex-wrap items-baseline gap-x-3 border-b border-line py-1"
                        >
                          {givesText(gives, names)}
                          <EntryLink entry={GIVES_ENTRY[gives.what]} className="text-[15px]" />
                        </li>
                      ))}
                    </ul>
                  ) : (
                    <p className="mt-1">Nothing: every drum is near its best and the scheme is whole.</p>
                  )}
                </section>
                <RowsTable asking={asking} plan={plan} />
              </div>
              {keeping ? <KeepPlan asking={asking} plan={plan} onClose={() => setKeeping(false)} /> : null}
            </>
          ) : answer ? (
            <p role="alert" className="mt-4 max-w-xl text-lg">
              {troubleText(answer.why, names)}
            </p>
          ) : (
            <p className="mt-4 text-soft">Looking for the best plan…</p>
          )}
        </div>
      </div>
    </div>
  )
}

/** The plans for exactly this request; the last ones while new ones are worked out. */
function usePlans(asking: Planning | null): PlanAnswer | null {
  const session = useSession()
  const [found, setFound] = useState<PlanAnswer | null>(null)
  const request = asking?.request ?? null
  useEffect(() => {
    if (!session || !request) return
    let stale = false
    void askPlan(session, request).then((answer) => {
      if (!stale) setFound(answer)
    })
    return () => void (stale = true)
  }, [session, request])
  return found
}

/** Keeps a plan as a sheet, with what it was made by in its notes. */
function KeepPlan({ asking, plan, onClose }: { asking: Planning; plan: Plan; onClose: () => void }) {
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
