'use client'

import { useState } from 'react'
import { sameTuning, type Stroke } from '@/core/status/strokes'
import { ofPlan, ofStroke, playInGroove, playOf, type SoundState } from '@/session/actions/compare'
import { useBenchView } from '@/session/benchReact'
import { useSelect, useSession } from '@/session/react'
import { pairView } from '@/session/selectors'
import {
  COMPARED_SOUNDS,
  compareMoveText,
  STATE_NAMES,
  blindText,
  comparedText,
  statesText,
} from '@/text/compare'
import { Button } from '@/ui/Button'
import { Pick } from '@/ui/Pick'
import { Frame, Panel, Phrase, StripFrame } from '../../Frame'
import { StrokePart } from '../../StrokePart'
import { aimsOf, choicesOf, type StateChoice } from './choices'
import { RingingChart } from '@/charts/RingingChart'
import { ringingModel } from '@/charts/ringing.model'
import { bendText } from '@/text/pair'
import { hzText } from '@/text/heads'
import { decayText, hungText, layersText } from '@/text/strokes'
import { Columns } from '@/ui/Columns'
import { useWidth } from '@/ui/useWidth'
import { Sideways } from '@/ui/Sideways'

const NONE = 'none'

const LINES = ['full line', 'dashed', 'dotted'] as const

/** Two or three states of a drum side by side: numbers, ring, tones, by ear at one level, alone or inside a groove. */
export function CompareStep() {
  const session = useSession()
  const view = useBenchView()
  const pair = useSelect(pairView)
  const [picked, setPicked] = useState<ReadonlyArray<string | undefined>>([])
  const [blind, setBlind] = useState(false)
  if (!session || !view || !pair) return null
  const choices = choicesOf(pair, aimsOf(view.kit, view.drum.id), view.drum.kind === 'kick')
  const strokes = choices.filter(({ stroke }) => stroke)
  // The three newest in the newest one's tuning are shown first: there muffling alone tells them apart.
  const newest = strokes[0]?.stroke
  const alike = strokes.filter(({ stroke }) => newest && stroke && sameTuning(stroke, newest))
  const first = (alike.length > 1 ? alike : strokes.length > 1 ? strokes : choices).slice(0, 3).reverse()
  const ids = STATE_NAMES.map((_, i) => picked[i] ?? first[i]?.value ?? NONE)
  const chosen = ids.flatMap((id) => choices.filter(({ value }) => value === id))
  const states = chosen.flatMap(({ stroke, at }) => {
    const state = stroke ? ofStroke(stroke) : at && ofPlan(session, at)
    return state ? [state] : []
  })
  const ready = states.length >= 2 && states.length === chosen.length
  return (
    <Frame
      strip={<CompareStrip chosen={chosen} states={ready ? states : []} strokes={strokes.length} />}
      panel={
        <Panel
          over="at one level"
          big={<Phrase>{compareMoveText(ready)}</Phrase>}
          next={null}
          acts={
            ready ? (
              states.map((_, i) => (
                <Button
                  key={STATE_NAMES[i]}
                  tone={i === 0 ? 'act' : 'line'}
                  big
                  className="px-3.5"
                  onClick={() => void playOf(session, states, i)}
                >
                  Hear the {STATE_NAMES[i]}
                </Button>
              ))
            ) : (
              <StrokePart view={view} main />
            )
          }
        >
          {choices.length > 1 ? (
            <div className="flex flex-col gap-1">
              {STATE_NAMES.map((name, i) => (
                <Pick
                  key={name}
                  label={`${name} (${LINES[i]})`}
                  className="min-w-0"
                  value={ids[i]}
                  items={[
                    ...choices.map(({ value, label }) => ({ value, label })),
                    ...(i === 2 ? [{ value: NONE, label: 'none' }] : []),
                  ]}
                  onChange={(id) => setPicked(ids.map((own, place) => (place === i ? id : own)))}
                />
              ))}
            </div>
          ) : null}
          {ready && blind ? (
            <Blind play={(which) => void playOf(session, states, which)} onStop={() => setBlind(false)} />
          ) : ready ? (
            <div className="mt-2 flex flex-wrap gap-2">
              {states.map((_, i) => (
                <Button key={STATE_NAMES[i]} onClick={() => void playInGroove(session, states, i)}>
                  {i === 0 ? 'In a groove: the first' : `the ${STATE_NAMES[i]}`}
                </Button>
              ))}
              <Button onClick={() => setBlind(true)}>Blind: can I tell the first two apart?</Button>
            </div>
          ) : null}
          {ready ? (
            <>
              <p className="mt-2 text-sm leading-snug text-soft">{COMPARED_SOUNDS}</p>
              <StrokePart view={view} />
            </>
          ) : null}
        </Panel>
      }
    />
  )
}

const coin = (): 0 | 1 => (Math.random() < 0.5 ? 0 : 1)

/** One of two is played without saying which; what is named right and wrong is counted, beside what guessing would do. */
function Blind({ play, onStop }: { play: (which: 0 | 1) => void; onStop: () => void }) {
  const [hidden, setHidden] = useState(coin)
  const [tries, setTries] = useState<boolean[]>([])
  const name = (which: 0 | 1) => {
    setTries([...tries, which === hidden])
    setHidden(coin())
  }
  return (
    <section aria-label="Blind" className="mt-4 border-t border-line pt-3">
      <div className="flex flex-wrap items-center gap-3">
        <Button tone="act" onClick={() => play(hidden)}>
          Play one of them
        </Button>
        <Button onClick={() => name(0)}>It is the first</Button>
        <Button onClick={() => name(1)}>It is the second</Button>
        <Button tone="quiet" onClick={onStop}>
          Stop
        </Button>
      </div>
      <p aria-live="polite" className="mt-2">
        {blindText(tries)}
      </p>
    </section>
  )
}

const HEIGHT = 210

interface Props {
  chosen: readonly StateChoice[]
  states: readonly SoundState[]
  strokes: number
}

/** How the states die away, over each other on tape, and their figures side by side. */
function CompareStrip({ chosen, states, strokes }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>(640)
  const struck = chosen.flatMap(({ stroke }) => (stroke ? [stroke] : []))
  return (
    <StripFrame
      label="States"
      seed={80}
      over={<span className="text-xl font-bold">{comparedText(struck, chosen.length, strokes)}</span>}
    >
      <div ref={ref}>
        {states.length ? (
          <>
            <RingingChart
              model={ringingModel(
                states.map(({ tones }) => tones),
                Math.max(300, width),
                HEIGHT,
              )}
              label={statesText(states)}
            />
            <Sideways label="Figures">
              <Columns
                className="mt-2"
                heads={STATE_NAMES.slice(0, states.length)}
                rows={rowsOf(chosen, states)}
              />
            </Sideways>
          </>
        ) : (
          <p className="text-lg text-soft">Two strokes are wanted, or a stroke and an aim.</p>
        )}
      </div>
    </StripFrame>
  )
}

function rowsOf(chosen: readonly StateChoice[], states: readonly SoundState[]): Array<[string, ...string[]]> {
  const row = (
    label: string,
    of: (stroke: Stroke | null, state: SoundState, at: StateChoice['at']) => string,
  ): [string, ...string[]] => [label, ...chosen.map(({ stroke, at }, i) => of(stroke, states[i], at))]
  const lugs = (hz: number | null) => (hz === null ? 'not read' : `${hzText(hz)} Hz`)
  return [
    row('centre', (stroke, { tones }) => `${hzText(stroke?.hz ?? tones[0].hz)} Hz`),
    row('rings', (stroke, { tones }) => decayText(stroke ? stroke.decaySeconds : tones[0].decaySeconds)),
    row('bends', (_, { glideCents }) => bendText(glideCents, null)),
    row('batter lug', (stroke, _, at) => lugs(stroke ? stroke.batterHz : at!.batterHz)),
    row('resonant lug', (stroke, _, at) => lugs(stroke ? stroke.resonantHz : at!.resonantHz)),
    row('muffling', (stroke) => (stroke ? layersText(stroke.layers) : 'as now')),
    row('place', (stroke) => (stroke ? hungText(stroke.hung) || 'not said' : 'foretold')),
    row('your words', (stroke) => stroke?.words.join('; ') || '–'),
  ]
}
