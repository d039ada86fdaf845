'use client'

import { KeyMap } from '@/charts/KeyMap'
import { keyMapModel } from '@/charts/keymap.model'
import type { Step } from '@/core/evening/types'
import type { BenchView } from '@/session/benchView'
import { useSelect } from '@/session/react'
import { forecastWords, whyText } from '@/text/advice'
import { Doubts } from './Doubts'
import { hzText } from '@/text/heads'
import { directionWord, listText, turnText } from '@/text/turns'
import { Button } from '@/ui/Button'
import { useCommander, useEnabled } from '../../../shell/commander'
import { Big, Light } from '../../Big'
import { MoveButtons } from './MoveButtons'
import { SweepMove } from './SweepMove'
import { WalkNote } from '../../../WalkNote'
import { lookText, useMapLook } from '../../useMapLook'
import { EntryMark } from '../../../handbook/EntryLink'
import { REASON_ENTRY } from '@/handbook/links'

/** The next move: which rods, which way, how far. */
export function TurnPanel({ view }: { view: BenchView }) {
  const { run } = useCommander()
  const isEnabled = useEnabled(['bench.feel'] as const)
  const { settings, bench, hearing, source } = useSelect(({ settings, bench, hearing, source }) => ({
    ...{ settings, bench, hearing, source },
  }))
  const look = useMapLook()
  const last = bench.lastTap
  const { advice, steps, drum } = view
  const step = steps[0]
  if (!advice || !step) return <p className="text-2xl font-bold text-soft">Working out the move…</p>
  const turns = new Array<number>(drum.lugs).fill(0)
  step.rods.forEach((rod, i) => (turns[rod - 1] = step.turns[i]))
  const same = new Set(step.turns).size === 1
  return (
    <>
      {/* The mark stands here, where it takes no line of its own: at 1280 by 800 all of a move is seen at once. */}
      <div className="-my-2.5 flex items-center text-soft">
        <p>
          move {view.movesMade + 1} of {view.movesMade + steps.length}
          {advice.plan.knownBy ? (
            <span className="md:hidden"> · spread {Math.round(advice.plan.spreadCents)} c</span>
          ) : null}
        </p>
        <EntryMark entry={REASON_ENTRY[advice.plan.reason ?? 'move']} />
      </div>
      <div>
        <Big>
          {step.rods.map((rod, i) => (
            <span key={rod}>
              {i > 0 ? <Light>and</Light> : null}
              {rod}
            </span>
          ))}
        </Big>
        <SweepMove turns={step.turns[0]} hand={handText(step, same)} />
      </div>
      <MoveButtons other="bench.otherwise" label="Something else" />
      <p className="mt-3 text-lg leading-snug">
        {whyText(advice.plan, advice.fit.lugHz, 'offsetTurns' in view.request.target)}
      </p>
      <div className="-ml-1.5 flex flex-wrap">
        <Doubts view={view} />
        <Button tone="quiet" className="px-1.5 text-[15px] underline" onClick={() => run('bench.why')}>
          Why?
        </Button>
        {isEnabled('bench.feel') && advice.plan.ask.length > 0 ? (
          <Button tone="quiet" className="px-1.5 text-[15px] underline" onClick={() => run('bench.feel')}>
            Feel {advice.plan.ask.length} rods
          </Button>
        ) : null}
        <Button
          tone="quiet"
          className="px-1.5 text-[15px] underline"
          onClick={() => run('bench.turnedPressed')}
        >
          {allMadeText(steps.length, source === 'practice')}
        </Button>
      </div>
      {last && hearing.state === 'on' ? (
        <p role="status" className="mt-1 leading-snug">
          {last.tap.hz === null ? (
            last.why
          ) : (
            <>
              check: <b>{hzText(last.tap.hz)} Hz</b>, not counted
            </>
          )}
        </p>
      ) : null}
      <WalkNote id="turn" className="mt-2" />
      <div className="mt-1 flex shrink-0 items-start justify-between gap-2">
        <div className="min-w-0 text-[15px] leading-snug text-soft">
          {settings.turnDrum ? <p>Turn the drum so that rod {step.rods[0]} faces you.</p> : null}
          {hearing.state === 'on' ? <p>Two taps on the drum tick this move off.</p> : null}
          <p>{thenText(steps.slice(1), view)}</p>
        </div>
        <div className="hidden shrink-0 md:block">
          <KeyMap
            model={keyMapModel(112, turns, null, settings.turnDrum ? step.rods[0] : null, look)}
            label={`Rods ${listText(step.rods)} on the drum, ${settings.turnDrum ? `rod ${step.rods[0]} towards you` : lookText(look)}`}
          />
        </div>
      </div>
    </>
  )
}

/** All of the pass in one press: the practice drum is read again as well, since nobody's hand taps it. */
function allMadeText(moves: number, practice: boolean): string {
  const what = practice ? 'turned, read' : 'turned, pressed'
  return moves > 1 ? `All ${moves} ${what}` : `Turned, ${practice ? 'read' : 'pressed'}`
}

function handText(step: Step, same: boolean): string {
  const verb = step.turns[0] < 0 ? 'loosen' : 'tighten'
  if (step.rods.length === 1) return `${verb} this rod`
  return same
    ? `${verb} both together`
    : `rod ${step.rods[1]}: ${directionWord(step.turns[1])} ${turnText(step.turns[1])}`
}

function thenText(rest: readonly Step[], view: BenchView): string {
  const words = rest
    .slice(0, 2)
    .map((step) => `${listText(step.rods)} ${directionWord(step.turns[0])} ${turnText(step.turns[0])}`)
  const more = rest.length > 2 ? [`${rest.length - 2} more`] : []
  const expect = view.advice ? forecastWords(view.advice.plan) : ''
  return `${words.length ? `Then ${[...words, ...more].join('; ')}; ` : 'Then '}press, read again. ${expect}`
}
