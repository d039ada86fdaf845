'use client'

import { RingingChart } from '@/charts/RingingChart'
import { ringingModel } from '@/charts/ringing.model'
import type { Stroke } from '@/core/status/strokes'
import type { SoundState } from '@/session/actions/compare'
import { comparedText, STATE_NAMES, statesText } from '@/text/compare'
import { bendText } from '@/text/pair'
import { hzText } from '@/text/heads'
import { decayText, hungText, layersText } from '@/text/strokes'
import { Columns } from '@/ui/Columns'
import { useWidth } from '@/ui/useWidth'
import { Sideways } from '@/ui/Sideways'
import { StripFrame } from '../../Frame'
import type { StateChoice } from './choices'

const HEIGHT = 210

/** How the states die away, over each other on tape, and their figures side by side. */
export function CompareStrip({
  chosen,
  states,
  strokes,
}: {
  chosen: readonly StateChoice[]
  states: readonly SoundState[]
  strokes: number
}) {
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
