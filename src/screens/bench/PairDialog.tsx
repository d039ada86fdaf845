'use client'

import { useEffect, useMemo, useState } from 'react'
import { PairMap } from '@/charts/PairMap'
import { pairMapModel } from '@/charts/pairmap.model'
import type { PairGrid } from '@/core/pair/map'
import type { DrumPair } from '@/core/keeping/pairing'
import { pairModel } from '@/core/keeping/pairing'
import { ringStrokes } from '@/core/keeping/strokes'
import { schoolOf } from '@/core/pair/schools'
import type { PairAnswer } from '@/core/pair/solve'
import { WANT_KEYS, type PairWant, type WantKey } from '@/core/pair/types'
import { hearPair } from '@/session/actions/compare'
import { aimPair, askPair, pairOf } from '@/session/actions/pair'
import { noteWords } from '@/session/actions/stand'
import { benchView } from '@/session/benchView'
import { useKit, useSession, useSessionState } from '@/session/react'
import { hzText } from '@/text/heads'
import { allRodsText, bendText, costText, logSays, pairText, relationText, ringText } from '@/text/pair'
import { Button } from '@/ui/Button'
import { INPUT_CLASS } from '@/ui/Field'
import { Modal } from '@/ui/Modal'
import { Pick } from '@/ui/Pick'
import { TwoColumns } from '@/ui/TwoColumns'
import { StrokePart } from '../pair/StrokePart'
import { useCommander } from '../shell/CommandProvider'

const WANTS: Record<WantKey, { label: string; least: number; most: number; step: number }> = {
  batterHz: { label: 'batter lug, Hz', least: 15, most: 2000, step: 0.5 },
  resonantHz: { label: 'resonant lug, Hz', least: 15, most: 2000, step: 0.5 },
  centreHz: { label: 'centre pitch, Hz', least: 15, most: 2000, step: 0.5 },
  ratio: { label: 'edge to centre', least: 1, most: 3, step: 0.01 },
  resonantAboveCents: { label: 'resonant above, cents', least: -2400, most: 2400, step: 1 },
}
const MAP = { width: 460, height: 380 }
const centsApart = (fromHz: number, toHz: number) => 1200 * Math.log2(toHz / fromHz)

/** Two heads: what they do together, and both lug pitches for what is wanted of them. */
export function PairDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const state = useSessionState()
  const view = benchView(state, useKit())
  const { open } = useCommander()
  const pair = session && view ? pairOf(session, view) : null
  const key = JSON.stringify(pair)
  const [want, setWant] = useState<PairWant | null>(null)
  const [answer, setAnswer] = useState<{ key: string; answer: PairAnswer } | null>(null)
  const [grid, setGrid] = useState<{ key: string; grid: PairGrid } | null>(null)
  const known = pair !== null && pair.batterHz !== null && pair.resonantHz !== null
  // Nothing wished for yet: the drum as it stands.
  const standing: PairWant | null =
    pair !== null && pair.batterHz !== null && pair.resonantHz !== null
      ? {
          batterHz: round(pair.batterHz, 1),
          resonantAboveCents: Math.round(centsApart(pair.batterHz, pair.resonantHz)),
        }
      : null
  const wanted = want ?? standing
  const asked = JSON.stringify([key, wanted])
  useEffect(() => {
    if (!session) return
    let stale = false
    // The text says both drum and wish: asked anew where either changed, not with every render.
    const [, wish] = JSON.parse(asked) as [string, PairWant | null]
    void (wish && askPair(session, wish))?.then((next) => {
      if (!stale) setAnswer({ key: asked, answer: next })
    })
    return () => void (stale = true)
  }, [session, asked])
  useEffect(() => {
    if (!session || !known) return
    let stale = false
    const { drum, seen, turnLaw } = JSON.parse(key) as DrumPair
    void session.deps
      .adviser()
      .pairMap({ drum, seen, turnLaw })
      .then((next) => {
        if (!stale) setGrid({ key, grid: next })
      })
    return () => void (stale = true)
  }, [session, key, known])
  const model = useMemo(() => grid && pairMapModel(grid.grid, MAP.width, MAP.height), [grid])
  if (!session || !view || !pair) return null
  const { batterHz, resonantHz } = pair
  const found = answer?.answer ?? null
  return (
    <Modal
      open
      wide
      onClose={onClose}
      title={`Both heads of ${view.drum.name}`}
      description={
        known
          ? 'Lug pitches are those with the other head muted, the centre is struck with both free. Name two wishes, or move the ring on the map.'
          : 'Read both heads first: each lug pitch with the other head muted.'
      }
    >
      {batterHz !== null && resonantHz !== null && wanted ? (
        <div className="flex flex-col gap-6 md:grid md:grid-cols-[minmax(0,1fr)_300px]">
          <div className="min-w-0 max-md:order-2">
            {model ? (
              <PairMap
                model={model}
                now={{ batterHz, resonantHz }}
                was={pair.seen.slice(0, -1)}
                goal={found ?? { batterHz, resonantHz }}
                label={`Map of both heads. Now batter ${hzText(batterHz)}, resonant ${hzText(resonantHz)} hertz. ${found ? `Goal batter ${hzText(found.batterHz)}, resonant ${hzText(found.resonantHz)}, centre ${hzText(found.centreHz)} hertz, ratio ${found.ratio.toFixed(2)}.` : ''} Arrow keys move the goal.`}
                onGoal={(goal) =>
                  setWant({ batterHz: round(goal.batterHz, 1), resonantHz: round(goal.resonantHz, 1) })
                }
              />
            ) : (
              <p className="text-soft">Working out the map…</p>
            )}
            <p className="mt-1 text-[15px] leading-snug text-soft">
              Lines: the centre pitch in whole tones. Dotted: edge over centre; 1.5 to 1.6 is a liked range, a
              resonant head a third to a fourth above.
            </p>
            {found ? <School answer={found} pair={pair} /> : null}
          </div>
          <div className="min-w-0">
            <WantPicks want={wanted} answer={found} onChange={setWant} />
            {found ? (
              <div aria-live="polite">
                <p className="mt-3 text-[34px] leading-tight font-extrabold">
                  <span className="block">batter {allRodsText(found.turns.batter)}</span>
                  <span className="block">resonant {allRodsText(found.turns.resonant)}</span>
                </p>
                <p className="mt-2 leading-snug">
                  {pairText(found)} {costText(found, view.drum.lugs, state.settings.keys)}
                </p>
              </div>
            ) : (
              <p className="mt-3 text-soft">Working it out…</p>
            )}
            {found ? (
              <TwoColumns
                className="mt-3"
                heads={['now', 'then']}
                rows={rowsOf(pair, batterHz, resonantHz, found)}
              />
            ) : null}
            <div className="mt-4 flex flex-wrap gap-3">
              <Button
                tone="act"
                disabled={answer?.key !== asked}
                onClick={() => {
                  if (found) aimPair(session, found.batterHz, found.resonantHz)
                  onClose()
                }}
              >
                Aim both heads there
              </Button>
              <Button
                disabled={!found}
                onClick={() => found && void hearPair(session, found.batterHz, found.resonantHz)}
              >
                Hear it
              </Button>
            </div>
            <div className="mt-4 border-t border-line pt-3">
              <p className="leading-snug">
                {pair.seen.length
                  ? `${pair.seen.length} centre ${pair.seen.length === 1 ? 'reading has' : 'readings have'} taught this drum.`
                  : 'The centre was never read: the sizes alone speak.'}
              </p>
              <StrokePart view={view} />
              <div className="mt-2 -ml-2 flex flex-wrap">
                {(
                  [
                    ['compare', 'Compare two states'],
                    ['drastic', 'One turn on purpose'],
                    ['stand', 'On the stand'],
                  ] as const
                ).map(([dialog, name]) => (
                  <Button key={dialog} tone="quiet" className="underline" onClick={() => open(dialog)}>
                    {name}
                  </Button>
                ))}
              </div>
            </div>
          </div>
        </div>
      ) : (
        <p className="text-lg">
          {batterHz === null ? 'The batter' : 'The resonant head'} has not been read yet.
        </p>
      )}
    </Modal>
  )
}

const round = (value: number, digits: number) => Number(value.toFixed(digits))

function rowsOf(
  pair: DrumPair,
  batterHz: number,
  resonantHz: number,
  found: PairAnswer,
): Array<[string, string, string]> {
  const { centreHz } = pair
  const model = pairModel(pair)
  const ring = (at: { batterHz: number; resonantHz: number }) => model.ring(at).decaySeconds.toFixed(2)
  return [
    ['batter lug', `${hzText(batterHz)} Hz`, `${hzText(found.batterHz)} Hz`],
    ['resonant lug', `${hzText(resonantHz)} Hz`, `${hzText(found.resonantHz)} Hz`],
    ['centre', centreHz === null ? 'not read' : `${hzText(centreHz)} Hz`, `${hzText(found.centreHz)} Hz`],
    ['edge to centre', centreHz === null ? '' : (batterHz / centreHz).toFixed(2), found.ratio.toFixed(2)],
    ['resonant', relationText(centsApart(batterHz, resonantHz)), relationText(found.resonantAboveCents)],
    ['ring, foretold', `${ring({ batterHz, resonantHz })} s`, `${ring(found)} s`],
  ]
}

/** The two things that are wanted, each with its number. */
function WantPicks({
  want,
  answer,
  onChange,
}: {
  want: PairWant
  answer: PairAnswer | null
  onChange: (want: PairWant) => void
}) {
  // In the order in which they were named: a row stays where it is when its wish is changed.
  const keys = Object.keys(want) as WantKey[]
  const valueOf = (key: WantKey) => (answer ? round(answer[key], key === 'ratio' ? 2 : 1) : 0)
  return (
    <div>
      {keys.map((key, i) => {
        const { label, least, most, step } = WANTS[key]
        return (
          <div key={key} className="mb-2 flex items-end gap-3">
            <Pick
              label={i === 0 ? 'wanted' : 'and'}
              className="flex-1"
              value={key}
              items={WANT_KEYS.filter((each) => each === key || !keys.includes(each)).map((each) => ({
                value: each,
                label: WANTS[each].label,
              }))}
              onChange={(next) => {
                if (!answer) return
                const rows = keys.map((each) =>
                  each === key ? [next, valueOf(next as WantKey)] : [each, want[each]],
                )
                onChange(Object.fromEntries(rows) as PairWant)
              }}
            />
            <input
              type="number"
              aria-label={label}
              min={least}
              max={most}
              step={step}
              value={want[key]}
              onChange={(event) => {
                const value = event.target.valueAsNumber
                if (Number.isFinite(value) && value >= least && value <= most)
                  onChange({ ...want, [key]: value })
              }}
              className={`${INPUT_CLASS} max-w-28`}
            />
          </div>
        )
      })}
    </div>
  )
}

/** What people say of such a relation, what the model says, and what this drum itself has said. */
function School({ answer, pair }: { answer: PairAnswer; pair: DrumPair }) {
  const session = useSession()
  const { label, says } = schoolOf(answer.resonantAboveCents)
  const { warbleHz, edge, upperHz } = answer.state
  const ring = pairModel(pair).ring(answer)
  const log = logSays(ringStrokes(pair.strokes))
  const words = pair.strokes.flatMap((stroke) =>
    stroke.words.map((said) => ({
      said,
      relation:
        stroke.batterHz && stroke.resonantHz
          ? relationText(centsApart(stroke.batterHz, stroke.resonantHz))
          : '',
    })),
  )
  if (!session) return null
  return (
    <div className="mt-3 border-t border-line pt-2 leading-snug">
      <p>
        <span className="font-bold">People say of {label}:</span> {says.join(' ')}
      </p>
      <p className="mt-1 text-soft">
        <span className="font-bold">The model:</span> the low note rings {ringText(ring)};{' '}
        {Math.round(100 * ring.radiated)}% of the loss leaves as sound. It bends{' '}
        {bendText(ring.bendCents, ring.bendErrorCents)}. The heads move against each other at{' '}
        {upperHz.toFixed(0)} Hz; edge notes with both free near {edge[0].hz.toFixed(0)} and{' '}
        {edge[1].hz.toFixed(0)} Hz
        {warbleHz ? `, ${warbleHz.toFixed(0)} Hz apart, heard as a beat` : ', not heard as a beat'}.
      </p>
      <p className="mt-1">
        <span className="font-bold">This drum’s log:</span>{' '}
        {log.length ? `${log.join('; ')}.` : 'no stroke was measured yet.'}
      </p>
      {words.map(({ said, relation }, i) => (
        <p key={i} className="mt-1 border-l-[3px] border-soft pl-2">
          “{said}”{relation ? <span className="text-soft">, {relation}</span> : null}
        </p>
      ))}
      {pair.strokes.length ? <WordsEntry onTake={(text) => noteWords(session, text)} /> : null}
    </div>
  )
}

/** The user's own words on how the drum stood at the last stroke. */
function WordsEntry({ onTake }: { onTake: (words: string) => void }) {
  const [text, setText] = useState('')
  return (
    <form
      className="mt-2 flex gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        onTake(text)
        setText('')
      }}
    >
      <input
        aria-label="Your own words on the last stroke"
        placeholder="your own words: too short in this room"
        maxLength={200}
        value={text}
        onChange={(event) => setText(event.target.value)}
        className={INPUT_CLASS}
      />
      <Button type="submit" disabled={!text.trim()}>
        Note
      </Button>
    </form>
  )
}
