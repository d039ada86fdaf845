'use client'

import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { withAnswer } from '@/core/ear/result'
import { isTired } from '@/core/ear/tired'
import type { DrillDrum, Trial } from '@/core/ear/trial'
import type { DrillId, DrillRecord } from '@/core/records/drill'
import { keepPractised } from '@/session/actions/drills'
import { learnEar } from '@/session/actions/learnEar'
import type { Session } from '@/session/session'
import { NO_SOUND, NOT_MADE, useSounds, type DrillSound } from './useSounds'

/** A session is three minutes, and never longer than so many trials. */
const DRILL_SECONDS = 180
const MOST_TRIALS = 60
const GAP_SECONDS = 0.35
/** An answer that has not come so long after the three minutes is not waited for: somebody went away. */
const GRACE_MS = 20_000
/** What it was stands for so long before the next trial plays. */
const TOLD_MS = 1500

export interface Told {
  answer: string
  right: boolean
  reveal: string
}

export interface Drill {
  record: DrillRecord | null
  trial: Trial | null
  /** `ask`: an answer is waited for; `told`: it was given, and what it was is shown. */
  phase: 'idle' | 'waiting' | 'playing' | 'ask' | 'told' | 'over'
  /** It can be answered: the last tap has begun. */
  open: boolean
  /** Place of the tap that sounds now. */
  sounding: number | null
  told: Told | null
  secondsLeft: number
  tired: boolean
  /** The browser plays no sound, or the worker that makes it is lost. */
  trouble: string | null
  begin(kind: DrillId, drum: DrillDrum, through: DrillRecord['through']): void
  answer(answer: string): void
  again(): void
  stop(): void
}

/** One run of a drill: its trials one after another, each answer kept before it is shown as kept. */
export function useDrill(session: Session): Drill {
  const [record, setRecord] = useState<DrillRecord | null>(null)
  const [trial, setTrial] = useState<Trial | null>(null)
  const [phase, setPhase] = useState<Drill['phase']>('idle')
  const [told, setTold] = useState<Told | null>(null)
  const [trouble, setTrouble] = useState<string | null>(null)
  const [secondsLeft, setSecondsLeft] = useState(DRILL_SECONDS)
  const { sounding, play: playTaps, stop: still } = useSounds(GAP_SECONDS)
  const sound = useRef<DrillSound | null>(null)
  const running = useRef(0)
  const endsAt = useRef(0)

  const play = useCallback(async () => {
    if (!sound.current) return
    const mine = running.current
    setPhase('playing')
    if (!(await playTaps(sound.current))) setTrouble(NO_SOUND)
    if (mine === running.current) setPhase((before) => (before === 'playing' ? 'ask' : before))
  }, [playTaps])

  const ask = useCallback(
    async (run: DrillRecord) => {
      const mine = ++running.current
      setTold(null)
      setPhase('waiting')
      try {
        const { kind, drum, seed, answered } = run
        const next = await session.deps.ear().drillTrial({ kind, drum, seed, answered })
        if (mine !== running.current) return
        sound.current = next
        setTrial(next.trial)
        await play()
      } catch {
        if (mine !== running.current) return
        setTrouble(NOT_MADE)
        setPhase('over')
      }
    },
    [session, play],
  )

  const stop = useCallback(() => {
    running.current++
    still()
    setPhase('over')
    if (record) learnEar(session, record)
  }, [record, session, still])

  const open = phase === 'ask' || (phase === 'playing' && sounding === (trial?.taps.length ?? 0) - 1)

  const answer = (said: string) => {
    if (!record || !trial || !open) return
    still()
    const right = said === trial.truth
    const next = withAnswer(record, trial, said)
    setRecord(next)
    setTold({ answer: said, right, reveal: trial.reveal })
    setPhase('told')
    void keepPractised(session, [next])
    const over = session.deps.nowMs() >= endsAt.current || next.answered.length >= MOST_TRIALS
    const mine = ++running.current
    setTimeout(() => {
      if (mine !== running.current) return
      if (!over) return void ask(next)
      setPhase('over')
      learnEar(session, next)
    }, TOLD_MS)
  }

  useEffect(() => {
    if (phase === 'idle' || phase === 'over') return
    const timer = setInterval(() => {
      const left = endsAt.current - session.deps.nowMs()
      setSecondsLeft(Math.max(0, Math.round(left / 1000)))
      if (left < -GRACE_MS) stop()
    }, 500)
    return () => clearInterval(timer)
  }, [phase, session, stop])

  const tired = useMemo(() => record !== null && isTired(record), [record])

  // Gone elsewhere: nothing is asked on.
  useEffect(() => () => void running.current++, [])

  return {
    ...{ record, trial, phase, open, sounding, told, secondsLeft, trouble },
    tired,
    begin(kind, drum, through) {
      const at = session.deps.nowMs()
      const begun: DrillRecord = {
        ...{ what: 'drill', id: session.deps.newId(), at: new Date(at).toISOString() },
        ...{ kind, drum, through, seed: at % 2 ** 31, answered: [] },
      }
      endsAt.current = at + 1000 * DRILL_SECONDS
      setSecondsLeft(DRILL_SECONDS)
      setTrouble(null)
      setRecord(begun)
      void ask(begun)
    },
    answer,
    again: () => void play(),
    stop,
  }
}
