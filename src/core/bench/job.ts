import { openAim, type OpenAim } from './openAim'
import { AREA_IDS, AREAS, type FindingId } from '../fitting/lookOver'
import { drumLog, type KitState } from '../log/fold'
import { lookedAt, openFindings, openSearch, type NotedFinding } from '../log/findings'
import type { LayerId } from '../pair/layers'
import { sidesOf } from '../records/plain'
import type { Drum, Side } from '../records/kit'
import { centsBetween } from '../units/pitch'
import { benchHead, lastKnown } from './standing'
import { hasStep, lineOf, sameStop, type StepId, type Stop } from './steps'
import { ringsBy, strokesOf, wiresOf } from './strokes'
import { aimOf, fittedSpreadCents, isOffPitch, isOut, sheetTarget, toleranceOf } from './targets'

/** One head as the line of the job knows it. */
export interface HeadJob {
  side: Side
  /** As last read; null where it never was. */
  meanHz: number | null
  spreadCents: number | null
  /** From what it is aimed at, positive when high; null where either is missing. */
  offCents: number | null
  /** Out of what it is aimed at: uneven, or off its pitch. */
  out: boolean
  /** Begun from slack, or turned and not read since: under way. */
  under: boolean
  /** Turned, and not pressed since. */
  press: boolean
  /** The other head's aim was made together with this one's, and this head is not there. */
  aim: OpenAim | null
}

/** How far a drum's job has come, from the log alone: what its line shows, and what is named next. */
export interface DrumJob {
  drum: Drum
  findings: readonly NotedFinding[]
  /** Parts looked at, of so many, and when the last was. */
  looked: { count: number; of: number; at: string | null }
  fitted: Record<Side, string | null>
  heads: Record<Side, HeadJob>
  /** Cents of the resonant head above the batter; null while one was never read. */
  aboveCents: number | null
  /** Both heads have an aim of their own, a pitch or the sheet's. */
  paired: boolean
  centreHz: number | null
  /** Ring of the newest stroke since a head was last moved. */
  ringSeconds: number | null
  layers: readonly LayerId[] | null
  wires: { knob: number; unit: 'clicks' | 'turns' } | null
  /** Part of the held ring that the best place on the stand keeps; null while one of both is missing. */
  standKeeps: number | null
  struckHung: boolean
  /** The sheet that the kit is held against has both heads where they stand. */
  kept: 'no-sheet' | 'not-kept' | 'as-kept' | 'differs'
  searching: boolean
}

export function drumJob(kit: KitState, drum: Drum, side: Side, practice: boolean, nowMs: number): DrumJob {
  const findings = openFindings(kit, drum.id, practice)
  const areas = AREA_IDS.filter((id) => drum.kind === 'snare' || !AREAS[id].snareOnly)
  const seen = lookedAt(kit, drum.id, side, practice)
  const heads = {
    batter: headJob(kit, drum, 'batter', practice, nowMs),
    resonant: headJob(kit, drum, 'resonant', practice, nowMs),
  }
  const [b, r] = [heads.batter.meanHz, drum.oneHeaded ? null : heads.resonant.meanHz]
  const log = drumLog(kit, drum.id, practice)
  const strokes = strokesOf(kit, drum, practice)
  const last = log.movedSince ? undefined : strokes.at(-1)
  // Bare strokes only: a pad would be taken for the stand.
  const rings = ringsBy(strokes, ({ hung, layers }) =>
    hung === undefined || layers.length > 0 ? null : (hung ?? ''),
  )
  const held = rings.find(({ name }) => name === '')?.ring
  const hung = rings.filter(({ name }) => name !== '').map(({ ring }) => ring)
  const wires = wiresOf(kit, drum, practice)
  return {
    ...{ drum, findings, heads },
    looked: {
      ...{ count: seen.size, of: areas.length },
      at: [...seen.values()].sort().at(-1) ?? null,
    },
    fitted: {
      batter: fittedDay(kit, drum, 'batter', practice, nowMs),
      resonant: fittedDay(kit, drum, 'resonant', practice, nowMs),
    },
    aboveCents: b !== null && r !== null ? centsBetween(b, r) : null,
    paired: sidesOf(drum).every((each) => aimOf(kit, drum.id, each).kind !== 'level'),
    centreHz: last?.hz ?? null,
    ringSeconds: last?.decaySeconds ?? null,
    layers: log.layers,
    wires: wires && { knob: wires.knob, unit: wires.unit },
    standKeeps: held !== undefined && hung.length > 0 ? Math.max(...hung) / held : null,
    struckHung: hung.length > 0,
    kept: keptAs(kit, drum, heads),
    searching: openSearch(kit, drum.id, side, practice) !== null,
  }
}

function fittedDay(kit: KitState, drum: Drum, side: Side, practice: boolean, nowMs: number): string | null {
  const { fittedAt } = benchHead(kit, drum, side, practice, nowMs)
  const { fittedOn } = drum[side]
  return fittedAt ?? (fittedOn ? `${fittedOn}T12:00:00.000Z` : null)
}

function headJob(kit: KitState, drum: Drum, side: Side, practice: boolean, nowMs: number): HeadJob {
  const head = benchHead(kit, drum, side, practice, nowMs)
  const fit = lastKnown(head)
  const pass = head.sitting?.passes.at(-1)
  const aim = aimOf(kit, drum.id, side)
  const target = aim.kind === 'sheet' ? sheetTarget(kit, drum.id, side) : null
  const aimHz = 'hz' in aim ? aim.hz : (target?.meanHz ?? null)
  const meanHz = fit?.meanHz ?? null
  const spread = fit ? fittedSpreadCents(fit, drum.lugs) : null
  const tolerance = target?.toleranceCents ?? toleranceOf(drum, side, meanHz ?? aimHz ?? 150)
  const offCents = meanHz !== null && aimHz !== null ? centsBetween(aimHz, meanHz) : null
  const meant = target?.keepUneven || target?.offsetTurns || aim.kind === 'offsets' || aim.kind === 'bed'
  const other = side === 'batter' ? 'resonant' : 'batter'
  return {
    ...{ side, meanHz, spreadCents: spread, offCents },
    out:
      (offCents !== null && isOffPitch(offCents, tolerance)) ||
      (!meant && spread !== null && isOut(spread, tolerance)),
    under: Boolean(head.sitting && (head.sitting.slack || pass?.turns) && pass?.readings.size === 0),
    press: Boolean(pass?.turns && !head.sitting?.pressedAfter),
    aim: openAim(kit, drum, other, practice, nowMs),
  }
}

/** A sheet speaks of a head as it stands when it is within this of what was kept. */
const AS_KEPT_CENTS = 3

export const asKept = (keptHz: number | undefined, hz: number): boolean =>
  keptHz !== undefined && Math.abs(centsBetween(keptHz, hz)) <= AS_KEPT_CENTS

function keptAs(kit: KitState, drum: Drum, heads: DrumJob['heads']): DrumJob['kept'] {
  const sheet = kit.sheets.find(({ id }) => id === kit.sheet)
  if (!sheet) return 'no-sheet'
  const says = sheet.versions.at(-1)?.drums.get(drum.id)
  const sides = sidesOf(drum).filter((side) => says?.[side])
  if (!says || sides.length === 0) return 'not-kept'
  const off = sides.some((side) => {
    const { meanHz } = heads[side]
    return meanHz !== null && !asKept(says[side]!.meanHz, meanHz)
  })
  const missing = sidesOf(drum).some((side) => !says[side] && heads[side].meanHz !== null)
  return off || missing ? 'differs' : 'as-kept'
}

/** Findings that a step of the line mends; others are a workshop's, or a rod to be left alone. */
const MENDED_AT: Partial<Record<FindingId, StepId>> = {
  worn: 'fit',
  'long-uneven': 'fit',
  'mount-dead': 'stand',
  'wires-bent': 'snare',
  'wires-cord': 'snare',
  muffled: 'ring',
}

const wantsEven = ({ meanHz, out, under, press, aim }: HeadJob) =>
  meanHz === null || out || under || press || aim !== null

/** Whether a stop of the line still has something open. */
export function isOpen(job: DrumJob, { step, side }: Stop): boolean {
  switch (step) {
    case 'look':
      return job.looked.count > 0 && job.looked.count < job.looked.of
    case 'even':
      return wantsEven(job.heads[side])
    case 'heads':
      return !job.drum.oneHeaded && !job.paired
    case 'ring':
      return job.ringSeconds === null
    case 'snare':
      return job.wires === null
    case 'stand':
      return job.standKeeps === null
    case 'keep':
      return job.kept !== 'as-kept'
    default:
      return false
  }
}

/**
 * What comes after a stop: behind looking over, where what was found is mended; behind that and fitting the head itself; the other
 * head of an aim of two; then what stands open in the order of work, evening that was left behind before anything is kept. Null when nothing is.
 */
export function nextStop(job: DrumJob, at: Stop): Stop | null {
  const line = lineOf(job.drum, at.side)
  const other: Side = at.side === 'batter' ? 'resonant' : 'batter'
  if (at.step === 'look') {
    const mends = job.findings.map(({ finding }) => MENDED_AT[finding]).find((step) => step !== undefined)
    if (mends && hasStep(job.drum, mends)) return { step: mends, side: at.side }
    if (job.heads[at.side].meanHz === null) return { step: 'fit', side: at.side }
  }
  if (at.step === 'look' || at.step === 'fit') {
    if (wantsEven(job.heads[at.side])) return { step: 'even', side: at.side }
  }
  if (at.step === 'even' && !job.drum.oneHeaded && job.heads[other].aim) return { step: 'even', side: other }
  // Both heads to their aims, the resonant one first.
  if (at.step === 'heads' || at.step === 'snare' || at.step === 'kick') {
    const aimed = (['resonant', 'batter'] as const).find(
      (side) => hasHead(job.drum, side) && wantsEven(job.heads[side]),
    )
    if (aimed) return { step: 'even', side: aimed }
  }
  const here = line.findIndex((stop) => sameStop(stop, at))
  const uneven = line.find((stop) => stop.step === 'even' && !sameStop(stop, at) && isOpen(job, stop))
  const after = line.slice(here + 1).find((stop) => stop.step !== 'even' && isOpen(job, stop))
  return uneven ?? after ?? null
}

const hasHead = (drum: Drum, side: Side) => sidesOf(drum).includes(side)
