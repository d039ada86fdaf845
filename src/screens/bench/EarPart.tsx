'use client'

import { useState } from 'react'
import { judgeByEar } from '@/session/actions/readings'
import { earPitches, playTones } from '@/session/actions/sound'
import type { BenchView } from '@/session/benchView'
import { useSession, useSessionState } from '@/session/react'
import { beatText } from '@/text/heard'
import { hzText, noteText } from '@/text/heads'
import { Button } from '@/ui/Button'

const SECONDS = 2.5
const STEP = 2 ** (5 / 1200)

/** For those who use only their ears: a reference, the target, their beat, and three words instead of a number. */
export function EarPart({ view }: { view: BenchView }) {
  const session = useSession()
  const { settings } = useSessionState()
  const start = earPitches(view)
  const { targetHz } = start
  const [referenceHz, setReferenceHz] = useState(start.referenceHz)
  if (!session) return null
  return (
    <>
      <div className="flex items-center gap-2">
        <Button aria-label="Reference lower by 5 cents" onClick={() => setReferenceHz(referenceHz / STEP)}>
          −
        </Button>
        <output className="min-w-32 text-center" aria-label="Reference pitch">
          <b className="text-xl">{hzText(referenceHz)} Hz</b>
          <span className="block text-sm text-soft">{noteText(referenceHz, settings.a4Hz)}</span>
        </output>
        <Button aria-label="Reference higher by 5 cents" onClick={() => setReferenceHz(referenceHz * STEP)}>
          +
        </Button>
        <Button onClick={() => playTones(session, [referenceHz], SECONDS)}>Play it</Button>
      </div>
      {targetHz ? (
        <div className="mt-1 flex flex-wrap items-center gap-x-2">
          <Button
            tone="quiet"
            className="-ml-2 underline"
            onClick={() => playTones(session, [targetHz], SECONDS)}
          >
            Play the target
          </Button>
          <Button
            tone="quiet"
            className="underline"
            onClick={() => playTones(session, [referenceHz, targetHz], 2 * SECONDS)}
          >
            Play both
          </Button>
          <span className="text-[15px] text-soft">{beatText(referenceHz, targetHz)}</span>
        </div>
      ) : null}
      <p className="mt-2 text-[15px] text-soft">
        Bring the reference to one good lug. Then tap lug {view.lug}: it sounds
      </p>
      <div className="mt-1 flex gap-2">
        {(['lower', 'alike', 'higher'] as const).map((word) => (
          <Button
            key={word}
            tone={word === 'alike' ? 'act' : 'line'}
            className="min-h-14 flex-1 font-bold"
            onClick={() => judgeByEar(session, referenceHz, word)}
          >
            {word}
          </Button>
        ))}
      </div>
    </>
  )
}
