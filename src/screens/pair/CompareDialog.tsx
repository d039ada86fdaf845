'use client'

import { useState } from 'react'
import { RingingChart } from '@/charts/RingingChart'
import { ringingModel } from '@/charts/ringing.model'
import { headKey } from '@/core/keeping/log'
import type { Stroke } from '@/core/keeping/strokes'
import { pairOf } from '@/session/actions/pair'
import { ofPlan, ofStroke, playOf, type SoundState } from '@/session/actions/compare'
import { benchView } from '@/session/benchView'
import { useKit, useSession, useSessionState } from '@/session/react'
import { bendText } from '@/text/pair'
import { hzText } from '@/text/heads'
import { decayText, hungText, layersText, strokeText } from '@/text/strokes'
import { Button } from '@/ui/Button'
import { Modal } from '@/ui/Modal'
import { Pick } from '@/ui/Pick'
import { TwoColumns } from '@/ui/TwoColumns'
import { Blind } from './Blind'
import { StrokePart } from './StrokePart'

const CHART = { width: 760, height: 210 }
const AIMED = 'aimed'

/** Two states of a drum side by side: numbers, ring, tones, and by ear at one level. */
export function CompareDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const view = benchView(useSessionState(), useKit())
  const pair = session && view ? pairOf(session, view) : null
  const [picked, setPicked] = useState<[string | null, string | null]>([null, null])
  const [blind, setBlind] = useState(false)
  const heard = pair?.strokes.filter(({ modes }) => modes.length > 0) ?? []
  if (!session || !view || !pair) return null
  const { batter, resonant } = aimsOf(view.kit, view.drum.id)
  const aims = batter !== null && resonant !== null ? { batterHz: batter, resonantHz: resonant } : null
  const ids = [picked[0] ?? heard.at(-2)?.id ?? null, picked[1] ?? heard.at(-1)?.id ?? null]
  const strokes = ids.map((id) => heard.find((stroke) => stroke.id === id) ?? null)
  const states = ids.map((id, i) =>
    id === AIMED && aims ? ofPlan(session, aims) : strokes[i] ? ofStroke(strokes[i]) : null,
  )
  const items = [
    ...heard.map((stroke) => ({ value: stroke.id, label: strokeText(stroke) })).reverse(),
    ...(aims
      ? [{ value: AIMED, label: `as aimed: ${hzText(aims.batterHz)} and ${hzText(aims.resonantHz)} Hz` }]
      : []),
  ]
  const both = states[0] && states[1] ? ([states[0], states[1]] as const) : null
  return (
    <Modal
      open
      wide
      onClose={onClose}
      title={`Two states of ${view.drum.name}`}
      description="By numbers, by how they die away, and by ear at the same level."
    >
      {heard.length < 1 || items.length < 2 ? (
        <p className="text-lg">
          {heard.length === 0
            ? 'No stroke on the centre was measured yet.'
            : 'One stroke is kept; a second is wanted.'}{' '}
          Strike it, change something, strike again.
        </p>
      ) : (
        <div className="flex flex-col gap-1">
          {([0, 1] as const).map((i) => (
            <Pick
              key={i}
              label={i === 0 ? 'first (full line)' : 'second (dashed)'}
              className="min-w-0"
              value={ids[i] ?? ''}
              items={items}
              onChange={(id) => setPicked(i === 0 ? [id, ids[1]] : [ids[0], id])}
            />
          ))}
        </div>
      )}
      {both ? (
        <>
          <RingingChart
            model={ringingModel(
              both.map(({ tones }) => tones),
              CHART.width,
              CHART.height,
            )}
            label={`Decay and tones of both. ${both.map((state, i) => `${i === 0 ? 'First' : 'Second'}: ${spoken(state)}`).join('. ')}`}
          />
          <TwoColumns className="mt-2" heads={['first', 'second']} rows={rowsOf(strokes, both)} />
          {blind ? (
            <Blind play={(which) => void playOf(session, both, which)} onStop={() => setBlind(false)} />
          ) : (
            <div className="mt-4 flex flex-wrap gap-3">
              <Button tone="act" onClick={() => void playOf(session, both, 0)}>
                Hear the first
              </Button>
              <Button tone="act" onClick={() => void playOf(session, both, 1)}>
                Hear the second
              </Button>
              <Button onClick={() => setBlind(true)}>Blind: can I tell them apart?</Button>
            </div>
          )}
          <p className="mt-2 text-sm text-soft">
            A kept recording is played where there is one, else the sound is made again from the tones
            measured. Both at one level. Keep sounds under “How it listens”.
          </p>
        </>
      ) : null}
      <StrokePart view={view} />
    </Modal>
  )
}

const spoken = ({ tones }: SoundState) =>
  tones
    .slice(0, 3)
    .map(({ hz, decaySeconds }) => `${hz.toFixed(0)} hertz, ${decaySeconds.toFixed(2)} seconds`)
    .join('; ')

/** What both heads are to be brought to, where that is a pitch. */
function aimsOf(kit: NonNullable<ReturnType<typeof useKit>>, drum: string) {
  const of = (side: 'batter' | 'resonant') => {
    const aim = kit.aims.get(headKey(drum, side))
    return aim && 'hz' in aim ? aim.hz : null
  }
  return { batter: of('batter'), resonant: of('resonant') }
}

function rowsOf(
  strokes: ReadonlyArray<Stroke | null>,
  states: readonly [SoundState, SoundState],
): Array<[string, string, string]> {
  const row = (
    label: string,
    of: (stroke: Stroke | null, state: SoundState) => string,
  ): [string, string, string] => [label, of(strokes[0], states[0]), of(strokes[1], states[1])]
  const lugs = (hz: number | null) => (hz === null ? 'not read' : `${hzText(hz)} Hz`)
  return [
    row('centre', (stroke, { tones }) => `${hzText(stroke?.hz ?? tones[0].hz)} Hz`),
    row('rings', (stroke, { tones }) => decayText(stroke ? stroke.decaySeconds : tones[0].decaySeconds)),
    row('gone by 20 dB after', (stroke) => decayText(stroke?.ringSeconds?.to20dB ?? null)),
    row('bends', (_, { glideCents }) => bendText(glideCents, null)),
    row('batter lug', (stroke) => (stroke ? lugs(stroke.batterHz) : 'as aimed')),
    row('resonant lug', (stroke) => (stroke ? lugs(stroke.resonantHz) : 'as aimed')),
    row('muffling', (stroke) => (stroke ? layersText(stroke.layers) : 'as now')),
    row('place', (stroke) => (stroke ? hungText(stroke.hung) || 'not said' : '')),
    row('your words', (stroke) => stroke?.words.join('; ') || '–'),
  ]
}
