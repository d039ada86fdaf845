import { isTom } from '../kit/kinds'
import type { DrumRange, RangeMark } from '../kit/range'
import { isOwn } from '../spacing/known'
import type { PlanDrum, PlanRequest, Scheme } from '../spacing/types'
import { parseKey, parsePitch } from '../units/pitch'
import type { Drum } from '../records/kit'
import { drumStatus, type DrumPair } from '../status/drum'
import type { Here } from '../status/inputs'
import { marksOf, rangeOf } from '../status/range'
import type { KitState } from '../log/fold'
import type { Settings } from '../records/settings'

/** What the log says of every drum, as planning takes it. */
export interface KnownKit {
  drums: Array<{ drum: Drum; pair: DrumPair; range: DrumRange; marks: readonly RangeMark[] }>
}

export function knownKit(here: Here): KnownKit {
  const { kit, practice } = here
  return {
    drums: kit.drums.map((drum) => {
      const { pair } = drumStatus(here, drum)
      const range = rangeOf(kit, drum, practice, pair.turnLaw.batter)
      return { drum, pair, range, marks: marksOf(kit, drum, practice) }
    }),
  }
}

/** What of the choices could not be read: which field, for a sentence beside it. */
export type ChoiceTrouble = 'root' | 'avoid' | 'key'

/** The request that the choices mean for this kit, with what of them is no pitch left out and named. */
export function planRequestOf(
  kit: KitState,
  known: KnownKit,
  { spacing, a4Hz, noteNames, keys }: Pick<Settings, 'spacing' | 'a4Hz' | 'noteNames' | 'keys'>,
): { request: PlanRequest; unread: PlanDrum[]; trouble: ChoiceTrouble[] } {
  const all = known.drums.filter(({ drum }) => !spacing.leftOut.includes(drum.id)).map(planDrumOf)
  // A kick or snare that nobody read or set stands nowhere: no tom makes room for it, and no sheet holds it.
  const toms = all.some(({ kind }) => isTom(kind))
  const unread = all.filter((drum) => toms && !isOwn(drum, spacing))
  const drums = all.filter((drum) => !unread.includes(drum))
  const here = new Set(drums.map(({ id }) => id))
  const rootHz = spacing.rootText.trim() ? parsePitch(spacing.rootText, a4Hz, noteNames) : undefined
  const avoid = spacing.avoidText
    .split(/[,;]|\s+(?=[\p{L}\d])(?!hz)/iu)
    .filter((part) => part.trim())
    .map((part) => parsePitch(part, a4Hz, noteNames))
  const favourHz = spacing.keyText.trim() ? parseKey(spacing.keyText, a4Hz, noteNames) : undefined
  const trouble: ChoiceTrouble[] = [
    ...(rootHz === null ? (['root'] as const) : []),
    ...(avoid.includes(null) ? (['avoid'] as const) : []),
    ...(favourHz === null ? (['key'] as const) : []),
  ]
  const pinned = Object.fromEntries(Object.entries(spacing.pinned).filter(([id]) => here.has(id)))
  const fixed = spacing.fixed.filter((id) => here.has(id) && nowOf(known, id) !== null)
  const request: PlanRequest = {
    ...{ drums, scheme: schemeOf(kit, spacing), a4Hz, keys, fixed, pinned },
    move: spacing.move.filter((id) => here.has(id) && !fixed.includes(id)),
    ...relationOf(known, spacing),
    ...(rootHz ? { rootHz } : {}),
    avoidHz: avoid.filter((hz) => hz !== null),
    ...(favourHz ? { favourHz } : {}),
    ...(spacing.anchor === 'none' ? {} : { anchor: spacing.anchor }),
    leastWork: spacing.leastWork,
  }
  return { request, unread, trouble }
}

function schemeOf(kit: KitState, { scheme, equalCents, stepsName }: Settings['spacing']): Scheme {
  if (scheme === 'equal') return { kind: scheme, cents: equalCents }
  if (scheme !== 'steps') return { kind: scheme }
  const cents = stepsName === null ? undefined : kit.schemes.get(stepsName)
  return cents ? { kind: 'steps', cents } : { kind: 'free' }
}

function relationOf(
  known: KnownKit,
  { relationCents, relations }: Settings['spacing'],
): Pick<PlanRequest, 'headRelation'> {
  if (Object.keys(relations).length === 0)
    return relationCents === null ? {} : { headRelation: { resonantAboveCents: relationCents } }
  const toms = known.drums.filter(({ drum }) => drum.kind === 'tom' || drum.kind === 'floor-tom')
  const all = relationCents === null ? [] : toms.map(({ drum }) => [drum.id, relationCents] as const)
  return { headRelation: { byDrum: { ...Object.fromEntries(all), ...relations } } }
}

const nowOf = ({ drums }: KnownKit, id: string) => {
  const own = drums.find(({ drum }) => drum.id === id)
  return own ? nowPair(own.drum, own.pair) : null
}

/** Both heads as last read; a drum of one head stands for both with it. */
function nowPair(drum: Drum, { batterHz, resonantHz }: DrumPair) {
  if (batterHz === null) return null
  if (drum.oneHeaded) return { batterHz, resonantHz: batterHz }
  return resonantHz === null ? null : { batterHz, resonantHz }
}

/** A drum as planning and judging take it. */
export function planDrumOf({ drum, pair, range }: KnownKit['drums'][number]): PlanDrum {
  const { turnLaw } = pair
  const ceiling = drum.batter.ceilingHz
  const within = (hz: number) => Math.min(hz, ceiling ?? Infinity)
  return {
    ...{ id: drum.id, name: drum.name, kind: drum.kind, diameterInches: drum.diameterInches },
    ...{ depthInches: drum.depthInches, lugs: drum.lugs, threadPitchMm: drum.threadPitchMm },
    ...{ batterMils: drum.batter.pliesMils, resonantMils: drum.resonant.pliesMils },
    ...(drum.portInches === undefined ? {} : { portInches: drum.portInches }),
    ...(drum.oneHeaded ? { oneHeaded: true } : {}),
    ...{
      lowestHz: within(range.lowestHz),
      favouriteHz: within(range.favouriteHz),
      highestHz: within(range.highestHz),
    },
    ...(ceiling === null ? {} : { ceilingHz: ceiling }),
    ...(drum.resonant.ceilingHz === null ? {} : { resonantCeilingHz: drum.resonant.ceilingHz }),
    now: nowPair(drum, pair),
    turnLaw,
  }
}

/** Steps between neighbouring toms as they stand, smallest drum first; null where one was not read. */
export function stepsNow({ drums }: KnownKit): number[] | null {
  const toms = drums
    .filter(({ drum }) => drum.kind === 'tom' || drum.kind === 'floor-tom')
    .sort((a, b) => a.drum.diameterInches - b.drum.diameterInches)
  const steps = toms.slice(1).map(({ pair }, i) => {
    const upper = toms[i].pair.batterHz
    return upper !== null && pair.batterHz !== null
      ? Math.round(1200 * Math.log2(upper / pair.batterHz))
      : null
  })
  return steps.length === 0 || steps.some((step) => step === null || step < 0) ? null : (steps as number[])
}
