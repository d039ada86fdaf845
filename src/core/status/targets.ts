import type { SnareBed } from '../evening/bed'
import { PITCH_PART } from '../evening/confidence'
import { defaultToleranceCents } from '../evening/tolerance'
import type { EvenTarget } from '../evening/types'
import { patternOverLugs, spreadCents } from '../head/harmonics'
import type { EvenHead } from '../head/types'
import type { Aim, Drum, HandTarget, Side, Target } from '../records/kit'
import { CENTS_PER_NEPER } from '../units/pitch'
import type { KitState } from '../log/fold'
import { headKey } from '../log/fold'

/** A drum's side as the estimate knows it; the other head's pitch where it is known. */
export function evenHeadOf(drum: Drum, side: Side, otherHz: number | null): EvenHead {
  const own = drum[side]
  const other = drum[side === 'batter' ? 'resonant' : 'batter']
  const bed = bedOf(drum, side)
  return {
    side,
    diameterInches: drum.diameterInches,
    depthInches: drum.depthInches,
    lugs: drum.lugs,
    hoop: own.hoop,
    threadPitchMm: drum.threadPitchMm,
    pliesMils: own.pliesMils,
    ...(bed ? { snareBed: bed } : {}),
    ...(own.ceilingHz === null ? {} : { ceilingHz: own.ceilingHz }),
    ...(otherHz === null ? {} : { other: { hz: otherHz, pliesMils: other.pliesMils } }),
  }
}

/** The sheet's target for a head; null where the chosen sheet says nothing of it. */
export function sheetTarget(kit: KitState, drum: string, side: Side): Target | null {
  const sheet = kit.sheets.find(({ id }) => id === kit.sheet)
  return sheet?.targets.get(headKey(drum, side))?.target ?? null
}

/** What the sheet finds a head again by beside pitch; null where it holds nothing of the kind. */
export function sheetHand(kit: KitState, drum: string, side: Side): HandTarget | null {
  const sheet = kit.sheets.find(({ id }) => id === kit.sheet)
  return sheet?.versions.at(-1)?.drums.get(drum)?.hand?.[side] ?? null
}

const SHEET: Aim = { kind: 'sheet' }
const LEVEL: Aim = { kind: 'level' }

/** What the head is to be brought to: the user's own aim, else the sheet's, else even where it stands. */
export function aimOf(kit: KitState, drum: string, side: Side): Aim {
  const aim = kit.aims.get(headKey(drum, side))
  if (aim && aim.kind !== 'sheet') return aim
  return sheetTarget(kit, drum, side) ? SHEET : LEVEL
}

/** A kept target as the solver's: even at its mean, or with the unevenness that belongs to it. */
export function solverTarget(target: Target, lugs: number): EvenTarget {
  if (target.offsetTurns?.length === lugs) return { hz: target.meanHz, offsetTurns: target.offsetTurns }
  return target.keepUneven ? { profileHz: targetLugHz(target, lugs) } : { hz: target.meanHz }
}

/** Lug pitches that a kept target means, lug 1 first. */
export function targetLugHz(target: Target, lugs: number): number[] {
  const mean = target.meanHz ** 2
  const wave = target.keepUneven || target.offsetTurns ? (2 * mean) / CENTS_PER_NEPER : 0
  const pattern = { mean, cosine: target.cosineCents * wave, sine: target.sineCents * wave }
  return patternOverLugs(pattern, lugs).map((hz2) => Math.sqrt(hz2))
}

/**
 * Lug pitches of a head on a snare bed: those beside the bed, at both ends of the wires, read `bedCents` lower than those
 * across; the wires run from lug 1 to the one opposite. Normal, and not to be evened out (common practice, no source).
 */
export function bedProfileHz(hz: number, bedCents: number, lugs: number): number[] {
  const mean = hz ** 2
  const pattern = { mean, cosine: (-bedCents * mean) / CENTS_PER_NEPER, sine: 0 }
  return patternOverLugs(pattern, lugs).map((hz2) => Math.sqrt(hz2))
}

/** The bed of a drum's snare side; null where there is none. */
function bedOf(drum: Drum, side: Side): SnareBed | null {
  const bed = side === 'resonant' ? drum.snareBed : undefined
  return bed && bed.lugs.length > 0 && bed.cents > 0 ? bed : null
}

/** Highest minus lowest lug pitch of a kept pattern, in cents. */
export function patternSpreadCents(
  { cosineCents, sineCents }: Pick<Target, 'cosineCents' | 'sineCents'>,
  lugs: number,
): number {
  const wave = 2 / CENTS_PER_NEPER
  const pattern = { mean: 1, cosine: cosineCents * wave, sine: sineCents * wave }
  return spreadCents(patternOverLugs(pattern, lugs).map((hz2) => Math.sqrt(hz2)))
}

/**
 * The fitted state as a target. Its unevenness is what the hand and the hoop left unless the user says that it was
 * meant: only then does it belong to the target (docs/decisions/kept-targets.md).
 */
export function targetFromFit(
  fit: Pick<
    Target,
    'meanHz' | 'meanErrorCents' | 'cosineCents' | 'sineCents' | 'waveErrorCents' | 'evenness'
  >,
  toleranceCents: number,
  keepUneven: boolean,
  offsetTurns: readonly number[] | null = null,
): Target {
  const { meanHz, meanErrorCents, cosineCents, sineCents, waveErrorCents, evenness } = fit
  return {
    ...{ meanHz, meanErrorCents, cosineCents, sineCents, waveErrorCents, keepUneven, toleranceCents },
    ...(evenness ? { evenness } : {}),
    ...(offsetTurns ? { offsetTurns: [...offsetTurns] } : {}),
  }
}

/** Tolerance of a head in cents: the drum's own where it was set, else by its kind and what a hand can do there. */
export function toleranceOf(drum: Drum, side: Side, hz: number): number {
  return drum.toleranceCents ?? defaultToleranceCents(evenHeadOf(drum, side, null), hz, drum.kind)
}

/**
 * A head counts as out beyond this part of its tolerance: the bench lets pass what lies within its own error of it, and what
 * it let pass is not to be called out elsewhere.
 */
export const OUT = 1.15

/** On pitch means in the band as it is drawn: half the tolerance each way (docs/decisions/on-pitch.md). */
export const isOffPitch = (cents: number, toleranceCents: number) => isOut(cents, PITCH_PART * toleranceCents)

export const isOut = (cents: number, toleranceCents: number) => Math.abs(cents) > OUT * toleranceCents
