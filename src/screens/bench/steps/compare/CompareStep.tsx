'use client'

import { useState } from 'react'
import { sameTuning } from '@/core/status/strokes'
import { ofPlan, ofStroke, playInGroove, playOf } from '@/session/actions/compare'
import { useBenchView } from '@/session/benchReact'
import { useSelect, useSession } from '@/session/react'
import { pairView } from '@/session/selectors'
import { COMPARED_SOUNDS, compareMoveText, STATE_NAMES } from '@/text/compare'
import { Button } from '@/ui/Button'
import { Pick } from '@/ui/Pick'
import { Frame, Panel, Phrase } from '../../Frame'
import { StrokePart } from '../../StrokePart'
import { Blind } from './Blind'
import { CompareStrip } from './CompareStrip'
import { aimsOf, choicesOf } from './choices'

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
