import type { HeadStatus } from '@/core/status/head'
import { statusText } from './status'
import { allRodsText, shortRelationText } from './relation'
import { format } from 'date-fns'
import type { DrumJob } from '@/core/status/line'
import { stopLabel, type StepId, type Stop } from '@/core/status/steps'
import type { Side } from '@/core/records/kit'
import { filmText } from './heads'
import { ringsText } from './strokes'

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
  even: (job, side) => evenState(job, job.heads[side]),
  heads: ({ aboveCents, drum, paired, aims }) => {
    if (drum.oneHeaded) return { says: 'one head' }
    if (aboveCents === null) return { says: 'not read' }
    const aimed = aims.batter ?? aims.resonant
    const says = shortRelationText(aboveCents)
    return aimed ? { says, open: 'aimed' } : { says, done: paired }
  },
  ring: ({ ringSeconds, layers, centreHz }) => {
    const bare = layers === null ? '' : layers.length ? `, ${layers.length} on` : ', bare'
    if (ringSeconds !== null) return { says: `${ringsText(ringSeconds)}${bare}`, done: true }
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

function evenState({ next, aims }: DrumJob, head: HeadStatus): StepState {
  const says = statusText(head)
  const [open, aim] = [next[head.side], aims[head.side]]
  if (open?.what === 'press') return { says, open: 'press' }
  if (aim?.turns && open?.what !== 'read') return { says, open: allRodsText(aim.turns) }
  return open ? { says, open: open.what } : { says, done: head.verdict === 'even' }
}

/** What the line names next, as the button says it: "Next: the resonant, up 1/8", "Next: keep". */
export function nextText(job: DrumJob, stop: Stop): string {
  if (stop.step !== 'even') return `Next: ${stopLabel(stop)}`
  const [aim, next] = [job.aims[stop.side], job.next[stop.side]]
  const what = aim?.turns ? `, ${allRodsText(aim.turns)}` : next?.what === 'read' ? ', read it' : ''
  return job.drum.oneHeaded ? `Next: the head${what}` : `Next: the ${stop.side}${what}`
}

/** A drum's head that comes next, of the run or of the kit. */
export const nextHeadText = (drum: string, side: Side | null) => `Next: ${drum}${side ? `, ${side}` : ''}`
