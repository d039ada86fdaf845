'use client'

import { useEffect, useState } from 'react'
import type { KitState } from '@/core/log/fold'
import { chainOf, type Chain } from '@/session/actions/codes'
import type { Session } from '@/session/session'
import { dateTimeText } from '@/text/logbook'
import { Button } from '@/ui/Button'
import { Part } from './Part'
import { QrCode } from './QrCode'

/** Slow enough for a camera, and fewer changes a second than could hurt anybody (WCAG 2.3.1). */
const STEP_MS = 400

/** The kit as a chain of codes for another device's camera: one after the other, over and over, no server between. */
export function CodeChain({ session, kit }: { session: Session; kit: KitState | null }) {
  const [chain, setChain] = useState<Chain | null>(null)
  const [at, setAt] = useState(0)
  const [runs, setRuns] = useState(false)
  const [making, setMaking] = useState(false)
  const count = chain?.codes.length ?? 0
  useEffect(() => {
    if (!runs || count < 2) return
    const timer = setInterval(() => setAt((before) => (before + 1) % count), STEP_MS)
    return () => clearInterval(timer)
  }, [runs, count])
  if (!kit) return null
  const step = (by: number) => {
    setRuns(false)
    setAt((at + by + count) % count)
  }
  const show = async () => {
    setMaking(true)
    const made = await chainOf(session).finally(() => setMaking(false))
    setAt(0)
    setChain(made)
    setRuns(!window.matchMedia('(prefers-reduced-motion: reduce)').matches)
  }
  return (
    <Part title="To another device’s camera">
      {chain ? (
        <div>
          <QrCode
            text={chain.codes[at]}
            label={`Code ${at + 1} of ${count}`}
            className="w-full max-w-[min(30rem,70dvh)]"
          />
          <div className="mt-3 flex flex-wrap items-center gap-3">
            <Button tone="act" onClick={() => setRuns(!runs)}>
              {runs ? 'Hold' : 'Run'}
            </Button>
            <Button onClick={() => step(-1)}>Back</Button>
            <Button onClick={() => step(1)}>Next</Button>
            <span className="text-lg font-bold" role="status" aria-live={runs ? 'off' : 'polite'}>
              {at + 1} of {count}
            </span>
            <Button tone="quiet" className="underline" onClick={() => setChain(null)}>
              put away
            </Button>
          </div>
          <p className="mt-2 text-[15px] text-soft">{saysOf(chain)}</p>
        </div>
      ) : (
        <>
          <p className="leading-snug">
            Shows {kit.name} as codes, over and over. On the other device open this page and its camera there.
            The way back is the same, or a file.
          </p>
          <Button className="mt-2" disabled={making} onClick={() => void show()}>
            {making ? 'Making the codes…' : 'Show the codes'}
          </Button>
        </>
      )}
    </Part>
  )
}

/** What goes along, and what does not. */
function saysOf({ left, anew }: Chain): string {
  if (left === null) return 'The whole kit with its log: a device that has it gains what it does not know.'
  const out = `Left out: ${left.entries} ${left.entries === 1 ? 'entry' : 'entries'} of its log; the kit file has them all.`
  if (anew) return `Drums and sheets as they are, as a kit of its own. ${out}`
  const along =
    left.sinceAt === null
      ? 'The kit without its readings'
      : `The kit and its log since ${dateTimeText(left.sinceAt)}`
  return `${along}: a device that has the kit gains what it does not know. ${out}`
}
