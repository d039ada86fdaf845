'use client'

import { useState } from 'react'
import type { Ear } from '@/core/head/types'
import { sayByEar } from '@/session/actions/said'
import { earPitches, playTones } from '@/session/actions/sound'
import type { BenchView } from '@/session/benchView'
import { useSelect, useSession } from '@/session/react'
import { beatText } from '@/text/heard'
import { hzText, noteText } from '@/text/heads'
import { Button } from '@/ui/Button'
import { Pick } from '@/ui/Pick'

const SECONDS = 2.5
const STEP = 2 ** (5 / 1200)
const WORDS: ReadonlyArray<{ word: Ear; label: string }> = [
  { word: 'much-lower', label: 'much lower' },
  { word: 'lower', label: 'lower' },
  { word: 'alike', label: 'alike' },
  { word: 'higher', label: 'higher' },
  { word: 'much-higher', label: 'much higher' },
]

/** For those who use only their ears: five words against a reference lug, and tones to hold it against. */
export function EarPart({ view }: { view: BenchView }) {
  const session = useSession()
  const pass = view.sitting?.passes.at(-1)
  const said = pass && !pass.turns ? pass.earReference : null
  const [chosen, setChosen] = useState(1)
  if (!session) return null
  const reference = said ?? chosen
  const lugs = Array.from({ length: view.drum.lugs }, (_, i) => String(i + 1))
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-3">
        <Pick
          label="reference lug"
          value={String(reference)}
          items={lugs.map((value) => ({ value, label: value }))}
          onChange={(value) => setChosen(Number(value))}
        />
        <span className="text-[15px] text-soft">
          {view.lug === reference
            ? 'Choose another lug to hold against it.'
            : `Tap ${reference}, then ${view.lug}: it sounds`}
        </span>
      </div>
      <div className="mt-1 flex flex-wrap gap-2">
        {WORDS.map(({ word, label }) => (
          <Button
            key={word}
            tone={word === 'alike' ? 'act' : 'line'}
            className="min-h-14 grow px-3 font-bold"
            disabled={view.lug === reference}
            onClick={() => sayByEar(session, word, reference)}
          >
            {label}
          </Button>
        ))}
      </div>
      <Tones view={view} />
    </>
  )
}

/** A tone to bring a lug to, the target, and how the two beat. */
function Tones({ view }: { view: BenchView }) {
  const session = useSession()
  const settings = useSelect((state) => state.settings)
  const start = earPitches(view)
  const { targetHz } = start
  const [toneHz, setToneHz] = useState(start.referenceHz)
  if (!session) return null
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-2 max-md:hidden">
      <Button tone="quiet" aria-label="Tone lower by 5 cents" onClick={() => setToneHz(toneHz / STEP)}>
        −
      </Button>
      <output className="min-w-24 text-center" aria-label="Tone">
        <b>{hzText(toneHz)} Hz</b>
        <span className="block text-sm text-soft">{noteText(toneHz, settings.a4Hz)}</span>
      </output>
      <Button tone="quiet" aria-label="Tone higher by 5 cents" onClick={() => setToneHz(toneHz * STEP)}>
        +
      </Button>
      <Button tone="quiet" className="underline" onClick={() => playTones(session, [toneHz], SECONDS)}>
        Play it
      </Button>
      {targetHz ? (
        <>
          <Button
            tone="quiet"
            className="underline"
            onClick={() => playTones(session, [toneHz, targetHz], 2 * SECONDS)}
          >
            With the target
          </Button>
          <span className="text-[15px] text-soft">{beatText(toneHz, targetHz)}</span>
        </>
      ) : null}
    </div>
  )
}
