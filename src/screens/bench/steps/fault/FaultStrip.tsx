'use client'

import { clsx } from 'clsx'
import { CAUSES } from '@/core/fitting/causes'
import { explainAnswers, type FaultAnswer, type rankCauses } from '@/core/fitting/faults'
import { QUESTIONS, type QuestionId } from '@/core/fitting/questions'
import type { DrumKindRecord } from '@/core/records/kit'
import { faultStepText } from '@/text/fitting'
import { Button } from '@/ui/Button'
import { StripFrame } from '../../Frame'
import { EntryLink } from '../../../handbook/EntryLink'
import { COMPLAINT_ENTRY } from '@/handbook/links'

const MOST_SHOWN = 10

interface Props {
  ranked: ReturnType<typeof rankCauses>
  answers: readonly FaultAnswer[]
  /** What is known without asking. */
  logged: readonly FaultAnswer[]
  kind: DrumKindRecord
  onAgain: (question: QuestionId) => void
  onStartOver: () => void
}

/** The odds of every cause on tape, the likeliest first, and what each answer said of them. */
export function FaultStrip({ ranked, answers, logged, kind, onAgain, onStartOver }: Props) {
  const begun = answers.length > 0
  return (
    <StripFrame
      label="Odds"
      seed={74}
      over={
        <>
          <span className="text-xl font-bold">
            {begun ? 'likeliest' : logged.length ? 'by what is known already' : 'before anything is asked'}
          </span>
          <span className="text-soft">one answer in ten may be wrong; the odds allow for it</span>
        </>
      }
    >
      <ol aria-label="Likeliest causes">
        {ranked.slice(0, MOST_SHOWN).map(({ cause, odds }, i) => (
          <li key={cause} className="py-1.5">
            <p className={clsx('flex justify-between gap-3', i === 0 && begun && 'text-2xl font-extrabold')}>
              <span>{CAUSES[cause].label}</span>
              <span>{Math.round(100 * odds)}%</span>
            </p>
            <div
              aria-hidden
              className={clsx('mt-0.5 h-2', i === 0 && begun ? 'bg-act' : 'bg-soft')}
              style={{ width: `${100 * odds}%`, minWidth: 2 }}
            />
          </li>
        ))}
      </ol>
      {logged.length ? (
        <ol aria-label="Known already" className="mt-4 border-t border-line">
          {logged.map(({ question, answer }) => (
            <li key={question} className="border-b border-line">
              <button
                type="button"
                onClick={() => onAgain(question)}
                className="min-h-11 w-full py-1.5 text-left leading-snug"
                title="Answer it yourself"
              >
                {QUESTIONS[question].ask}{' '}
                <span className="font-bold">{QUESTIONS[question].answers[answer]}</span>
                <span className="block text-[15px] text-soft">as the log has it</span>
              </button>
            </li>
          ))}
        </ol>
      ) : null}
      {begun ? (
        <>
          <ol aria-label="Answers so far" className="mt-4 border-t border-line">
            {explainAnswers(answers, kind).map((step) => (
              <li key={step.question} className="border-b border-line">
                <button
                  type="button"
                  onClick={() => onAgain(step.question)}
                  className="min-h-11 w-full py-1.5 text-left leading-snug"
                  title="Answer again"
                >
                  {QUESTIONS[step.question].ask}{' '}
                  <span className="font-bold">{QUESTIONS[step.question].answers[step.answer]}</span>
                  <span className="block text-[15px] text-soft">{faultStepText(step)}</span>
                </button>
                {step.question === 'complaint' ? (
                  <EntryLink entry={COMPLAINT_ENTRY[step.answer as keyof typeof COMPLAINT_ENTRY]} />
                ) : null}
              </li>
            ))}
          </ol>
          <Button tone="quiet" className="mt-2 -ml-2 underline" onClick={onStartOver}>
            Start over
          </Button>
        </>
      ) : null}
    </StripFrame>
  )
}
