'use client'

import { allRodsText, STEP_TURNS, relationText } from '@/text/relation'
import { KeySweep } from '@/charts/KeySweep'
import type { DrumPair } from '@/core/status/drum'
import type { PairBelief } from '@/core/pair/belief'
import type { PairAnswer } from '@/core/pair/solve'
import type { PairWant } from '@/core/pair/types'
import { waysTo, type PairWay, type WayId } from '@/core/pair/ways'
import { hearPair } from '@/session/actions/compare'
import { aimPair, listenForCentre, strikeCentre } from '@/session/actions/pair'
import type { BenchView } from '@/session/benchView'
import { useSelect, useSession } from '@/session/react'
import { costText, pairText, standsText } from '@/text/pair'
import { directionWord } from '@/text/turns'
import { Button } from '@/ui/Button'
import { Fraction } from '../../Big'
import { Acts, MainButton } from '../../Frame'
import { StrokePart } from '../../StrokePart'
import { School } from './School'
import { Wants } from './Wants'
import { EntryLink } from '../../../handbook/EntryLink'
import { LIMIT_ENTRY } from '@/handbook/links'
import { chooseHead } from '@/session/actions/kits'
import { hzText } from '@/text/heads'

interface HeadsPanelProps {
  view: BenchView
  pair: DrumPair
  stands: PairBelief
  want: PairWant
  found: PairAnswer | null
  /** The answer is to the newest wish. */
  fresh: boolean
  onWant: (want: PairWant) => void
}

/** What is wanted of both heads, the turns that make it in the largest type, and one button that aims both there. */
export function HeadsPanel({ view, pair, stands, want, found, fresh, onWant }: HeadsPanelProps) {
  const session = useSession()
  const settings = useSelect((state) => state.settings)
  if (!session || !found) return <p className="text-2xl font-bold text-soft">Working it out…</p>
  const two = pair.drum.resonant !== null
  const above = found.resonantAboveCents === null ? null : Math.round(found.resonantAboveCents)
  const still = [found.turns.batter, ...(two ? [found.turns.resonant] : [])].every(
    (turns) => allRodsText(turns) === 'leave',
  )
  return (
    <>
      <Wants want={want} answer={found} onChange={onWant} />
      <HeadTurn name="batter" turns={found.turns.batter} />
      {two ? <HeadTurn name="resonant" turns={found.turns.resonant} /> : null}
      <Acts next={still ? 'first' : null}>
        {still ? null : (
          <MainButton disabled={!fresh} onClick={() => aimPair(session, found)}>
            {two ? 'Aim both heads there' : 'Aim the head there'}
          </MainButton>
        )}
        <Button
          big
          className="px-3.5 text-base font-normal"
          onClick={() => void hearPair(session, found.batterHz, found.resonantHz)}
        >
          Hear it
        </Button>
      </Acts>
      <div className="mt-3 md:min-h-24 md:flex-1 md:overflow-y-auto">
        <ReadNext stands={stands} pair={pair} view={view} />
        <p className="leading-snug">
          {pairText(found)} {costText(found, view.drum.lugs, settings.keys)}
        </p>
        <Limits found={found} />
        {above === null ? null : (
          <Ways
            ways={waysTo({ ...pair, seen: pair.before }, above)}
            aboveCents={above}
            onTake={({ batterHz, resonantHz }) =>
              onWant({ batterHz: Number(batterHz.toFixed(1)), resonantHz: Number(resonantHz.toFixed(1)) })
            }
          />
        )}
        <School answer={found} pair={pair} />
        <p className="mt-3 border-t border-line pt-3 leading-snug">
          {pair.seen.length
            ? `${pair.seen.length} centre ${pair.seen.length === 1 ? 'reading has' : 'readings have'} taught this drum.`
            : 'The centre was never read: the sizes alone speak.'}
        </p>
        <StrokePart view={view} />
      </div>
    </>
  )
}

/** What stops it, or is cared about on the way, explained. */
function Limits({ found }: { found: PairAnswer }) {
  const all = [...(found.limitedBy ? [found.limitedBy] : []), ...found.warnings]
  const entries = [...new Set(all.map((each) => LIMIT_ENTRY[each]))]
  return (
    <p className="flex flex-wrap gap-x-4">
      {entries.map((entry) => (
        <EntryLink key={entry} entry={entry} />
      ))}
    </p>
  )
}

/** How far every rod of a head goes, drawn and in large type. */
function HeadTurn({ name, turns }: { name: string; turns: number }) {
  const steps = Math.round(turns / STEP_TURNS) * STEP_TURNS
  return (
    <div className="mt-1 flex items-center gap-4">
      <KeySweep turns={steps} size={88} />
      <p>
        <span className="block text-lg leading-none text-soft">{name}</span>
        <span className="text-[52px] leading-none font-extrabold whitespace-nowrap md:text-[56px]">
          {steps === 0 ? (
            'leave'
          ) : (
            <>
              {directionWord(steps)} <Fraction turns={steps} />
            </>
          )}
        </span>
      </p>
    </div>
  )
}

/** What is only foretold, and the one reading that would help most, as a button. */
function ReadNext({ stands, pair, view }: { stands: PairBelief; pair: DrumPair; view: BenchView }) {
  const session = useSession()
  const source = useSelect((state) => state.source)
  const { read } = pair.stands
  const says = standsText(stands, {
    ...pair.now,
    batterHz: read.batter ? pair.batterHz : null,
    resonantHz: read.resonant ? pair.resonantHz : null,
  })
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
            if (readNext !== 'centre') chooseHead(session, view.drum.id, readNext)
            else void (source === 'practice' ? strikeCentre(session) : listenForCentre(session))
          }}
        >
          Read it
        </Button>
      ) : null}
    </div>
  )
}

const NAMES: Record<WayId, string> = {
  resonant: 'resonant',
  batter: 'batter',
  half: 'half each',
}

interface WaysProps {
  ways: readonly PairWay[]
  aboveCents: number
  onTake: (way: PairWay) => void
}

/** The three ways to a relation side by side: turns of each head, and what becomes of the centre. */
function Ways({ ways, aboveCents, onTake }: WaysProps) {
  // The drum stands so already: nothing to choose between.
  if (
    ways.every(({ turns }) => [turns.batter, turns.resonant].every((turn) => allRodsText(turn) === 'leave'))
  )
    return null
  return (
    <table className="mt-4 w-full border-t border-line text-left text-[15px]">
      <caption className="pt-2 text-left font-bold">To {relationText(aboveCents)}</caption>
      <thead className="text-sm text-soft">
        <tr>
          <th scope="col" className="font-normal">
            moved by
          </th>
          <th scope="col" className="text-right font-normal">
            batter
          </th>
          <th scope="col" className="text-right font-normal">
            resonant
          </th>
          <th scope="col" className="text-right font-normal">
            centre
          </th>
        </tr>
      </thead>
      <tbody>
        {ways.map((way) => (
          <tr key={way.way} className="border-t border-line">
            <th scope="row" className="font-normal">
              <Button tone="quiet" className="-ml-2 whitespace-nowrap underline" onClick={() => onTake(way)}>
                {NAMES[way.way]}
              </Button>
            </th>
            <td className="pl-2 text-right whitespace-nowrap">{allRodsText(way.turns.batter)}</td>
            <td className="pl-2 text-right whitespace-nowrap">{allRodsText(way.turns.resonant)}</td>
            <td className="pl-2 text-right whitespace-nowrap">
              {hzText(way.centreHz)}{' '}
              <span className="text-soft">
                {Math.abs(way.centreMovesCents) < 1
                  ? 'stays'
                  : `${way.centreMovesCents > 0 ? '+' : '−'}${Math.abs(Math.round(way.centreMovesCents))} c`}
              </span>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
