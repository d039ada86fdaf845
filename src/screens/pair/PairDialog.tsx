'use client'

import { pairView } from '@/session/selectors'
import { useEffect, useMemo, useState } from 'react'
import { PairMap } from '@/charts/PairMap'
import { pairMapModel } from '@/charts/pairmap.model'
import { pairModel, pairStands, type DrumPair } from '@/core/bench/pairing'
import type { PairBelief } from '@/core/pair/belief'
import type { PairGrid } from '@/core/pair/map'
import type { PairAnswer } from '@/core/pair/solve'
import type { PairWant } from '@/core/pair/types'
import { waysTo } from '@/core/pair/ways'
import { hearPair } from '@/session/actions/compare'
import { chooseHead } from '@/session/actions/kits'
import { aimPair, askPair, listenForCentre, strikeCentre } from '@/session/actions/pair'
import { type BenchView } from '@/session/benchView'
import { useBenchView, useSelect, useSession } from '@/session/react'
import { hzText } from '@/text/heads'
import { allRodsText, costText, pairText, relationText, standsText } from '@/text/pair'
import { Button } from '@/ui/Button'
import { Modal } from '@/ui/Modal'
import { Columns } from '@/ui/Columns'
import { useCommander } from '../shell/commander'
import { School } from './School'
import { StrokePart } from './StrokePart'
import { Wants } from './Wants'
import { Ways } from './Ways'

const MAP = { width: 460, height: 380 }
const centsApart = (fromHz: number, toHz: number) => 1200 * Math.log2(toHz / fromHz)
const round = (value: number, digits: number) => Number(value.toFixed(digits))

/** Two heads: what they do together, and both lug pitches for what is wanted of them; from whatever was read so far. */
export function PairDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const state = useSelect(({ settings }) => ({ settings }))
  const view = useBenchView()
  const pair = useSelect(pairView)
  const [want, setWant] = useState<PairWant | null>(null)
  const [answer, setAnswer] = useState<{ pair: DrumPair; wanted: PairWant; answer: PairAnswer } | null>(null)
  const [grid, setGrid] = useState<PairGrid | null>(null)
  const stands = useMemo(() => pair && pairStands(pair), [pair])
  const wanted = useMemo(() => want ?? (stands && standing(stands)), [want, stands])
  useEffect(() => {
    if (!session || !pair || !wanted) return
    let stale = false
    void askPair(session, wanted)?.then((next) => {
      if (!stale) setAnswer({ pair, wanted, answer: next })
    })
    return () => void (stale = true)
  }, [session, pair, wanted])
  const known = stands !== null
  useEffect(() => {
    if (!session || !known || !pair) return
    let stale = false
    const { drum, seen, turnLaw, batterHz, resonantHz, centreHz } = pair
    void session.deps
      .adviser()
      .pairMap({ drum, seen, turnLaw, now: { batterHz, resonantHz, centreHz } })
      .then((next) => {
        if (!stale) setGrid(next)
      })
    return () => void (stale = true)
  }, [session, pair, known])
  const two = pair !== null && pair.drum.resonant !== null
  const model = useMemo(
    () => grid && grid.resonantHz.length > 0 && pairMapModel(grid, MAP.width, MAP.height),
    [grid],
  )
  if (!session || !view || !pair) return null
  const found = answer?.answer ?? null
  const go = (side: 'batter' | 'resonant') => {
    chooseHead(session, view.drum.id, side)
    onClose()
  }
  return (
    <Modal
      open
      wide
      onClose={onClose}
      title={two ? `Both heads of ${view.drum.name}` : `The head of ${view.drum.name}`}
      description={
        stands
          ? 'Lug pitches are those with the other head muted, the centre is struck with both free. Wish in pitches, notes or intervals, or move the ring on the map.'
          : 'Nothing was read yet: one lug pitch or one stroke on the centre is enough to begin.'
      }
    >
      {stands && wanted ? (
        <div className="flex flex-col gap-6 md:grid md:grid-cols-[minmax(0,1fr)_330px]">
          <div className="min-w-0 max-md:order-2">
            {two && stands.resonantHz !== null ? (
              <MapPart model={model || null} pair={pair} stands={stands} found={found} onGoal={setWant} />
            ) : null}
            {found ? <School answer={found} pair={pair} /> : null}
          </div>
          <div className="min-w-0">
            <ReadNext stands={stands} pair={pair} onHead={go} />
            {found ? (
              <>
                <Wants want={wanted} answer={found} a4Hz={state.settings.a4Hz} onChange={setWant} />
                <div aria-live="polite">
                  <p className="mt-3 text-[34px] leading-tight font-extrabold">
                    <span className="block">batter {allRodsText(found.turns.batter)}</span>
                    {two ? <span className="block">resonant {allRodsText(found.turns.resonant)}</span> : null}
                  </p>
                  <p className="mt-2 leading-snug">
                    {pairText(found)} {costText(found, view.drum.lugs, state.settings.keys)}
                  </p>
                </div>
                <Columns className="mt-3" heads={['now', 'then']} rows={rowsOf(pair, stands, found)} />
                {two && found.resonantAboveCents !== null ? (
                  <Ways
                    ways={waysTo({ ...pair, now: pair }, round(found.resonantAboveCents, 0))}
                    aboveCents={round(found.resonantAboveCents, 0)}
                    onTake={({ batterHz, resonantHz }) =>
                      setWant({ batterHz: round(batterHz, 1), resonantHz: round(resonantHz, 1) })
                    }
                  />
                ) : null}
              </>
            ) : (
              <p className="mt-3 text-soft">Working it out…</p>
            )}
            <div className="mt-4 flex flex-wrap gap-3">
              <Button
                tone="act"
                disabled={answer?.pair !== pair || answer.wanted !== wanted}
                onClick={() => {
                  if (found) aimPair(session, found)
                  onClose()
                }}
              >
                {two ? 'Aim both heads there' : 'Aim the head there'}
              </Button>
              <Button
                disabled={!found}
                onClick={() => found && void hearPair(session, found.batterHz, found.resonantHz)}
              >
                Hear it
              </Button>
            </div>
            <More view={view} pair={pair} />
          </div>
        </div>
      ) : (
        <div className="flex flex-wrap gap-3">
          <Button tone="act" onClick={() => go('batter')}>
            Read the batter
          </Button>
          {two ? <Button onClick={() => go('resonant')}>Read the resonant</Button> : null}
          <div className="w-full">
            <StrokePart view={view} />
          </div>
        </div>
      )}
    </Modal>
  )
}

/** Nothing wished for yet: the drum as it stands. */
function standing({ batterHz, resonantHz }: PairBelief): PairWant {
  const batter = { batterHz: round(batterHz, 1) }
  return resonantHz === null
    ? batter
    : { ...batter, resonantAboveCents: Math.round(centsApart(batterHz, resonantHz)) }
}

function MapPart({
  model,
  pair,
  stands,
  found,
  onGoal,
}: {
  model: ReturnType<typeof pairMapModel> | null
  pair: DrumPair
  stands: PairBelief
  found: PairAnswer | null
  onGoal: (want: PairWant) => void
}) {
  if (!model) return <p className="text-soft">Working out the map…</p>
  const now = { batterHz: stands.batterHz, resonantHz: stands.resonantHz! }
  const goal =
    found && found.resonantHz !== null ? { batterHz: found.batterHz, resonantHz: found.resonantHz } : now
  const was = pair.seen
    .slice(0, -1)
    .flatMap(({ batterHz, resonantHz }) =>
      batterHz !== null && resonantHz !== null ? [{ batterHz, resonantHz }] : [],
    )
  const goalWords = found
    ? ` Goal batter ${hzText(goal.batterHz)}, resonant ${hzText(goal.resonantHz)}, centre ${hzText(found.centreHz)} hertz, ratio ${found.ratio.toFixed(2)}.`
    : ''
  return (
    <>
      <PairMap
        model={model}
        now={now}
        // Read is filled, foretold is hollow with its doubt.
        doubtCents={pair.batterHz === null || pair.resonantHz === null ? stands.errorCents : null}
        was={was}
        goal={goal}
        label={`Map of both heads. Now batter ${hzText(now.batterHz)}, resonant ${hzText(now.resonantHz)} hertz.${goalWords} Arrow keys move the goal.`}
        onGoal={(place) =>
          onGoal({ batterHz: round(place.batterHz, 1), resonantHz: round(place.resonantHz, 1) })
        }
      />
      <p className="mt-1 text-[15px] leading-snug text-soft">
        Lines: the centre pitch in whole tones. Dotted: edge over centre; 1.5 to 1.6 is a liked range, a
        resonant head a third to a fourth above.
      </p>
    </>
  )
}

/** What is only foretold, and the one reading that would help most, as a button. */
function ReadNext({
  stands,
  pair,
  onHead,
}: {
  stands: PairBelief
  pair: DrumPair
  onHead: (side: 'batter' | 'resonant') => void
}) {
  const session = useSession()
  const source = useSelect((state) => state.source)
  const says = standsText(stands, pair)
  if (!says || !session) return null
  const { readNext } = stands
  // Where the centre is typed or taken from a file its field is below.
  const byButton = readNext !== 'centre' || source === 'practice' || source === 'microphone'
  return (
    <div className="mb-3 border-b border-line pb-2">
      <p className="leading-snug">{says}</p>
      {readNext && byButton ? (
        <Button
          className="mt-2"
          onClick={() => {
            if (readNext !== 'centre') onHead(readNext)
            else void (source === 'practice' ? strikeCentre(session) : listenForCentre(session))
          }}
        >
          Read it
        </Button>
      ) : null}
    </div>
  )
}

/** What taught this drum, one more stroke, and the ways on from here. */
function More({ view, pair }: { view: BenchView; pair: DrumPair }) {
  const { open } = useCommander()
  return (
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
            ['compare', 'Compare states'],
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
  )
}

function rowsOf(pair: DrumPair, stands: PairBelief, found: PairAnswer): Array<[string, string, string]> {
  const { centreHz } = pair
  const model = pairModel(pair)
  const centre = centreHz ?? model.centre(stands).hz
  const ring = (at: { batterHz: number; resonantHz: number | null }) =>
    `${model.ring(at).decaySeconds.toFixed(2)} s`
  const about = (side: 'batter' | 'resonant') => (pair[`${side}Hz`] === null ? 'about ' : '')
  return [
    ['batter lug', `${about('batter')}${hzText(stands.batterHz)} Hz`, `${hzText(found.batterHz)} Hz`],
    ...(stands.resonantHz === null || found.resonantHz === null
      ? []
      : ([
          [
            'resonant lug',
            `${about('resonant')}${hzText(stands.resonantHz)} Hz`,
            `${hzText(found.resonantHz)} Hz`,
          ],
          [
            'resonant',
            relationText(centsApart(stands.batterHz, stands.resonantHz)),
            relationText(found.resonantAboveCents!),
          ],
        ] as Array<[string, string, string]>)),
    ['centre', `${centreHz === null ? 'about ' : ''}${hzText(centre)} Hz`, `${hzText(found.centreHz)} Hz`],
    ['edge to centre', (stands.batterHz / centre).toFixed(2), found.ratio.toFixed(2)],
    ['ring, foretold', ring(stands), ring(found)],
  ]
}
