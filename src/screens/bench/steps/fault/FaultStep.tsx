'use client'

import { useState } from 'react'
import type { QuestionId } from '@/core/fitting/questions'
import { NAMED, nextQuestions, rankCauses, tellsApart } from '@/core/fitting/faults'
import { openSearch } from '@/core/log/findings'
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
  const ranked = rankCauses(answers, drum.kind)
  const [next] = nextQuestions(answers, drum.kind, passedOver)
  const named = answers.length > 1 && ranked[0].odds >= NAMED
  const question = again ?? (named && !further ? null : (next ?? null))
  return (
    <Frame
      strip={
        <FaultStrip
          ranked={ranked}
          answers={answers}
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
