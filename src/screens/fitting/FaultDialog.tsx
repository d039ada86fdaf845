'use client'

import type { FaultSearch } from '@/core/log/headLog'
import { useState } from 'react'
import { clsx } from 'clsx'
import { CAUSES, type Cause, type CauseId } from '@/core/fitting/causes'
import { QUESTIONS, type QuestionId } from '@/core/fitting/questions'
import { explainAnswers, NAMED, nextQuestions, rankCauses, tellsApart } from '@/core/fitting/faults'
import { FINDINGS } from '@/core/fitting/lookOver'
import { openSearch } from '@/core/log/findings'
import { answerFault, endFaultSearch } from '@/session/actions/findings'
import { practiceAnswers } from '@/session/actions/practice'
import { type BenchView } from '@/session/benchView'
import { evidenceOf } from '@/session/fitView'
import { useBenchView, useSelect, useSession } from '@/session/react'
import { faultStepText } from '@/text/fitting'
import { Button } from '@/ui/Button'
import { Modal } from '@/ui/Modal'
import { useCommander } from '../shell/commander'
import { LugPicks } from './LugPicks'

/** Where the mending of a cause is done. */
const LEADS: Record<NonNullable<Cause['leads']>, string> = {
  fit: 'Fit a new head',
  slack: 'Back to slack, another start',
  pair: 'Go to both heads',
  stand: 'Go to the stand',
  snare: 'Go to the snare',
  even: 'Go on evening',
}

/** Questions whose answer points to a rod. */
const BY_ROD: ReadonlySet<QuestionId> = new Set(['feel', 'threads'])
const MOST_SHOWN = 6
/** More answers than this stand in two columns. */
const MOST_IN_A_ROW = 8
const EMPTY: FaultSearch = { id: '', answers: [], passedOver: [] }

/** From a complaint to the cause: questions one at a time, the one that tells most for its time first. */
export function FaultDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const view = useBenchView()
  const [again, setAgain] = useState<QuestionId | null>(null)
  const [further, setFurther] = useState(false)
  const [drumRods, setDrumRods] = useState<number[]>([])
  if (!session || !view) return null
  const { kit, drum, side, practice } = view
  const search = openSearch(kit, drum.id, side, practice) ?? EMPTY
  const { kind } = drum
  const { answers, passedOver } = search
  const ranked = rankCauses(answers, kind)
  const [next] = nextQuestions(answers, kind, passedOver)
  const named = answers.length > 1 && ranked[0].odds >= NAMED
  const question = again ?? (named && !further ? null : (next ?? null))
  const answer = (id: QuestionId, said: string | null) => {
    answerFault(session, id, said)
    setAgain(null)
  }
  return (
    <Modal
      // Another head, or another search, begins anew.
      key={`${drum.id}/${side}/${search.id}`}
      open
      wide
      onClose={onClose}
      title={`What is wrong with ${drum.name}, ${side}?`}
      description="One question at a time, the one that tells most for its time. One answer in ten may be wrong; the odds allow for it."
    >
      <div className="gap-8 sm:grid sm:grid-cols-[minmax(0,1fr)_270px]">
        <div className="min-w-0">
          {question ? (
            <Ask
              key={question}
              view={view}
              question={question}
              answered={answers.length}
              apart={answers.length ? tellsApart(question, ranked) : null}
              onAnswer={answer}
              onRods={setDrumRods}
            />
          ) : (
            <Named
              view={view}
              drumRods={drumRods}
              cause={ranked[0].cause}
              sure={named}
              onFurther={next ? () => setFurther(true) : null}
              onClose={onClose}
            />
          )}
          {answers.length ? (
            <ol aria-label="Answers so far" className="mt-5 border-t border-line">
              {explainAnswers(answers, kind).map((step) => (
                <li key={step.question} className="border-b border-line">
                  <button
                    type="button"
                    onClick={() => setAgain(step.question)}
                    className="min-h-11 w-full py-1.5 text-left leading-snug"
                    title="Answer again"
                  >
                    {QUESTIONS[step.question].ask}{' '}
                    <span className="font-bold">{QUESTIONS[step.question].answers[step.answer]}</span>
                    <span className="block text-[15px] text-soft">{faultStepText(step)}</span>
                  </button>
                </li>
              ))}
            </ol>
          ) : null}
          {answers.length ? (
            <Button
              tone="quiet"
              className="mt-2 -ml-2 underline"
              onClick={() => {
                endFaultSearch(session, null)
                setFurther(false)
              }}
            >
              Start over
            </Button>
          ) : null}
        </div>
        <section aria-label="Likeliest causes" className="max-sm:mt-6">
          <p className="text-soft">{answers.length ? 'Likeliest' : 'Before anything is asked'}</p>
          <ol>
            {ranked.slice(0, MOST_SHOWN).map(({ cause, odds }, i) => (
              <li key={cause} className="py-1.5">
                <p
                  className={clsx(
                    'flex justify-between gap-3',
                    i === 0 && answers.length > 0 && 'text-xl font-bold',
                  )}
                >
                  <span>{CAUSES[cause].label}</span>
                  <span>{Math.round(100 * odds)}%</span>
                </p>
                <div
                  aria-hidden
                  className={clsx('mt-0.5 h-1.5', i === 0 && answers.length > 0 ? 'bg-act' : 'bg-soft')}
                  style={{ width: `${100 * odds}%`, minWidth: 2 }}
                />
              </li>
            ))}
          </ol>
        </section>
      </div>
    </Modal>
  )
}

function Ask({
  view,
  question,
  answered,
  apart,
  onAnswer,
  onRods,
}: {
  view: BenchView
  question: QuestionId
  answered: number
  apart: [CauseId, CauseId] | null
  onAnswer: (question: QuestionId, answer: string | null) => void
  /** Rods that the practice drum's hand points to. */
  onRods: (rods: number[]) => void
}) {
  const session = useSession()
  const clockMs = useSelect((state) => state.clockMs)
  if (!session) return null
  const { ask, how, minutes, answers, caution } = QUESTIONS[question]
  const logged = evidenceOf(view, clockMs).get(question)
  const letDrum = async () => {
    const said = await practiceAnswers(session, view)
    if (BY_ROD.has(question)) onRods(said.rods)
    onAnswer(question, said.answers[question])
  }
  return (
    <>
      <p className="text-soft">
        {answered === 0 ? 'first' : `question ${answered + 1}`}
        {minutes ? ` · about ${minutes < 1 ? `${Math.round(minutes * 60)} seconds` : `${minutes} min`}` : ''}
      </p>
      <p className="mt-1 text-3xl leading-tight font-extrabold">{ask}</p>
      <p className="mt-2 leading-snug">{how}</p>
      {apart ? (
        <p className="mt-1 leading-snug text-soft">
          Asked because it tells “{CAUSES[apart[0]].label}” from “{CAUSES[apart[1]].label}”.
        </p>
      ) : null}
      {caution ? <p className="mt-1 leading-snug text-caution">{caution}</p> : null}
      <ul className={clsx('mt-3', Object.keys(answers).length > MOST_IN_A_ROW && 'gap-x-6 sm:columns-2')}>
        {Object.entries(answers).map(([id, label]) => (
          <li key={id} className="border-b border-line">
            <button
              type="button"
              onClick={() => onAnswer(question, id)}
              className="flex min-h-12 w-full items-center justify-between gap-3 text-left text-lg hover:text-act"
            >
              <span className={clsx(logged === id && 'font-bold')}>{label}</span>
              {logged === id ? (
                <span className="text-sm whitespace-nowrap text-act">as the log has it</span>
              ) : null}
            </button>
          </li>
        ))}
      </ul>
      <div className="mt-2 -ml-2 flex flex-wrap">
        {question !== 'complaint' ? (
          <Button tone="quiet" className="underline" onClick={() => onAnswer(question, null)}>
            Cannot say
          </Button>
        ) : null}
        {view.practice ? (
          <Button tone="quiet" className="underline" onClick={() => void letDrum()}>
            Let the practice drum answer
          </Button>
        ) : null}
      </div>
    </>
  )
}

function Named({
  view,
  drumRods,
  cause,
  sure,
  onFurther,
  onClose,
}: {
  view: BenchView
  drumRods: readonly number[]
  cause: CauseId
  sure: boolean
  onFurther: (() => void) | null
  onClose: () => void
}) {
  const session = useSession()
  const { open } = useCommander()
  const [rods, setRods] = useState<readonly number[]>(drumRods)
  if (!session) return null
  const { label, means, fix, caution, finding, leads } = CAUSES[cause]
  const asksRods = finding ? FINDINGS[finding].rods : undefined
  return (
    <div aria-live="polite">
      <p className="text-soft">{sure ? 'most likely' : 'nothing more to ask; likeliest is'}</p>
      <p className="mt-1 text-4xl leading-tight font-extrabold">{label}</p>
      <p className="mt-2 text-lg leading-snug">{means}</p>
      <p className="mt-1 text-lg leading-snug font-bold">{fix}</p>
      {caution ? <p className="mt-1 leading-snug text-caution">{caution}</p> : null}
      {asksRods ? (
        <div className="mt-3">
          <p className="text-soft">Which rods?</p>
          <LugPicks lugs={view.drum.lugs} chosen={rods} onChange={setRods} label="Rod" />
        </div>
      ) : null}
      <div className="mt-4 flex flex-wrap gap-3">
        <Button
          tone="act"
          disabled={Boolean(asksRods) && rods.length === 0}
          onClick={() => {
            endFaultSearch(session, cause, rods)
            onClose()
            // A finding leads to its work.
            if (leads === 'fit' || leads === 'slack') open('fit')
            else if (leads && leads !== 'even') open(leads)
          }}
        >
          {leads ? LEADS[leads] : finding ? 'Note it on the drum' : 'That is it'}
        </Button>
        {leads ? (
          <Button
            disabled={Boolean(asksRods) && rods.length === 0}
            onClick={() => {
              endFaultSearch(session, cause, rods)
              onClose()
            }}
          >
            {finding ? 'Only note it' : 'That is it, later'}
          </Button>
        ) : null}
        {onFurther ? <Button onClick={onFurther}>Ask on</Button> : null}
      </div>
    </div>
  )
}
