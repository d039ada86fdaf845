'use client'

import { clsx } from 'clsx'
import { CAUSES, type CauseId } from '@/core/fitting/causes'
import { QUESTIONS, type QuestionId } from '@/core/fitting/questions'
import { practiceAnswers } from '@/session/actions/practice'
import type { BenchView } from '@/session/benchView'
import { useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import { Acts, Phrase, useTop } from '../../Frame'
import { QUESTION_CAUTION_ENTRY } from '@/handbook/links'
import { EntryLink } from '../../../handbook/EntryLink'

/** Questions whose answer points to a rod. */
const BY_ROD: ReadonlySet<QuestionId> = new Set(['feel', 'threads'])

interface Props {
  view: BenchView
  question: QuestionId
  /** What the log answers it with; null where it does not. */
  logged: string | null
  answered: number
  apart: [CauseId, CauseId] | null
  onAnswer: (answer: string | null) => void
  /** Rods that the practice drum's hand points to. */
  onRods: (rods: number[]) => void
}

/** One question: how to find its answer, and the answers as large buttons; what the log knows already is marked. */
export function AskPanel({ view, question, logged, answered, apart, onAnswer, onRods }: Props) {
  useTop(question)
  const session = useSession()
  if (!session) return null
  const { ask, how, minutes, answers, caution } = QUESTIONS[question]
  const cautionEntry = QUESTION_CAUTION_ENTRY[question]
  const letDrum = async () => {
    const said = await practiceAnswers(session, view)
    if (BY_ROD.has(question)) onRods(said.rods)
    onAnswer(said.answers[question])
  }
  return (
    <>
      <p className="text-soft">
        {answered === 0 ? 'first' : `question ${answered + 1}`}
        {minutes ? ` · about ${minutes < 1 ? `${Math.round(minutes * 60)} seconds` : `${minutes} min`}` : ''}
      </p>
      <Phrase>{ask}</Phrase>
      <p className="mt-2 leading-snug">{how}</p>
      {apart ? (
        <p className="mt-1 leading-snug text-soft">
          Asked because it tells “{CAUSES[apart[0]].label}” from “{CAUSES[apart[1]].label}”.
        </p>
      ) : null}
      {caution ? <p className="mt-1 leading-snug text-caution">{caution}</p> : null}
      {cautionEntry ? <EntryLink entry={cautionEntry} /> : null}
      <ul className="mt-2 md:min-h-24 md:flex-1 md:overflow-y-auto">
        {Object.entries(answers).map(([id, label]) => (
          <li key={id} className="border-b border-line">
            <button
              type="button"
              onClick={() => onAnswer(id)}
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
      <Acts>
        {question !== 'complaint' ? (
          <Button className="max-md:grow" onClick={() => onAnswer(null)}>
            Cannot say
          </Button>
        ) : null}
        {view.practice ? (
          <Button className="max-md:grow" onClick={() => void letDrum()}>
            Let the practice drum answer
          </Button>
        ) : null}
      </Acts>
    </>
  )
}
