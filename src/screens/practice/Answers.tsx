import { clsx } from 'clsx'
import { Button } from '@/ui/Button'
import type { Drill } from './useDrill'

/** The answers as large targets, each with its key; what sounds now is underlined, what was said is marked in words. */
export function Answers({ drill }: { drill: Drill }) {
  const { trial, sounding, told } = drill
  if (!trial) return <div className="mt-5 min-h-24" />
  const many = trial.answers.length > 3
  const taps = trial.taps.length
  return (
    <>
      <div
        role="group"
        aria-label="Answers"
        className={clsx('mt-5 grid gap-3', many ? 'grid-cols-2 lg:grid-cols-3' : 'grid-cols-2 md:flex')}
      >
        {trial.answers.map((answer, i) => {
          const mark =
            told && (answer === trial.truth ? 'it was this' : answer === told.answer ? 'you said' : null)
          return (
            <Button
              key={answer}
              tone="line"
              disabled={!drill.open}
              aria-keyshortcuts={String(i + 1)}
              onClick={() => drill.answer(answer)}
              className={clsx(
                'flex-col items-start! gap-0! border-2! py-3! disabled:opacity-100!',
                told ? 'text-soft!' : 'border-act! text-act!',
                many ? 'min-h-20' : 'min-h-28 md:min-w-56',
              )}
            >
              <span className={clsx('font-extrabold', many ? 'text-2xl' : 'text-3xl md:text-5xl')}>
                {answer}
              </span>
              <span className="text-base font-normal">{mark ?? `key ${i + 1}`}</span>
            </Button>
          )
        })}
      </div>
      {taps > 1 ? (
        <p aria-hidden className="mt-3 flex gap-2 lg:hidden">
          {trial.taps.map((_, i) => (
            <span key={i} className={clsx('h-2 w-16', sounding === i ? 'bg-act' : 'bg-line')} />
          ))}
        </p>
      ) : null}
    </>
  )
}
