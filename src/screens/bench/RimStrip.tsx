'use client'

import { clsx } from 'clsx'
import { RimChart } from '@/charts/RimChart'
import { rimModel, rimText, type RimInput, type RimReading } from '@/charts/rim.model'
import { EAR_CENTS } from '@/core/head/ear'
import { dialCents } from '@/core/head/gauge'
import type { Pass } from '@/core/log/sittings'
import { targetLugHz } from '@/core/bench/targets'
import { centsBetween, centsErrorToHz, shiftByCents } from '@/core/units/pitch'
import { readAgain } from '@/session/actions/readings'
import type { BenchView } from '@/session/benchView'
import { useSelect, useSession } from '@/session/react'
import { centsText, hzText, noteText, offText } from '@/text/heads'
import { Tape } from '@/ui/Tape'
import { useWidth } from '@/ui/useWidth'

/** Readings as marks: pitches as they are; a dial and an ear as places about the zero, which itself is not known. */
function marksOf(view: BenchView, zeroHz: number, onTheWay: ReadonlySet<string>): RimReading[] {
  const { drum, sitting, advice, readBy } = view
  const pass = sitting?.passes.at(-1)
  if (!pass) return []
  const out = new Set(view.turnedNow ? [] : (advice?.plan.leftOut ?? []))
  const readings = [...pass.readings.values()]
    .filter(({ lug }) => lug <= drum.lugs)
    .map(({ lug, hz, standardErrorHz, used, events }) => ({
      ...{ lug, hz, errorHz: standardErrorHz, taps: used.length },
      leftOut: out.has(lug),
      onTheWay: events.some((id) => onTheWay.has(id)),
    }))
  if (readings.length > 0) return readings
  const place = (lug: number, cents: number, error: number): RimReading => ({
    ...{ lug, hz: shiftByCents(zeroHz, cents), errorHz: centsErrorToHz(zeroHz, error), taps: 1 },
  })
  if (readBy === 'ear')
    return [...pass.ear].map(([lug, word]) => place(lug, EAR_CENTS[word].cents, EAR_CENTS[word].error))
  const dials = [...pass.dials.values()]
  const mean = dials.reduce((sum, dial) => sum + dial, 0) / dials.length
  return [...pass.dials].map(([lug, dial]) => {
    const { cents, error } = dialCents(dial, mean, advice?.plan.gaugeLaw ?? null)
    return place(lug, cents, error)
  })
}

/** What the strip shows, from the view. */
function rimInput(view: BenchView, width: number, height: number, onTheWay: ReadonlySet<string>): RimInput {
  const { drum, advice, kept, aim, request } = view
  const pass = view.sitting?.passes.at(-1)
  const pitches = [...(pass?.readings.values() ?? [])].map(({ hz }) => hz)
  const meanRead = pitches.length ? pitches.reduce((sum, hz) => sum + hz, 0) / pitches.length : 150
  const zeroHz = advice?.plan.targetHz ?? ('hz' in aim ? aim.hz : (kept?.meanHz ?? meanRead))
  const readings = marksOf(view, zeroHz, onTheWay)
  const targetHz =
    'profileHz' in request.target
      ? request.target.profileHz
      : aim.kind === 'sheet' && kept
        ? targetLugHz(kept, drum.lugs)
        : new Array<number>(drum.lugs).fill(zeroHz)
  const after =
    advice && advice.plan.reason === null
      ? advice.forecast && view.steps.length === 0
        ? advice.forecast
        : advice.plan
      : null
  return {
    width,
    height,
    lugs: drum.lugs,
    zeroHz,
    targetHz,
    toleranceCents: advice?.plan.toleranceCents ?? kept?.toleranceCents ?? 8,
    readings,
    expected: after
      ? after.predictedHz.map((hz, i) => ({ hz, errorCents: after.predictedErrorCents[i] }))
      : [],
    // By the gauge alone the wave is drawn once its law makes pitches of it.
    fit:
      advice &&
      advice.plan.reason !== 'readings-disagree' &&
      (readings.length >= 3 ||
        (view.readBy === 'gauge' && advice.plan.gaugeLaw && (pass?.dials.size ?? 0) >= 3))
        ? advice.fit.harmonics
        : null,
  }
}

/** Two spreads further apart than this are both shown, by name. */
const WORTH_SAYING_CENTS = 3

function lugLabel(lug: number, reading: RimReading | undefined, pass: Pass | undefined): string {
  const taps = reading ? `${reading.taps} ${reading.taps === 1 ? 'tap' : 'taps'}` : ''
  const dial = pass?.dials.get(lug)
  const word = pass?.ear.get(lug)?.replace('-', ' ')
  const said = [
    reading ? `${hzText(reading.hz)} Hz, ${taps}` : '',
    dial === undefined ? '' : `dial ${dial}`,
    word ? `${word} than lug ${pass!.earReference}`.replace('alike than', 'alike with') : '',
    reading?.leftOut ? 'left out' : '',
  ].filter(Boolean)
  return `Lug ${lug}, ${said.join(', ') || 'not tapped'}. Read it now`
}

/** The head's edge on tape: readings, fit, target band and forecast; a button a lug to read it again. */
export function RimStrip({ view }: { view: BenchView }) {
  const session = useSession()
  const { settings, bench, onTheWay } = useSelect(({ settings, bench, onTheWay }) => ({
    ...{ settings, bench, onTheWay },
  }))
  const [ref, width] = useWidth<HTMLDivElement>(700)
  const phone = width < 560
  const height = phone ? 190 : 390
  const input = rimInput(view, width, height, onTheWay)
  const model = rimModel(input)
  const { plan } = view.advice ?? {}
  const byLug = new Map(input.readings.map((reading) => [reading.lug, reading]))
  const last = bench.lastTap?.used ? byLug.get(bench.lastTap.lug) : undefined
  const newest = view.sitting?.passes.at(-1)
  const dials = newest?.dials ?? new Map<number, number>()
  const pitched = (newest?.readings.size ?? 0) > 0
  const ear = view.readBy === 'ear' && newest?.ear.size ? newest : null
  // The readings' own spread stands beside the state's where they differ.
  const asRead =
    plan?.readSpreadCents && Math.abs(plan.readSpreadCents - plan.spreadCents) > WORTH_SAYING_CENTS
      ? Math.round(plan.readSpreadCents)
      : null
  // Readings that cannot stand together have no head behind them: they stand there as they were taken.
  const disagree = plan?.reason === 'readings-disagree'
  const known = plan && input.readings.length > 0 && plan.reason !== 'need-readings'
  return (
    <section aria-label="Rim strip" className="min-w-0 px-2 pb-2 md:px-6 md:pt-5">
      <p className="mb-2 hidden min-h-8 flex-wrap items-baseline gap-x-6 px-7 md:flex">
        {known ? (
          <>
            {disagree ? null : (
              <span className="text-xl font-bold">
                spread {Math.round(plan.spreadCents)} c{' '}
                <span className="text-base font-normal text-soft">
                  ± {Math.max(1, Math.round(plan.spreadErrorCents))}
                </span>
              </span>
            )}
            {asRead ? <span className="text-soft">as read {asRead} c</span> : null}
            {disagree ? null : plan.knownBy === 'pitch' || plan.knownBy === 'whole' ? (
              <span className="text-xl font-bold">{offText(centsBetween(plan.targetHz, plan.meanHz))}</span>
            ) : (
              <span className="text-xl font-bold">pitch not read</span>
            )}
          </>
        ) : null}
        <span className="text-soft">
          cents from {hzText(input.zeroHz)} Hz, {noteText(input.zeroHz, settings.a4Hz)}
        </span>
      </p>
      <Tape seed={41} teeth={30} className="px-1 pt-1 pb-2 md:pb-3">
        <div ref={ref}>
          <RimChart
            model={model}
            width={width}
            height={height}
            label={rimText(input)}
            lug={view.phase === 'read' ? view.lug : null}
          />
          <div className="relative" style={{ height: phone ? 46 : 74 }}>
            {model.lugX.map((x, i) => {
              const reading = byLug.get(i + 1)
              const focused = view.phase === 'read' && view.lug === i + 1
              return (
                <button
                  key={i}
                  type="button"
                  aria-label={lugLabel(i + 1, pitched ? reading : undefined, newest)}
                  aria-current={focused ? 'step' : undefined}
                  onClick={() => session && readAgain(session, i + 1)}
                  className="absolute top-0 flex h-full -translate-x-1/2 flex-col items-center pt-1"
                  style={{ left: x, width: Math.max(24, (model.right - model.left) / model.lugX.length) }}
                >
                  <span
                    className={clsx(
                      'text-lg leading-tight font-bold',
                      focused && 'text-act underline decoration-[3px] underline-offset-4',
                    )}
                  >
                    {i + 1}
                  </span>
                  {phone ? null : !pitched && (ear || dials.size > 0) ? (
                    <span className="text-center text-[15px] leading-tight">
                      {ear
                        ? (ear.ear.get(i + 1)?.replace('-', ' ') ??
                          (ear.earReference === i + 1 ? 'reference' : ''))
                        : dials.has(i + 1)
                          ? `dial ${dials.get(i + 1)}`
                          : ''}
                    </span>
                  ) : reading ? (
                    <>
                      <span className="text-[15px] leading-tight">{hzText(reading.hz)}</span>
                      <span className="text-sm leading-tight text-soft">
                        {centsText(centsBetween(input.targetHz[i], reading.hz))}
                        {reading.taps > 1 ? ` ×${reading.taps}` : ''}
                      </span>
                    </>
                  ) : null}
                </button>
              )
            })}
          </div>
        </div>
      </Tape>
      <div className="mt-2 hidden flex-wrap gap-x-6 px-7 text-[15px] text-soft md:flex">
        <span>● read</span>
        {input.expected.length ? <span className="text-act">◇ expected after this pass</span> : null}
        <span className="text-good">▬ good enough here: spread {Math.round(input.toleranceCents)} c</span>
        <span aria-live="polite" className="ml-auto text-ink">
          {last
            ? `lug ${last.lug}: ${hzText(last.hz)} Hz ± ${Math.max(0.01, last.errorHz).toFixed(2)}, ${noteText(last.hz, settings.a4Hz)}`
            : ''}
        </span>
      </div>
    </section>
  )
}
