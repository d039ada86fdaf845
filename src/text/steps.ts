import { allRodsText, shortRelationText } from './relation'
import { format } from 'date-fns'
import type { DrumJob, HeadJob } from '@/core/bench/job'
import { stopLabel, type StepId, type Stop } from '@/core/bench/steps'
import type { Side } from '@/core/records/kit'
import { filmText, offText } from './heads'
import { fixed } from './shown'

/** How a step stands, in a few words: what is so, and, where something is open, what. */
export interface StepState {
  says: string
  open?: string
  /** What stands open is to be put right, not only to be done. */
  caution?: boolean
  /** Nothing is left of it. */
  done?: boolean
}

const day = (at: string) => format(new Date(at), 'd MMM')

/** The line's words for every step of a drum. */
export function stepState(job: DrumJob, { step, side }: Stop): StepState {
  return STATES[step](job, side)
}

const STATES: Record<StepId, (job: DrumJob, side: Side) => StepState> = {
  look: ({ findings, looked }) => {
    const when = looked.at ? day(looked.at) : 'not looked at'
    if (findings.length)
      return {
        ...{ says: looked.at ? when : '', open: `${findings.length} open` },
        caution: true,
      }
    if (looked.count === 0) return { says: when }
    return looked.count < looked.of
      ? { says: when, open: `${looked.count} of ${looked.of}` }
      : { says: `well, ${when}`, done: true }
  },
  fit: ({ fitted, drum }, side) => {
    const plies = filmText(drum[side].pliesMils, drum[side].coating).split(',')[0]
    const at = fitted[side]
    return at ? { says: `${plies}, ${day(at)}`, done: true } : { says: plies }
  },
  even: ({ heads }, side) => evenState(heads[side]),
  heads: ({ aboveCents, drum, paired, heads }) => {
    if (drum.oneHeaded) return { says: 'one head' }
    if (aboveCents === null) return { says: 'not read' }
    const aimed = heads.batter.aim ?? heads.resonant.aim
    const says = shortRelationText(aboveCents)
    return aimed ? { says, open: 'aimed' } : { says, done: paired }
  },
  ring: ({ ringSeconds, layers, centreHz }) => {
    const bare = layers === null ? '' : layers.length ? `, ${layers.length} on` : ', bare'
    if (ringSeconds !== null) return { says: `${fixed(ringSeconds, 2)} s${bare}`, done: true }
    return { says: centreHz === null ? `not struck${bare}` : `${centreHz.toFixed(0)} Hz${bare}` }
  },
  snare: ({ wires }) =>
    wires ? { says: `wires ${wires.knob} ${wires.unit}`, done: true } : { says: 'wires not noted' },
  kick: ({ layers, drum }) => ({
    says: [
      drum.portInches ? `port ${drum.portInches} in` : 'no port',
      layers?.length ? `${layers.length} on` : '',
    ]
      .filter(Boolean)
      .join(', '),
  }),
  stand: ({ standKeeps, struckHung }) => {
    if (standKeeps === null) return { says: struckHung ? 'hung, not held' : 'not checked' }
    return { says: `keeps ${Math.min(100, Math.round(100 * standKeeps))}%`, done: true }
  },
  keep: ({ kept }) =>
    kept === 'as-kept'
      ? { says: 'as kept', done: true }
      : { says: kept === 'differs' ? 'differs from it' : 'not kept' },
  fault: ({ searching }) => ({ says: searching ? 'under way' : 'from complaint to cause' }),
  compare: () => ({ says: 'two states side by side' }),
  drastic: () => ({ says: 'learn what a head does' }),
  fast: () => ({ says: 'five minutes a drum' }),
}

function evenState({ meanHz, spreadCents, offCents, out, press, under, aim }: HeadJob): StepState {
  if (meanHz === null || spreadCents === null)
    return under ? { says: 'begun', open: 'go on' } : { says: 'not read' }
  const says =
    offCents !== null && Math.abs(Math.round(offCents)) > Math.round(spreadCents)
      ? offText(offCents)
      : out
        ? `${Math.round(spreadCents)} c`
        : `even, ${Math.round(spreadCents)} c`
  if (press) return { says, open: 'press' }
  if (aim?.turns) return { says, open: allRodsText(aim.turns) }
  if (under) return { says, open: 'read' }
  return out ? { says, open: 'turn' } : { says, done: true }
}

/** What the line names next, as the button says it: "Next: the resonant, up 1/8", "Next: keep". */
export function nextText(job: DrumJob, stop: Stop): string {
  if (stop.step !== 'even') return `Next: ${stopLabel(stop)}`
  const { aim, meanHz } = job.heads[stop.side]
  const what = aim?.turns ? `, ${allRodsText(aim.turns)}` : meanHz === null ? ', read it' : ''
  return job.drum.oneHeaded ? `Next: the head${what}` : `Next: the ${stop.side}${what}`
}

/** A drum's head that comes next, of the run or of the kit. */
export const nextHeadText = (drum: string, side: Side | null) => `Next: ${drum}${side ? `, ${side}` : ''}`
