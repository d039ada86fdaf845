'use client'

import { useEffect, useState } from 'react'

/**
 * The newest answer to a question that takes its time, with what it answers; one that was overtaken by another question is dropped.
 * @param question by identity: hold it in a memo; null asks nothing
 * @param ask held in a callback; null where there is nothing to ask
 */
export function useAsked<Question, Answer>(
  question: Question | null,
  ask: (question: Question) => Promise<Answer> | null,
): { question: Question; answer: Answer } | null {
  const [answered, setAnswered] = useState<{ question: Question; answer: Answer } | null>(null)
  useEffect(() => {
    if (question === null) return
    let late = false
    void ask(question)?.then((answer) => {
      if (!late) setAnswered({ question, answer })
    })
    return () => void (late = true)
  }, [question, ask])
  return answered
}
