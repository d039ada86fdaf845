'use client'

import { clsx } from 'clsx'
import { useRef, useState } from 'react'
import { centsPast, farResult, farTrial, type FarTrial, type Guess } from '@/core/ear/far'
import { keepPractised } from '@/session/actions/drills'
import { drillDrumOf, type PracticeChoice } from '@/session/practiceDrums'
import type { Session } from '@/session/session'
import { farText } from '@/text/ear'
import { turnText } from '@/text/turns'
import { Button } from '@/ui/Button'
import { Pick } from '@/ui/Pick'
import { KeySweep } from '@/charts/KeySweep'
import { EntryLink } from '../handbook/EntryLink'
import { NUMBER_ENTRY } from '@/handbook/links'
import { Sittings } from './Sittings'
import { NO_SOUND, NOT_MADE, useSounds, type DrillSound } from './useSounds'

const TURNS = [1 / 8, 1 / 4, 3 / 8, 1 / 2, 5 / 8, 3 / 4]
const GAP_SECONDS = 0.5

interface Asked {
  trial: FarTrial
  sound: DrillSound
}

/** How far to turn: the head as it stands, the head as it is wanted; say the turns of all rods, then see. */
export function FarPart({ session, choices }: { session: Session; choices: readonly PracticeChoice[] }) {
  const [chosen, setChosen] = useState(choices[1].value)
  const [asked, setAsked] = useState<Asked | null>(null)
  const [said, setSaid] = useState<number | null>(null)
  const [guesses, setGuesses] = useState<Guess[]>([])
  const [trouble, setTrouble] = useState<string | null>(null)
  const { play } = useSounds(GAP_SECONDS)
  const run = useRef({ id: '', at: '' })
  const choice = choices.find(({ value }) => value === chosen) ?? choices[0]
  const drum = drillDrumOf(choice.drum)

  const hear = async ({ sound }: Asked) => {
    if (!(await play(sound))) setTrouble(NO_SOUND)
  }
  const next = async () => {
    if (guesses.length === 0) {
      const nowMs = session.deps.nowMs()
      run.current = { id: session.deps.newId(), at: new Date(nowMs).toISOString() }
    }
    const trial = farTrial(drum, (session.deps.nowMs() % 1e9) + guesses.length)
    try {
      const sound = await session.deps.ear().drillSounds({ taps: trial.taps, levelDb: trial.levelDb })
      setTrouble(null)
      setSaid(null)
      setAsked({ trial, sound })
      await hear({ trial, sound })
    } catch {
      setTrouble(NOT_MADE)
    }
  }
  const say = (turns: number) => {
    if (!asked || said !== null) return
    const all = [...guesses, { said: turns, true: asked.trial.turns }]
    setSaid(turns)
    setGuesses(all)
    void keepPractised(session, [
      {
        ...{ what: 'far', ...run.current, said: all },
        drum,
      },
    ])
  }
  return (
    <section aria-label="How far to turn">
      <div className="border-b border-line pb-1">
        <Pick
          label="on"
          value={chosen}
          items={choices}
          onChange={(value) => {
            setChosen(value)
            setAsked(null)
            setGuesses([])
          }}
        />
      </div>
      <h2 className="mt-5 text-[40px] leading-none font-light tracking-tight text-soft md:text-[88px]">
        How <span className="font-extrabold text-ink">far?</span>
      </h2>
      <p className="mt-3 max-w-prose text-lg text-soft">
        The first tap is the head as it stands, the second as it is wanted. Say how far every rod has to go.{' '}
        <EntryLink entry={NUMBER_ENTRY.turnLaw} />
      </p>
      {asked ? (
        <>
          <div
            role="group"
            aria-label="Turns of every rod"
            className="mt-4 grid max-w-3xl grid-cols-3 gap-2 md:grid-cols-6"
          >
            {[...TURNS, ...TURNS.map((t) => -t)].map((turns) => (
              <Button
                key={turns}
                disabled={said !== null}
                aria-pressed={said === null ? undefined : said === turns}
                onClick={() => say(turns)}
                className={clsx('min-h-14 font-bold', said === turns && 'border-2! border-ink! opacity-100!')}
              >
                {turns > 0 ? 'up' : 'down'} {turnText(Math.abs(turns))}
              </Button>
            ))}
          </div>
          <Button tone="quiet" className="mt-1 underline" onClick={() => void hear(asked)}>
            Hear both again
          </Button>
        </>
      ) : (
        <Button tone="act" big className="mt-4" onClick={() => void next()}>
          Hear the first one
        </Button>
      )}
      {trouble ? (
        <p role="alert" className="mt-2 font-bold text-caution">
          {trouble}
        </p>
      ) : null}
      {asked && said !== null ? (
        <div role="status" className="mt-4 flex flex-wrap items-center gap-x-6 gap-y-2">
          <KeySweep turns={asked.trial.turns} size={120} />
          <p className="max-w-prose text-xl">
            <span className="font-extrabold">
              {asked.trial.turns > 0 ? 'Up' : 'Down'} {turnText(Math.abs(asked.trial.turns))}
            </span>{' '}
            would do it, by the usual turn law of this size: from {asked.trial.fromHz.toFixed(0)} to{' '}
            {asked.trial.toHz.toFixed(0)} Hz. What you said lands{' '}
            {pastText(centsPast(drum, asked.trial, said))}.
          </p>
          <Button tone="act" onClick={() => void next()}>
            Next
          </Button>
        </div>
      ) : null}
      {guesses.length ? <p className="mt-4 text-lg">{farText(farResult(guesses))}.</p> : null}
      <Sittings kind="far" />
    </section>
  )
}

const pastText = (cents: number) =>
  Math.abs(cents) < 3 ? 'on it' : `${Math.round(Math.abs(cents))} c ${cents > 0 ? 'over' : 'under'} it`
