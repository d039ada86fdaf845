'use client'

import { useState } from 'react'
import type { QuestionId } from '@/core/fitting/questions'
import { NAMED, nextQuestions, rankCauses, tellsApart } from '@/core/fitting/faults'
import { evidenceOf } from '@/core/bench/evidence'
import { openFindings, openSearch } from '@/core/log/findings'
import type { FaultSearch } from '@/core/log/headLog'
import { answerFault, endFaultSearch } from '@/session/actions/findings'
import { useBenchView } from '@/session/benchReact'
import { useSession } from '@/session/react'
import { Frame, MainButton, Panel, Phrase } from '../../Frame'
import { AskPanel } from './AskPanel'
import { FaultStrip } from './FaultStrip'
import { CAUSES, type Cause, type CauseId } from '@/core/fitting/causes'
import { FINDINGS } from '@/core/fitting/lookOver'
import { goToStop } from '@/session/actions/kits'
import type { BenchView } from '@/session/benchView'
import type { StepId } from '@/core/status/steps'
import { Button } from '@/ui/Button'
import { LugPicks } from '@/ui/LugPicks'
import { EntryLink } from '@/screens/handbook/EntryLink'
import { CAUSE_ENTRY } from '@/handbook/links'

const EMPTY: FaultSearch = { id: '', answers: [], passedOver: [] }

/** From a complaint to the cause: questions one at a time, the one that tells most for its time first. */
export function FaultStep() {
  const session = useSession()
  const view = useBenchView()
  const [again, setAgain] = useState<QuestionId | null>(null)
  const [further, setFurther] = useState(false)
  const [drumRods, setDrumRods] = useState<number[]>([])
  if (!session || !view) return null
  const { kit, drum, side, practice } = view
  const { answers, passedOver } = openSearch(kit, drum.id, side, practice) ?? EMPTY
  const said = new Set([...answers.map(({ question: id }) => id), ...passedOver])
  const evidence = evidenceOf({ here: view.here, head: view.head, plan: view.advice?.plan ?? null })
  const logged = [...evidence].flatMap(([id, answer]) => (said.has(id) ? [] : [{ question: id, answer }]))
  const all = [...answers, ...logged]
  const ranked = rankCauses(all, drum.kind, openFindings(kit, drum.id, practice).length > 0)
  const [next] = nextQuestions(all, drum.kind, passedOver)
  const named = answers.length > 1 && ranked[0].odds >= NAMED
  const question = again ?? (named && !further ? null : (next ?? null))
  return (
    <Frame
      strip={
        <FaultStrip
          ranked={ranked}
          answers={answers}
          logged={logged}
          kind={drum.kind}
          onAgain={setAgain}
          onStartOver={() => {
            endFaultSearch(session, null)
            setFurther(false)
          }}
        />
      }
      panel={
        question ? (
          <AskPanel
            key={question}
            view={view}
            question={question}
            logged={evidence.get(question) ?? null}
            answered={answers.length}
            apart={answers.length ? tellsApart(question, ranked) : null}
            onAnswer={(said) => {
              answerFault(session, question, said)
              setAgain(null)
            }}
            onRods={setDrumRods}
          />
        ) : (
          <NamedPanel
            view={view}
            drumRods={drumRods}
            cause={ranked[0].cause}
            sure={named}
            onFurther={next ? () => setFurther(true) : null}
          />
        )
      }
    />
  )
}

/** Where the mending of a cause is done: its step, and the button that goes there. */
const LEADS: Record<NonNullable<Cause['leads']>, { step: StepId; label: string }> = {
  fit: { step: 'fit', label: 'Fit a new head' },
  slack: { step: 'fit', label: 'Back to slack, another start' },
  pair: { step: 'heads', label: 'Go to both heads' },
  stand: { step: 'stand', label: 'Go to the stand' },
  snare: { step: 'snare', label: 'Go to the snare' },
  even: { step: 'even', label: 'Go on evening' },
}

interface Props {
  view: BenchView
  drumRods: readonly number[]
  cause: CauseId
  sure: boolean
  onFurther: (() => void) | null
}

/** The likeliest cause, what it means, what mends it; one button notes it and goes where it is mended. */
function NamedPanel({ view, drumRods, cause, sure, onFurther }: Props) {
  const session = useSession()
  const [rods, setRods] = useState<readonly number[]>(drumRods)
  if (!session) return null
  const { label, means, fix, caution, finding, leads } = CAUSES[cause]
  const asksRods = finding ? FINDINGS[finding].rods : undefined
  const wanting = Boolean(asksRods) && rods.length === 0
  const end = (step: StepId | null) => {
    endFaultSearch(session, cause, rods)
    goToStop(session, { step: step ?? 'even', side: view.side })
  }
  return (
    <Panel
      over={sure ? 'most likely' : 'nothing more to ask; likeliest is'}
      big={<Phrase>{label}</Phrase>}
      next={null}
      acts={
        <>
          <MainButton disabled={wanting} onClick={() => end(leads ? LEADS[leads].step : null)}>
            {leads ? LEADS[leads].label : finding ? 'Note it on the drum' : 'That is it'}
          </MainButton>
          {leads ? (
            <Button disabled={wanting} onClick={() => end(null)}>
              {finding ? 'Only note it' : 'That is it, later'}
            </Button>
          ) : null}
          {onFurther ? <Button onClick={onFurther}>Ask on</Button> : null}
        </>
      }
    >
      <p className="text-lg leading-snug">{means}</p>
      <p className="mt-1 text-lg leading-snug font-bold">{fix}</p>
      {caution ? <p className="mt-1 leading-snug text-caution">{caution}</p> : null}
      <EntryLink entry={CAUSE_ENTRY[cause]} />
      {asksRods ? (
        <div className="mt-3">
          <p className="text-soft">Which rods?</p>
          <LugPicks lugs={view.drum.lugs} chosen={rods} onChange={setRods} label="Rod" />
        </div>
      ) : null}
    </Panel>
  )
}
