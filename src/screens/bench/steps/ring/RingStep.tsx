'use client'

import { strokesOf, layersOn, ringsBy, sameTuning, type Stroke } from '@/core/status/strokes'
import { isOpen } from '@/core/status/next'
import { jobView } from '@/session/jobView'
import { useBenchView } from '@/session/benchReact'
import { useSelect, useSession } from '@/session/react'
import { ringPanelText, decayText, hungText, layersText, strokeText, ringsText } from '@/text/strokes'
import { Frame, Panel, Phrase, StripFrame } from '../../Frame'
import { StrokePart } from '../../StrokePart'
import { Muffling } from './Muffling'
import { useMemo } from 'react'
import { pairModel, pairStands } from '@/core/bench/pairing'
import { RingingChart } from '@/charts/RingingChart'
import { ringingModel } from '@/charts/ringing.model'
import { ofStroke } from '@/session/actions/compare'
import type { BenchView } from '@/session/benchView'
import { muffledThen } from '@/session/actions/stand'
import { pairView } from '@/session/selectors'
import { Button } from '@/ui/Button'
import { useWidth } from '@/ui/useWidth'
import { fixed } from '@/text/shown'

/** How long the drum rings, bare and under what is laid on it; one stroke more after every change. */
export function RingStep() {
  const view = useBenchView()
  const job = useSelect((state) => jobView(state)?.job ?? null)
  if (!view) return null
  const strokes = strokesOf(view.kit, view.drum, view.practice)
  const struck = job !== null && !isOpen(job, { step: 'ring', side: view.side })
  return (
    <Frame
      strip={<RingStrip view={view} strokes={strokes} />}
      panel={
        <Panel
          over="both heads free"
          big={<Phrase>Strike the centre</Phrase>}
          next={struck ? 'first' : 'last'}
          acts={<StrokePart view={view} label={struck ? 'Strike it again' : 'Strike it'} main={!struck} />}
        >
          <p className="leading-snug">{ringPanelText(view.drum.kind)}</p>
          <Muffling view={view} />
        </Panel>
      }
    />
  )
}

const HEIGHT = 240

const SHOWN = 3

const NAMES = ['full line', 'dashed', 'dotted']

/** The newest strokes dying away on tape, and the rings measured in this tuning, the longest first. */
function RingStrip({ view, strokes }: { view: BenchView; strokes: readonly Stroke[] }) {
  const session = useSession()
  const [ref, width] = useWidth<HTMLDivElement>(640)
  const on = layersOn(view.kit, view.drum, view.practice)
  const newest = strokes.at(-1)
  // In the newest one's tuning and place only: another would be taken for a layer.
  const alike = strokes.filter(
    (stroke) => newest && sameTuning(stroke, newest) && stroke.hung === newest.hung,
  )
  const rings = ringsBy(alike, ({ layers }) => layersText(layers)).sort((a, b) => b.ring - a.ring)
  const longest = Math.max(0.05, ...rings.map(({ ring }) => ring))
  const states = alike.slice(-SHOWN).flatMap((stroke) => {
    const state = ofStroke(stroke)
    return state ? [{ stroke, state }] : []
  })
  return (
    <StripFrame
      label="Ring"
      seed={75}
      over={
        <>
          <span className="text-xl font-bold">
            {newest ? `rings ${decayText(newest.decaySeconds)}` : 'not struck yet'}
          </span>
          {newest ? (
            <span className="text-soft">
              centre {fixed(newest.hz, 1)} Hz{newest.hung === undefined ? '' : `, ${hungText(newest.hung)}`}
            </span>
          ) : null}
        </>
      }
    >
      <div ref={ref}>
        {states.length ? (
          <>
            <RingingChart
              model={ringingModel(
                states.map(({ state }) => state.tones),
                Math.max(300, width),
                HEIGHT,
              )}
              label={`Decay and tones of the newest strokes. ${states.map(({ stroke }) => strokeText(stroke)).join('. ')}`}
            />
            <ul className="mt-1 text-[15px] text-soft">
              {states.map(({ stroke }, i) => (
                <li key={stroke.id}>
                  {NAMES[i]}: {strokeText(stroke)}
                  {session && stroke.layers.join() !== on.join() ? (
                    <Button
                      tone="quiet"
                      className="-my-2 px-1 underline"
                      onClick={() => muffledThen(session, stroke.id, on)}
                    >
                      it was struck {on.length ? `with ${layersText(on)}` : 'bare'}
                    </Button>
                  ) : null}
                </li>
              ))}
            </ul>
          </>
        ) : (
          <Foretold width={width} />
        )}
        <h2 className="mt-4 font-bold">Rings in this tuning</h2>
        {rings.length === 0 ? (
          <p className="text-soft">None yet: strike it bare, then with a layer on.</p>
        ) : (
          <ul>
            {rings.map(({ name, ring, count }) => (
              <li key={name} className="flex flex-wrap items-center gap-x-4 border-b border-line py-1.5">
                <span className="w-52 font-bold">{name}</span>
                <span className="flex min-w-24 flex-1 items-center gap-3">
                  <span aria-hidden className="h-3 bg-good" style={{ width: `${(70 * ring) / longest}%` }} />
                  <span className="whitespace-nowrap">
                    {decayText(ring)} <span className="text-soft">({count}×)</span>
                  </span>
                </span>
              </li>
            ))}
          </ul>
        )}
      </div>
      {view.practice && !view.kit.simulated ? <p className="mt-3 text-caution">Simulated.</p> : null}
    </StripFrame>
  )
}

/** Nothing was struck: how it would die away, by what was read of its heads, drawn dashed as all that is foretold. */
function Foretold({ width }: { width: number }) {
  const pair = useSelect(pairView)
  const stands = useMemo(() => pair && pairStands(pair), [pair])
  const sound = useMemo(() => (pair && stands ? pairModel(pair).sound(stands) : null), [pair, stands])
  if (!sound)
    return <p className="text-soft">Read a head, and the ring is foretold; strike it, and it is known.</p>
  const { hz, decaySeconds } = sound.tones[0]
  return (
    <>
      <RingingChart
        model={ringingModel([[], sound.tones], Math.max(300, width), HEIGHT)}
        label={`Foretold: ${fixed(hz, 0)} hertz, ${ringsText(decaySeconds)}`}
      />
      <p className="text-[15px] text-soft">
        dashed: foretold, rings {decayText(decaySeconds)} near {hz.toFixed(0)} Hz
      </p>
    </>
  )
}
