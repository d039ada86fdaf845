'use client'

import { useState } from 'react'
import { RingingChart } from '@/charts/RingingChart'
import { ringingModel } from '@/charts/ringing.model'
import { headKey } from '@/core/log/fold'
import { frontChoices, type DrumPair } from '@/core/bench/pairing'
import { sameTuning, type Stroke } from '@/core/bench/strokes'
import { pairOf } from '@/session/actions/pair'
import { ofPlan, ofStroke, playInGroove, playOf, type SoundState } from '@/session/actions/compare'
import { useBenchView, useKit, useSession } from '@/session/react'
import { bendText } from '@/text/pair'
import { hzText } from '@/text/heads'
import { decayText, hungText, layersText, strokeText } from '@/text/strokes'
import { Button } from '@/ui/Button'
import { Columns } from '@/ui/Columns'
import { Modal } from '@/ui/Modal'
import { Pick } from '@/ui/Pick'
import { Blind } from './Blind'
import { StrokePart } from './StrokePart'

const CHART = { width: 760, height: 210 }
const NONE = 'none'
const NAMES = ['first', 'second', 'third'] as const
const LINES = ['full line', 'dashed', 'dotted'] as const

/** A state that can be chosen: a stroke that was kept, or one that is only planned. */
interface Choice {
  value: string
  label: string
  stroke: Stroke | null
  /** Where both heads would stand; null for a stroke. */
  at: { batterHz: number; resonantHz: number } | null
}

/** Two or three states of a drum side by side: numbers, ring, tones, by ear at one level, alone or inside a groove. */
export function CompareDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const view = useBenchView()
  const pair = session && view ? pairOf(session, view) : null
  const [picked, setPicked] = useState<ReadonlyArray<string | undefined>>([])
  const [blind, setBlind] = useState(false)
  if (!session || !view || !pair) return null
  const choices = choicesOf(pair, aimsOf(view.kit, view.drum.id), view.drum.kind === 'kick')
  const strokes = choices.filter(({ stroke }) => stroke)
  // The three newest in the newest one's tuning are shown first: there muffling alone tells them apart.
  const newest = strokes[0]?.stroke
  const alike = strokes.filter(({ stroke }) => newest && stroke && sameTuning(stroke, newest))
  const first = (alike.length > 1 ? alike : strokes.length > 1 ? strokes : choices).slice(0, 3).reverse()
  const ids = NAMES.map((_, i) => picked[i] ?? first[i]?.value ?? NONE)
  const chosen = ids.flatMap((id) => choices.filter(({ value }) => value === id))
  const states = chosen.flatMap(({ stroke, at }) => {
    const state = stroke ? ofStroke(stroke) : at && ofPlan(session, at)
    return state ? [state] : []
  })
  const ready = states.length >= 2 && states.length === chosen.length
  return (
    <Modal
      open
      wide
      onClose={onClose}
      title={`States of ${view.drum.name}`}
      description="Two or three side by side: by numbers, by how they die away, and by ear at the same level."
    >
      {choices.length < 2 ? (
        <p className="text-lg">
          {strokes.length === 0
            ? 'No stroke on the centre was measured yet.'
            : 'One stroke is kept; a second is wanted.'}{' '}
          Strike it, change something, strike again.
        </p>
      ) : (
        <div className="flex flex-col gap-1">
          {NAMES.map((name, i) => (
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
      )}
      {ready ? (
        <>
          <TuningNote chosen={chosen} />
          <RingingChart
            model={ringingModel(
              states.map(({ tones }) => tones),
              CHART.width,
              CHART.height,
            )}
            label={`Decay and tones. ${states.map((state, i) => `${capital(NAMES[i])}: ${spoken(state)}`).join('. ')}`}
          />
          <Columns className="mt-2" heads={NAMES.slice(0, states.length)} rows={rowsOf(chosen, states)} />
          {blind ? (
            <Blind play={(which) => void playOf(session, states, which)} onStop={() => setBlind(false)} />
          ) : (
            <div className="mt-4 flex flex-wrap gap-3">
              {states.map((_, i) => (
                <Button key={NAMES[i]} tone="act" onClick={() => void playOf(session, states, i)}>
                  Hear the {NAMES[i]}
                </Button>
              ))}
              {states.map((_, i) => (
                <Button key={NAMES[i]} onClick={() => void playInGroove(session, states, i)}>
                  {i === 0 ? 'In a groove: the first' : `the ${NAMES[i]}`}
                </Button>
              ))}
              <Button onClick={() => setBlind(true)}>Blind: can I tell the first two apart?</Button>
            </div>
          )}
          <p className="mt-2 text-sm text-soft">
            A kept recording is played where there is one, else the sound is made again from the tones
            measured. All at one level. In the groove the other drums are made by the model, as they stand; a
            drum alone misleads. Keep sounds under “How it listens”.
          </p>
        </>
      ) : null}
      <StrokePart view={view} />
    </Modal>
  )
}

const capital = (text: string) => text[0].toUpperCase() + text.slice(1)

function choicesOf(
  pair: DrumPair,
  aims: { batterHz: number; resonantHz: number } | null,
  kick: boolean,
): Choice[] {
  const heard = pair.strokes.filter(({ modes }) => modes.length > 0)
  const fronts = kick && pair.batterHz !== null && pair.drum.resonant ? frontChoices(pair).fronts : []
  return [
    ...heard.map((stroke) => ({ value: stroke.id, label: strokeText(stroke), stroke, at: null })).reverse(),
    ...(aims
      ? [
          {
            ...{ value: 'aimed', stroke: null, at: aims },
            label: `as aimed: ${hzText(aims.batterHz)} and ${hzText(aims.resonantHz)} Hz`,
          },
        ]
      : []),
    // Front heads as the model foretells them: three can be heard before one is turned.
    ...fronts.map(({ cents, label, batterHz, resonantHz }) => ({
      ...{ value: `front:${cents}`, stroke: null, at: { batterHz, resonantHz } },
      label: `front ${label}, foretold`,
    })),
  ]
}

/** Muffling and ring are compared within one tuning: where the tunings differ that is said. */
function TuningNote({ chosen }: { chosen: readonly Choice[] }) {
  const strokes = chosen.flatMap(({ stroke }) => (stroke ? [stroke] : []))
  const one = strokes.every((stroke) => sameTuning(stroke, strokes[0]))
  if (strokes.length < 2) return null
  return (
    <p className={one ? 'mt-1 text-sm text-soft' : 'mt-1 font-bold text-caution'}>
      {one
        ? 'One tuning: what differs is muffling, place or stroke.'
        : 'Not one tuning: what differs is not the muffling alone.'}
    </p>
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
  const [batterHz, resonantHz] = [of('batter'), of('resonant')]
  return batterHz !== null && resonantHz !== null ? { batterHz, resonantHz } : null
}

function rowsOf(chosen: readonly Choice[], states: readonly SoundState[]): Array<[string, ...string[]]> {
  const row = (
    label: string,
    of: (stroke: Stroke | null, state: SoundState, at: Choice['at']) => string,
  ): [string, ...string[]] => [label, ...chosen.map(({ stroke, at }, i) => of(stroke, states[i], at))]
  const lugs = (hz: number | null) => (hz === null ? 'not read' : `${hzText(hz)} Hz`)
  return [
    row('centre', (stroke, { tones }) => `${hzText(stroke?.hz ?? tones[0].hz)} Hz`),
    row('rings', (stroke, { tones }) => decayText(stroke ? stroke.decaySeconds : tones[0].decaySeconds)),
    row('gone by 20 dB after', (stroke) => decayText(stroke?.ringSeconds?.to20dB ?? null)),
    row('bends', (_, { glideCents }) => bendText(glideCents, null)),
    row('batter lug', (stroke, _, at) => lugs(stroke ? stroke.batterHz : at!.batterHz)),
    row('resonant lug', (stroke, _, at) => lugs(stroke ? stroke.resonantHz : at!.resonantHz)),
    row('muffling', (stroke) => (stroke ? layersText(stroke.layers) : 'as now')),
    row('place', (stroke) => (stroke ? hungText(stroke.hung) || 'not said' : 'foretold')),
    row('your words', (stroke) => stroke?.words.join('; ') || '–'),
  ]
}
