import type { RimInput, RimReading } from '@/charts/rim.model'
import { targetLugHz } from '@/core/status/targets'
import { earWord } from '@/core/head/ear'
import { dialCents } from '@/core/head/gauge'
import { centsErrorToHz, shiftByCents } from '@/core/units/pitch'
import type { BenchView } from '@/session/benchView'

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
    return [...pass.ear].map(([lug, word]) => {
      const { cents, error } = earWord(word, pass.earThresholdCents)
      return place(lug, cents, error)
    })
  const dials = [...pass.dials.values()]
  const mean = dials.reduce((sum, dial) => sum + dial, 0) / dials.length
  return [...pass.dials].map(([lug, dial]) => {
    const { cents, error } = dialCents(dial, mean, advice?.plan.gaugeLaw ?? null)
    return place(lug, cents, error)
  })
}

/** What the strip shows, from the view. */
export function rimInput(
  view: BenchView,
  width: number,
  height: number,
  onTheWay: ReadonlySet<string>,
): RimInput {
  const { drum, advice, kept, aim, request, head } = view
  const pass = view.sitting?.passes.at(-1)
  const pitches = [...(pass?.readings.values() ?? [])].map(({ hz }) => hz)
  const meanRead = pitches.length ? pitches.reduce((sum, hz) => sum + hz, 0) / pitches.length : 150
  const aimedHz = 'hz' in aim ? aim.hz : (kept?.meanHz ?? meanRead)
  // On the way up from slack the plan is of where the head hangs: the scale is of where it goes.
  const zeroHz = view.phase === 'climb' ? aimedHz : (advice?.plan.targetHz ?? aimedHz)
  const readings = marksOf(view, zeroHz, onTheWay)
  const targetHz =
    'profileHz' in request.target
      ? request.target.profileHz
      : request.head.snareBed && advice && view.phase !== 'climb'
        ? advice.plan.wantedHz
        : aim.kind === 'sheet' && kept
          ? targetLugHz(kept, drum.lugs)
          : new Array<number>(drum.lugs).fill(zeroHz)
  const after =
    advice && advice.plan.reason === null && advice.plan.knownBy !== null && view.phase !== 'bed'
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
    expected:
      view.lastTurn && head.lugHz
        ? head.lugHz.map((hz) => ({ hz, errorCents: head.pitch.errorCents ?? 0 }))
        : after
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
