import { play } from '@/audio/playback'
import { pairModel } from '@/core/bench/pairing'
import type { SpacingChoices } from '@/core/records/settings'
import { levelsMatched, renderRinging } from '@/core/sound/ringing'
import type { PlanAnswer, PlannedDrum, PlanRequest } from '@/core/spacing/types'
import type { Planning } from '../selectors'
import type { Session } from '../session'
import { kitEdit } from './edits'

export function askPlan(session: Session, request: PlanRequest): Promise<PlanAnswer> {
  return session.deps.adviser().plan(request)
}

export function choose(session: Session, change: Partial<SpacingChoices>): void {
  session.setSettings({ spacing: { ...session.get().settings.spacing, ...change } })
}

/** The drum's batter is to read just this; null gives it back to the search. */
export function pin(session: Session, drum: string, hz: number | null): void {
  const others = Object.entries(session.get().settings.spacing.pinned).filter(([id]) => id !== drum)
  choose(session, { pinned: Object.fromEntries(hz === null ? others : [...others, [drum, hz]]) })
}

/** Whether a drum is none of the plan. */
export function leaveOut(session: Session, drum: string, out: boolean): void {
  const others = session.get().settings.spacing.leftOut.filter((id) => id !== drum)
  choose(session, { leftOut: out ? [...others, drum] : others })
}

/** Steps under a name, smallest drum first, chosen at once. */
export function keepScheme(session: Session, name: string, cents: readonly number[]): void {
  const clean = name.trim().slice(0, 40)
  if (!clean || cents.length === 0) return
  session.together(`the steps ${clean}`, () => {
    session.append([kitEdit({ what: 'schemeKept', name: clean, cents: [...cents] })])
    choose(session, { scheme: 'steps', stepsName: clean })
  })
}

const RATE_HZ = 24_000
const HIT_SECONDS = 1.6
/** A fill around the kit, and hits one by one. */
const STEP_SECONDS = { fill: 0.19, single: 0.85 }

/** Plays a plan before a rod was touched: a fill from the smallest tom down to the kick, or drum by drum. */
export function hearPlan(
  { known }: Pick<Planning, 'known'>,
  placed: readonly PlannedDrum[],
  how: keyof typeof STEP_SECONDS,
): void {
  const order = [...known.drums].sort(
    (a, b) => place(a.drum.kind) - place(b.drum.kind) || a.drum.diameterInches - b.drum.diameterInches,
  )
  const hits = order.flatMap(({ drum, pair }) => {
    const at = placed.find(({ id }) => id === drum.id)
    if (!at) return []
    const { tones, glideCents } = pairModel(pair).sound(at)
    const hit = renderRinging(tones, { rateHz: RATE_HZ, seconds: HIT_SECONDS, glideCents })
    // In a fill every drum speaks twice.
    return how === 'fill' ? [hit, hit] : [hit]
  })
  const step = Math.round(STEP_SECONDS[how] * RATE_HZ)
  const out = new Float32Array(hits.length * step + Math.round(HIT_SECONDS * RATE_HZ))
  hits.forEach((hit, i) => hit.forEach((x, k) => (out[i * step + k] += x)))
  const [{ samples }] = levelsMatched([{ samples: out, rateHz: RATE_HZ }])
  play(samples, RATE_HZ)
}

/** Snare first, then toms by size, the kick last. */
const place = (kind: string) => (kind === 'snare' ? 0 : kind === 'kick' ? 2 : 1)
