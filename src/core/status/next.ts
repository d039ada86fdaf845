import { FINDINGS, type FindingId } from '../fitting/lookOver'
import type { NotedFinding } from '../log/findings'
import { openRun } from '../log/runs'
import { snareHeadAge } from '../pair/snare'
import { wantsWork, worklist } from './worklist'
import type { Here } from './inputs'
import { judged } from '../evening/verdict'
import { requestAsFound } from './inputs'
import { needOf, type DrumInKit, type KitHead } from './kit'
import { turnLawOf, turnsBetween } from '../membrane/turnLaw'
import { sidesOf } from '../records/plain'
import type { Drum, Side } from '../records/kit'
import { centsBetween } from '../units/pitch'
import type { HeadStatus } from './head'
import type { DrumJob } from './line'
import { hasStep, lineOf, sameStop, type StepId, type Stop } from './steps'
import { isOffPitch } from './targets'

/** What a head wants next: to be read, turned or pressed. */
export interface HeadNext {
  what: 'read' | 'turn' | 'press'
  drum: string
  side: Side
}

/** The one decider for a head; null where nothing is left to do on it. */
export function nextOfHead(head: HeadStatus): HeadNext | null {
  const { drum, side, sitting, pitch, verdict, disagree } = head
  const next = (what: HeadNext['what']) => ({ what, drum: drum.id, side })
  // What a turn made is believed, and never ordered again: it is pressed home and read.
  if (pitch.known === 'expected') return next(sitting && !sitting.pressedAfter ? 'press' : 'read')
  if (disagree) return next('read')
  if (verdict === 'off' || verdict === 'uneven') return next('turn')
  // Where only evenness is wanted, a dial or an ear that says so is enough.
  const byHand = verdict === 'even-pitch-unknown' && (head.targetHz === null || head.asHand === true)
  return verdict === 'even' || byHand ? null : next('read')
}

/** A head that was only to be even, behind turns of its sitting: where it ended, from where it began, and all rods back. */
export interface SinceStart {
  hz: number
  cents: number
  turns: number
}

export function sinceStart(head: HeadStatus): SinceStart | null {
  const { aim, sitting, pitch, drum, side, learned } = head
  if (aim.kind !== 'level' || !sitting || pitch.hz === null) return null
  const turned = sitting.passes.some(({ turns }) => turns?.some((turn) => turn !== 0))
  const found = turned ? requestAsFound(head, Date.parse(sitting.startedAt)) : null
  const fromHz = found && judged(found.request).meanHz
  if (!fromHz) return null
  const law = turnLawOf(drum, side, learned?.hz2PerTurn)
  return { hz: pitch.hz, cents: centsBetween(fromHz, pitch.hz), turns: turnsBetween(pitch.hz, fromHz, law) }
}

/** The other head of two that were both aimed at a pitch, while it is not there: the thread that is kept until both are. */
export interface OpenAim {
  side: Side
  aimHz: number
  /** Null while it is not known. */
  standsHz: number | null
  /** Turns of every rod from where it stands; null where that is not known. */
  turns: number | null
}

export function openAim(own: HeadStatus, other: HeadStatus): OpenAim | null {
  const { drum, side, aim, pitch, offCents, toleranceCents } = other
  if (own.aim.kind !== 'hz' || aim.kind !== 'hz' || drum.oneHeaded) return null
  if (offCents !== null && !isOffPitch(offCents, toleranceCents)) return null
  const law = turnLawOf(drum, side, other.learned?.hz2PerTurn)
  const turns = pitch.hz === null ? null : turnsBetween(pitch.hz, aim.hz, law)
  return { side, aimHz: aim.hz, standsHz: pitch.hz, turns }
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

const wantsEven = ({ next, aims }: DrumJob, side: Side) => next[side] !== null || aims[side] !== null

/** Whether a stop of the line still has something open. */
export function isOpen(job: DrumJob, { step, side }: Stop): boolean {
  switch (step) {
    case 'look':
      return job.looked.count > 0 && job.looked.count < job.looked.of
    case 'even':
      return wantsEven(job, side)
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
    if (job.heads[at.side].pitch.hz === null) return { step: 'fit', side: at.side }
  }
  if (at.step === 'look' || at.step === 'fit') {
    if (wantsEven(job, at.side)) return { step: 'even', side: at.side }
  }
  if (at.step === 'even' && !job.drum.oneHeaded && job.aims[other]) return { step: 'even', side: other }
  // Both heads to their aims, the resonant one first.
  if (at.step === 'heads' || at.step === 'snare' || at.step === 'kick') {
    const aimed = (['resonant', 'batter'] as const).find(
      (side) => hasHead(job.drum, side) && wantsEven(job, side),
    )
    if (aimed) return { step: 'even', side: aimed }
  }
  const here = line.findIndex((stop) => sameStop(stop, at))
  const uneven = line.find((stop) => stop.step === 'even' && !sameStop(stop, at) && isOpen(job, stop))
  const after = line.slice(here + 1).find((stop) => stop.step !== 'even' && isOpen(job, stop))
  return uneven ?? after ?? null
}

const hasHead = (drum: Drum, side: Side) => sidesOf(drum).includes(side)

/** The next best thing to do with a kit, and why. */
export type KitNext =
  | { what: 'run' }
  | { what: 'look'; drum: Drum; side: Side; finding: NotedFinding }
  | { what: 'turn' | 'read' | 'press'; drum: Drum; side: Side; why: KitHead; minutes: number | null }
  | { what: 'age'; drum: Drum; months: number }
  | { what: 'keep' }
  | { what: 'plan' }
  | null

/**
 * What to do next with a kit: a run that is under way goes first, then what is to be put right before turning, then the head most in
 * need, by the sheet where there is one; then heads never read, an old snare side, keeping what was reached, planning.
 */
export function nextOfKit(here: Here, drums: readonly DrumInKit[], keys: 1 | 2): KitNext {
  const { kit } = here
  if (openRun(kit.runs)) return { what: 'run' }
  const found = drums.flatMap(({ drum, findings }) => findings.map((finding) => ({ drum, finding })))
  const first = found.find(({ finding }) => FINDINGS[finding.finding].goOn !== 'yes')
  if (first) return { what: 'look', ...first, side: first.finding.side }
  const sheet = kit.sheets.find(({ id }) => id === kit.sheet)
  const list = sheet ? worklist({ ...here, sheet, keys }) : []
  const inNeed = list.filter(wantsWork).sort((a, b) => b.worth - a.worth)[0]
  const workOn = (drum: DrumInKit, side: Side, minutes: number | null): KitNext => {
    const why = drum.heads[side]
    return {
      what: why.moved ? 'read' : (nextOfHead(why)?.what ?? 'read'),
      drum: drum.drum,
      side,
      why,
      minutes,
    }
  }
  const own = inNeed && drums.find(({ drum }) => drum.id === inNeed.drum.id)
  if (own) return workOn(own, inNeed.side, inNeed.minutes)
  const uneven = drums.find(({ worst }) => worst && worst.moved === null && needOf(worst) > 0)
  if (uneven) return workOn(uneven, uneven.worst!.side, null)
  for (const drum of drums) {
    const open = sidesOf(drum.drum).find((side) => nextOfHead(drum.heads[side]))
    if (open) return workOn(drum, open, null)
  }
  for (const { drum } of drums) {
    const { months, age } = snareHeadAge(drum.resonant.fittedOn, here.nowMs)
    if (drum.kind === 'snare' && age === 'due') return { what: 'age', drum, months: Math.round(months!) }
  }
  if (drums.length === 0) return null
  return sheet ? { what: 'plan' } : { what: 'keep' }
}
