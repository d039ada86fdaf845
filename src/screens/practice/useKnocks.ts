'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import { listenForKnocks, type Knocking } from '@/session/actions/drilling'
import type { MicrophoneTrouble } from '@/session/state'
import type { Session } from '@/session/session'
import type { Drill } from './useDrill'

const WHY: Record<MicrophoneTrouble, string> = {
  refused: 'The browser refused the microphone. Allow it for this page, or answer by key.',
  missing: 'No microphone was found. Answer by key or touch.',
  insecure: 'The microphone needs https or this device itself. Answer by key or touch.',
  busy: 'Another program holds the microphone. Answer by key or touch.',
  lost: 'The microphone was unplugged. Answer by key or touch.',
  silent: 'The microphone sends nothing. Answer by key or touch.',
  unsupported: 'This browser cannot listen. Answer by key or touch.',
}
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
  const close = useCallback(() => {
    held.current?.close()
    held.current = null
    setOn(false)
  }, [])
  const open = async () => {
    setTrouble(null)
    const result = await listenForKnocks(
      session,
      (count) => {
        const { trial, phase, answer } = latest.current
        const said = trial?.answers[count - 1]
        if (phase === 'ask' && said) answer(said)
      },
      (why) => {
        close()
        setTrouble(WHY[why])
      },
    )
    if (typeof result === 'string') return setTrouble(WHY[result])
    held.current = result
    setOn(true)
  }
  const deafen = useCallback((seconds: number) => held.current?.deafen(seconds + AFTER_SECONDS), [])
  // The microphone is closed when the drill is over or left.
  const over = drill.phase === 'over' || drill.phase === 'idle'
  useEffect(() => {
    if (!over) return
    held.current?.close()
    held.current = null
  }, [over])
  useEffect(() => () => held.current?.close(), [])
  return { on: on && !over, trouble, open, close, deafen }
}
