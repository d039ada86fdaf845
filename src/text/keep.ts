import { shortRelationText } from './relation'
import { format } from 'date-fns'
import type { StepId } from '@/core/status/steps'
import type { Drum, Side, Target } from '@/core/records/kit'
import type { SheetDrum } from '@/core/records/sheet'
import { handText } from './hand'
import { hzText, noteText, offText } from './heads'
import { centsBetween } from '@/core/units/pitch'
import { layersText, ringsText } from './strokes'
import { fixed } from './shown'

/** What is not known of a drum that is to be kept, and the step that would tell. */
export interface Missing {
  says: string
  step: StepId
}

/** @param layersSaid whether anybody said what lies on the drum */
export function missingOf(drum: Drum, says: SheetDrum, layersSaid: boolean): Missing[] {
  const two = !drum.oneHeaded
  return [
    ...(says.batter || says.hand?.batter ? [] : [{ says: 'the batter was not read', step: 'even' as const }]),
    ...(two && !says.resonant && !says.hand?.resonant
      ? [{ says: 'the resonant head was not read', step: 'even' as const }]
      : []),
    ...(says.centreHz === null ? [{ says: 'the centre was not struck since', step: 'ring' as const }] : []),
    ...(says.centreHz !== null && says.ringSeconds === undefined
      ? [{ says: 'the last stroke gave no ring', step: 'ring' as const }]
      : []),
    ...(layersSaid ? [] : [{ says: 'nobody said what muffles it', step: 'ring' as const }]),
    ...(drum.kind === 'snare' && says.wires === null
      ? [{ says: 'the wires were not noted', step: 'snare' as const }]
      : []),
  ]
}

const EVENNESS_SAYS = {
  unread: 'evenness not read',
  dial: 'even by the dial',
  ear: 'even by ear',
  foretold: 'foretold, not read since',
}

/** A head's target as a line: "151.5 Hz ± 0.1, D♯3 −34, even to 4 c". */
export function targetText(target: Target, spreadCents: number, a4Hz: number): string {
  const error = Math.max(0.05, (target.meanHz * target.meanErrorCents) / 1731)
  const spread = `${spreadCents <= target.toleranceCents ? 'even to' : 'spread'} ${Math.round(spreadCents)} c`
  const how = target.offsetTurns
    ? 'uneven on purpose'
    : target.evenness
      ? EVENNESS_SAYS[target.evenness]
      : spread
  return `${hzText(target.meanHz)} Hz ± ${fixed(error, 2)}, ${noteText(target.meanHz, a4Hz)}, ${how}`
}

/** Every figure of a drum beside what the sheet has, and how they differ. */
export function keepRows(
  drum: Drum,
  says: SheetDrum,
  kept: SheetDrum | null,
): Array<[label: string, now: string, kept: string, differ: string]> {
  const hz = (value: number | null | undefined) =>
    value === null || value === undefined ? '–' : `${hzText(value)} Hz`
  const head = (of: SheetDrum | null, side: Side) => {
    const [pitch, hand] = [of?.[side], of?.hand?.[side]]
    return [pitch || !hand ? hz(pitch?.meanHz) : '', hand ? handText(hand) : ''].filter(Boolean).join('; ')
  }
  const apart = (from: number | null | undefined, to: number | null | undefined) =>
    !from || !to ? '' : offText(centsBetween(from, to))
  const knob = (wires: SheetDrum['wires']) => (wires ? `${wires.knob} ${wires.unit}` : '–')
  const seconds = (value: number | undefined) => (value === undefined ? '–' : ringsText(value))
  const relation = ({ batter, resonant }: SheetDrum) =>
    batter && resonant ? shortRelationText(centsBetween(batter.meanHz, resonant.meanHz)) : '–'
  return [
    ['batter', head(says, 'batter'), head(kept, 'batter'), apart(kept?.batter?.meanHz, says.batter?.meanHz)],
    ...(drum.oneHeaded
      ? []
      : ([
          [
            'resonant',
            head(says, 'resonant'),
            head(kept, 'resonant'),
            apart(kept?.resonant?.meanHz, says.resonant?.meanHz),
          ],
          ['resonant above', relation(says), kept ? relation(kept) : '–', ''],
        ] as Array<[string, string, string, string]>)),
    ['centre', hz(says.centreHz), hz(kept?.centreHz), apart(kept?.centreHz, says.centreHz)],
    ['ring', seconds(says.ringSeconds), seconds(kept?.ringSeconds), ''],
    ['muffling', layersText(says.layers), kept ? layersText(kept.layers) : '–', ''],
    ...(drum.kind === 'snare'
      ? ([['wires', knob(says.wires), kept ? knob(kept.wires) : '–', '']] as Array<
          [string, string, string, string]
        >)
      : []),
  ]
}

/** Heads read in a sitting before this one are not kept over what the sheet has, unless it is asked for. */
export const OLD_SAYS = 'What was read in an earlier sitting may have moved since: read it again, or tick it.'

/** When a head was read, where that was before this sitting: it may have moved since. */
export const readText = (at: string | null): string =>
  at === null ? 'never read' : `read ${format(new Date(at), 'd MMM')}`

/** What becomes of the sheet that the kit is held against. */
export function holdText(name: string, held: string | null): string {
  if (held === null) return `The kit is held against no sheet yet: from now on against ${name}.`
  return `The kit is held against ${held}. Hold it against ${name} from now on`
}
