'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import { listenForKnocks, type Knocking } from '@/session/actions/drilling'
import type { MicrophoneTrouble } from '@/session/state'
import { MICROPHONE_TROUBLE } from '@/text/heard'
import type { Session } from '@/session/session'
import type { Drill } from './useDrill'

const troubleText = (why: MicrophoneTrouble) => `${MICROPHONE_TROUBLE[why].what} Answer by key or touch.`
/** Sound from a speaker takes so long to be gone. */
const AFTER_SECONDS = 0.25

/** Answers by knocking on the drum or the table: one knock for the first answer, two for the second. */
export function useKnocks(session: Session, drill: Drill) {
  const [on, setOn] = useState(false)
  const [trouble, setTrouble] = useState<string | null>(null)
  const held = useRef<Knocking | null>(null)
  const latest = useRef(drill)
  useEffect(() => {
    latest.current = drill
  })
  const wanted = useRef(0)
  const close = useCallback(() => {
    wanted.current++
    held.current?.close()
    held.current = null
    setOn(false)
  }, [])
  // The microphone is closed when the drill is over or left; one that the browser grants later is closed at once.
  const over = drill.phase === 'over' || drill.phase === 'idle'
  useEffect(() => (over ? undefined : close), [over, close])
  const open = async () => {
    setTrouble(null)
    const mine = ++wanted.current
    const result = await listenForKnocks(
      session,
      (count) => {
        const { trial, phase, answer } = latest.current
        const said = trial?.answers[count - 1]
        if (phase === 'ask' && said) answer(said)
      },
      (why) => {
        close()
        setTrouble(troubleText(why))
      },
    )
    const late = mine !== wanted.current
    if (typeof result === 'string') return late ? undefined : setTrouble(troubleText(result))
    if (late) return result.close()
    held.current = result
    setOn(true)
  }
  const deafen = useCallback((seconds: number) => held.current?.deafen(seconds + AFTER_SECONDS), [])
  return { on, trouble, open, close, deafen }
}
