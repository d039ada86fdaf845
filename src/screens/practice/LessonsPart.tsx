'use client'

import { useState } from 'react'
import { LESSONS } from '@/core/ear/lessons'
import { named, seedOf } from '@/core/ear/table'
import type { LessonId } from '@/core/records/drill'
import { keepPractised } from '@/session/actions/drills'
import { useSelect } from '@/session/react'
import type { Session } from '@/session/session'
import { Button } from '@/ui/Button'
import { TableBench } from './TableBench'
import { useTable } from './useTable'
import { EntryLink } from '../handbook/EntryLink'
import { LESSON_ENTRY } from '@/handbook/links'

const IDS = Object.keys(LESSONS) as LessonId[]

/** Seven short lessons on the practice drum, from one lug to three toms. */
export function LessonsPart({ session }: { session: Session }) {
  const drills = useSelect((state) => state.drills)
  const met = new Set(
    (drills ?? []).flatMap((each) => (each.what === 'lesson' && each.met ? [each.lesson] : [])),
  )
  const [chosen, setChosen] = useState<LessonId | null>(null)
  const [tries, setTries] = useState(1)
  const at = chosen ?? IDS.find((id) => !met.has(id)) ?? IDS[0]
  const choose = (id: LessonId) => {
    setChosen(id)
    setTries(tries + 1)
  }
  return (
    <section aria-label="Lessons" className="grid gap-x-8 gap-y-4 lg:grid-cols-[260px_minmax(0,1fr)]">
      <ol className="flex flex-col max-lg:order-2">
        {IDS.map((id, i) => (
          <li key={id} className="border-b border-line">
            <button
              type="button"
              aria-current={id === at ? 'step' : undefined}
              onClick={() => choose(id)}
              className={`min-h-12 w-full text-left ${id === at ? 'text-lg font-bold' : 'text-soft hover:text-ink'}`}
            >
              {i + 1}. {LESSONS[id].title}
              {met.has(id) ? <span className="text-good">, done</span> : null}
            </button>
          </li>
        ))}
      </ol>
      <OneLesson
        key={`${at}/${tries}`}
        {...{ session, id: at, tries }}
        onNext={() => choose(IDS[(IDS.indexOf(at) + 1) % IDS.length])}
        onAgain={() => choose(at)}
        // The lesson stays open with what was said, done or not.
        onJudged={() => setChosen(at)}
      />
    </section>
  )
}

interface Props {
  session: Session
  id: LessonId
  tries: number
  onNext: () => void
  onAgain: () => void
  onJudged: () => void
}

function OneLesson({ session, id, tries, onNext, onAgain, onJudged }: Props) {
  const lesson = LESSONS[id]
  const [start] = useState(() => lesson.setUp(seedOf(id, tries, session.deps.nowMs())))
  const now = useTable(session, start)
  const [hint, setHint] = useState(false)
  const [result, setResult] = useState<{ met: boolean; said: string } | null>(null)
  const judge = (table = now.table) => {
    const judged = lesson.judge(table)
    setResult(judged)
    onJudged()
    const at = new Date(session.deps.nowMs()).toISOString()
    void keepPractised(session, [{ what: 'lesson', id: session.deps.newId(), at, lesson: id, ...judged }])
  }
  const nameIt = () => {
    const next = named(now.table, now.head, now.lug)
    now.change(next)
    judge(next)
  }
  return (
    <div>
      <h2 className="text-[40px] leading-none font-extrabold tracking-tight md:text-[56px]">
        {lesson.title}
      </h2>
      <p className="mt-3 mb-4 max-w-prose text-lg">{lesson.task}</p>
      <TableBench now={now} />
      <div className="mt-4 flex flex-wrap items-center gap-3">
        {id === 'listen' ? (
          <Button tone="act" big onClick={nameIt}>
            Lug {now.lug} is the lowest
          </Button>
        ) : (
          <Button tone="act" big onClick={() => judge()}>
            Measure it
          </Button>
        )}
        <Button onClick={() => setHint(!hint)} aria-expanded={hint}>
          {hint ? 'Hide the hint' : 'A hint'}
        </Button>
        <Button tone="quiet" className="underline" onClick={onAgain}>
          Begin again
        </Button>
      </div>
      {hint ? (
        <div className="mt-3 max-w-prose text-lg text-soft">
          <p>{lesson.hint}</p>
          <EntryLink entry={LESSON_ENTRY[id]} />
        </div>
      ) : null}
      {result ? (
        <div role="status" className="mt-4 flex flex-wrap items-center gap-x-5 gap-y-2">
          <p className="max-w-prose text-xl">
            <span className={result.met ? 'font-extrabold text-good' : 'font-extrabold'}>
              {result.met ? 'Done.' : 'Not yet.'}
            </span>{' '}
            {result.said}
          </p>
          {result.met ? (
            <Button tone="act" onClick={onNext}>
              Next lesson
            </Button>
          ) : null}
        </div>
      ) : null}
    </div>
  )
}
