import { DAY_MS } from '../units/time'
import { drumLog } from '../log/fold'
import type { EvenAnswer } from '../evening/types'
import type { QuestionId } from '../fitting/questions'
import type { FindingId } from '../fitting/lookOver'
import { explainPair } from '../head/pairCause'
import type { Sitting } from '../log/sittings'
import type { Drum } from '../records/kit'
import { drumStatus } from '../status/drum'
import type { HeadStatus } from '../status/head'
import { requestOf, type Here } from '../status/inputs'
import { layersOn, ringsBy, strokesOf } from '../status/strokes'
import { USUAL_PARTS } from '../pair/model'
import { foretellRing, learnRing } from '../pair/ring'
import { secondAnswerPrior, turnLawPrior } from '../membrane/turnLaw'
import { centsBetween } from '../units/pitch'
import { settlingNow } from './climbing'

/** Pulls above slack, in turns of an even pull, outside of which a drum of the size is very low or very high. */
const RANGE_TURNS = { low: 0.42, high: 1.6 }
/** An answer of the second pattern below these parts of the usual is little, or none. */
const ANSWERS = { little: 0.6, not: 0.25 }
/** A turn law below this part of what it was, or of the usual, has dropped. */
const LAW_DROPPED = 0.75
/** A batter of one ply below this is a thin one. */
const THIN_MILS = 7.5
const FELL_CENTS = 7
const PRESS_CENTS = { little: 3, much: 12 }

/** What findings that stand open already answer. */
const FOUND: Partial<Record<FindingId, [QuestionId, string]>> = {
  worn: ['head-off', 'bowl'],
  'hoop-oval': ['head-off', 'gap'],
  'hoop-rocks': ['head-off', 'gap'],
  'edge-light': ['head-off', 'light'],
  stripped: ['threads', 'worn'],
  dirty: ['threads', 'dirty'],
  'backs-off': ['feel', 'near'],
  'mount-dead': ['held', 'mounted'],
  muffled: ['muffling', 'much'],
  rattle: ['rattle', 'part'],
  'wires-bent': ['noise', 'hiss'],
}

/** What the search for a fault is begun from: a head as every place shows it, and, where it is being evened, the newest plan. */
interface Known {
  here: Here
  head: HeadStatus
  plan: EvenAnswer | null
}

/**
 * Answers that are known before anything is asked: by findings that stand open, port, film and muffling, by what was read and struck
 * in this sitting or the last, and by what the plan found. Each may be wrong like any answer.
 */
export function evidenceOf({ here, head, plan }: Known): Map<QuestionId, string> {
  const { drum, side, sitting, pitch, evenness } = head
  const found = new Map<QuestionId, string>()
  const passes = sitting?.passes ?? []
  const turned = passes.filter((pass) => pass.turns?.some((turn) => turn !== 0)).length
  const all = (passes.at(-1)?.readings.size ?? 0) >= drum.lugs
  const usualLaw = turnLawPrior(drum.diameterInches, drum.threadPitchMm, drum[side].pliesMils).mean
  const byLugs = evenness.known === 'lugs' || (evenness.known === 'aged' && !head.asRead?.evenness)
  if (pitch.hz !== null && byLugs) {
    const up = pitch.hz ** 2 / usualLaw
    const even = evenness.spreadCents! <= 2 * head.toleranceCents
    found.set(
      'reading',
      !even ? 'uneven' : up < RANGE_TURNS.low ? 'below' : up > RANGE_TURNS.high ? 'above' : 'even',
    )
  }
  if (plan && all) {
    if (turned >= 1 && passes.length > 1) {
      const usual = secondAnswerPrior(drum[side].hoop, drum.lugs).mean
      const part = plan.learned.secondAnswer / usual
      found.set(
        'answer',
        plan.suspects.length || part < ANSWERS.not ? 'not' : part < ANSWERS.little ? 'little' : 'rises',
      )
    }
    const law = { mean: plan.learned.hz2PerTurn, error: plan.learned.hz2PerTurnError }
    // Only what turns have shown: the law as found is the guess itself.
    if (turned >= 2 && law.error < 0.15 * law.mean)
      found.set('law', law.mean < LAW_DROPPED * (head.learned?.hz2PerTurn ?? usualLaw) ? 'less' : 'usual')
    if (turned >= 2) found.set('evening', plan.reason === 'within-tolerance' ? 'even' : 'stays')
  }
  const since = sinceThen(head.before, sitting)
  if (since) found.set('since', since)
  const request = requestOf(head, head.otherHz, { open: false })
  const round = request.rounds.at(-1)
  const pair = round?.otherHead === 'free' ? explainPair(request.head, round) : null
  if (pair && pair.cause !== 'either') found.set('other', pair.cause === 'other-head' ? 'clears' : 'same')
  const settling = sitting && settlingNow(sitting)
  if (settling && settling.lastFellCents !== null) {
    const fell = settling.lastFellCents
    found.set('press', fell > PRESS_CENTS.much ? 'much' : fell > PRESS_CENTS.little ? 'little' : 'nothing')
  }
  const fitted = head.fittedAt ?? drum[side].fittedOn
  if (fitted) {
    const days = (here.nowMs - Date.parse(fitted)) / DAY_MS
    found.set('age', days < 7 ? 'days' : days < 365 ? 'months' : 'long')
  }
  const { pliesMils, build } = drum[side]
  const thin = side === 'batter' && pliesMils.length === 1 && pliesMils[0] < THIN_MILS
  found.set('film', build ? 'ring' : thin ? 'thin' : 'plain')
  if (drum.portInches !== undefined) found.set('front', 'same')
  for (const [question, answer] of heardAnswers(here, drum)) found.set(question, answer)
  for (const { finding } of head.findings) {
    const said = FOUND[finding]
    if (said) found.set(...said)
  }
  return found
}

/**
 * What the lugs read against last time: the last readings of the sitting before against the first of this one, before anything was
 * turned. Null while this sitting has too few to say.
 */
function sinceThen(before: Sitting | null, sitting: Sitting | null): string | null {
  if (!before) return 'never'
  const last = before.passes.findLast(({ readings, whole }) => readings.size > 0 || whole)
  const first = sitting?.passes[0]
  if (!last || !first || last.turns?.some((turn) => turn !== 0)) return null
  const fell = [...first.readings].flatMap(([lug, { hz }]) => {
    const then = last.readings.get(lug)?.hz ?? last.whole?.hz
    return then === undefined ? [] : [centsBetween(hz, then)]
  })
  if (fell.length < LEAST_LUGS) return null
  const [least, most] = [Math.min(...fell), Math.max(...fell)]
  if (most < FELL_CENTS) return 'same'
  return most - least > 2 * FELL_CENTS ? 'some' : 'all'
}
const LEAST_LUGS = 3

/** A ring this far from what sizes and the drum's own strokes foretell is long, or hardly any. */
const RINGS = { long: 1.7, short: 0.55 }
/** Mounted it rings less than this part of held. */
const MOUNT_PART = 0.6

/** What strokes on the centre and the muffling that was noted already answer. */
function heardAnswers(here: Here, drum: Drum): Array<[QuestionId, string]> {
  const { kit, practice } = here
  const found: Array<[QuestionId, string]> = []
  const strokes = strokesOf(kit, drum, practice)
  const layers = layersOn(kit, drum, practice)
  const noted = drumLog(kit, drum.id, practice).layers !== null
  if (noted) found.push(['muffling', layers.length === 0 ? 'nothing' : layers.length > 1 ? 'much' : 'little'])
  const bare = strokes.filter((stroke) => stroke.layers.length === 0 && stroke.decaySeconds !== null)
  const rings = ringsBy(bare, ({ hung }) => (hung === undefined ? null : hung === null ? 'held' : 'hung'))
  const ring = (name: string) => rings.find((each) => each.name === name)?.ring
  const [held, hung] = [ring('held'), ring('hung')]
  if (held !== undefined && hung !== undefined)
    found.push(['held', hung < MOUNT_PART * held ? 'mounted' : 'alike'])
  const newest = bare.at(-1)
  if (newest && newest.batterHz !== null) {
    const { pair } = drumStatus(here, drum)
    const usual = foretellRing(
      pair.drum,
      { batterHz: newest.batterHz, resonantHz: newest.resonantHz, layers: [], hung: null },
      learnRing(pair.drum, [], USUAL_PARTS),
      USUAL_PARTS,
    ).decaySeconds
    const part = newest.decaySeconds! / usual
    found.push(['rings', part > RINGS.long ? 'long' : part < RINGS.short ? 'short' : 'usual'])
  }
  return found
}
