import { DAY_MS } from '@/core/units/time'
import { drumLog } from '@/core/log/fold'
import { targetMeanHz } from '@/core/evening/types'
import { climb, type Climb } from '@/core/fitting/climb'
import type { QuestionId } from '@/core/fitting/questions'
import type { FindingId } from '@/core/fitting/lookOver'
import { slackBelief } from '@/core/head/belief'
import { explainPair } from '@/core/head/pairCause'
import type { Sitting } from '@/core/log/sittings'
import { drumStatus } from '@/core/status/drum'
import { layersOn, ringsBy, strokesOf } from '@/core/status/strokes'
import { USUAL_PARTS } from '@/core/pair/model'
import { foretellRing, learnRing } from '@/core/pair/ring'
import { evenHeadOf } from '@/core/status/targets'
import { secondAnswerPrior, turnLawPrior } from '@/core/membrane/turnLaw'
import { centsBetween } from '@/core/units/pitch'
import type { BenchView } from './benchView'

/** The whole way up as it would be from finger-tight, to the target or, where none is set, back to where the head stands. */
export function climbFromSlack(view: BenchView, largestStepTurns: number): Climb | null {
  const { drum, side, request, head } = view
  const targetHz = targetMeanHz(request.target) ?? head.pitch.hz
  if (!targetHz) return null
  return climb({
    belief: slackBelief(evenHeadOf(drum, side, null), head.learned ?? undefined, 'fingers'),
    targetHz,
    largestStepTurns,
    turnedSinceReading: 0,
    anyReading: false,
  })
}

/** Pulls above slack, in turns of an even pull, outside of which a drum of the size is very low or very high. */
const RANGE_TURNS = { low: 0.42, high: 1.6 }
/** An answer of the second pattern below these parts of the usual is little, or none. */
const ANSWERS = { little: 0.6, not: 0.25 }
/** A turn law below this part of what it was, or of the usual, has dropped. */
const LAW_DROPPED = 0.75
const FELL_CENTS = 7
const PRESS_CENTS = { little: 3, much: 12 }

/** What findings that stand open already answer. */
const FOUND: Partial<Record<FindingId, [QuestionId, string]>> = {
  worn: ['head-off', 'bowl'],
  'hoop-oval': ['head-off', 'gap'],
  'edge-light': ['head-off', 'light'],
  stripped: ['threads', 'worn'],
  dirty: ['threads', 'dirty'],
  'backs-off': ['feel', 'near'],
  'mount-dead': ['held', 'mounted'],
  muffled: ['muffling', 'much'],
  rattle: ['rattle', 'part'],
  'wires-bent': ['noise', 'hiss'],
}

/** Answers that the head's log and readings give by themselves, for the search for a fault. */
export function evidenceOf(view: BenchView, nowMs: number): Map<QuestionId, string> {
  const { head, drum, side, advice, sitting, settling, request } = view
  const found = new Map<QuestionId, string>()
  const passes = sitting?.passes ?? []
  const turned = passes.filter((pass) => pass.turns?.some((turn) => turn !== 0)).length
  const all = (passes.at(-1)?.readings.size ?? 0) >= drum.lugs
  if (advice && all) {
    const { plan } = advice
    const usualLaw = turnLawPrior(drum.diameterInches, drum.threadPitchMm, drum[side].pliesMils).mean
    const up = plan.meanHz ** 2 / usualLaw
    const even = plan.spreadCents <= 2 * plan.toleranceCents
    found.set(
      'reading',
      !even ? 'uneven' : up < RANGE_TURNS.low ? 'below' : up > RANGE_TURNS.high ? 'above' : 'even',
    )
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
  const round = request.rounds.at(-1)
  const pair = round?.otherHead === 'free' ? explainPair(request.head, round) : null
  if (pair && pair.cause !== 'either') found.set('other', pair.cause === 'other-head' ? 'clears' : 'same')
  if (settling?.lastFellCents !== null && settling !== null) {
    const fell = settling.lastFellCents
    found.set('press', fell > PRESS_CENTS.much ? 'much' : fell > PRESS_CENTS.little ? 'little' : 'nothing')
  }
  const fitted = head.fittedAt ?? drum[side].fittedOn
  if (fitted) {
    const days = (nowMs - Date.parse(fitted)) / DAY_MS
    found.set('age', days < 7 ? 'days' : days < 365 ? 'months' : 'long')
  }
  for (const [question, answer] of heardAnswers(view)) found.set(question, answer)
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
function heardAnswers({ here, kit, drum, practice }: BenchView): Array<[QuestionId, string]> {
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
