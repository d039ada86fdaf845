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
import { Frame } from '../../Frame'
import { AskPanel } from './AskPanel'
import { FaultStrip } from './FaultStrip'
import { NamedPanel } from './NamedPanel'

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
