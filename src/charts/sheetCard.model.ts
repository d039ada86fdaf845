import { handText } from '@/text/hand'
import type { Drum } from '@/core/records/kit'
import type { SheetDrum } from '@/core/records/sheet'
import { centsBetween } from '@/core/units/pitch'
import { headsText } from './rail.model'
import { fixed, noteOf } from '@/text/shown'

/** A sheet as one page for a case lid, black on white: the same drawing is printed, saved as SVG and as PNG. */
export interface CardInput {
  name: string
  kit: string
  date: string
  notes: string
  drums: Array<{ drum: Drum; says: SheetDrum; layers: string }>
  a4Hz: number
}

export interface CardRow {
  y: number
  height: number
  name: string
  size: string
  batter: CardHead | null
  resonant: CardHead | null
  /** Relation, centre, muffling, wires, heads: a line each, as many as there is room for. */
  lines: string[]
  /** Many drums: the small lines under name and pitches are left out. */
  tight: boolean
}

export interface CardHead {
  hz: string
  note: string
}

export interface CardModel {
  width: number
  height: number
  title: string
  under: string
  notes: string[]
  /** Where the table begins. */
  top: number
  rows: CardRow[]
}

/** In the proportions of what A4 and Letter have in common, in px of 1/96 inch within margins of 12 mm. */
const CARD = { width: 690, height: 920 }
const HEAD = 66
const NOTE_LINE = 20
const NOTE_CHARS = 86
const MOST_NOTES = 3
const COLUMN_HEADS = 30
const ROW = { most: 118, tight: 46 }
/** A line of small letters. */
const LINE = 13

export function cardModel({ name, kit, date, notes, drums, a4Hz }: CardInput): CardModel {
  const lines = wrapped(notes, NOTE_CHARS, MOST_NOTES)
  const top = HEAD + lines.length * NOTE_LINE + COLUMN_HEADS
  const height = Math.min(ROW.most, (CARD.height - top - 8) / Math.max(1, drums.length))
  return {
    ...{ width: CARD.width, height: CARD.height, title: name, top, notes: lines },
    under: `${kit}, ${date}`,
    rows: drums.map(({ drum, says, layers }, i): CardRow => {
      const head = (side: 'batter' | 'resonant'): CardHead | null => {
        const target = says[side]
        if (!target) return null
        const note = noteOf(target.meanHz, a4Hz)
        const off = Math.round(note.cents)
        const uneven = target.offsetTurns ? ', uneven' : ''
        return {
          hz: fixed(target.meanHz, 1),
          note: `${note.name}${off ? ` ${off > 0 ? '+' : '−'}${Math.abs(off)}` : ''}${uneven}`,
        }
      }
      const above =
        says.batter && says.resonant ? centsBetween(says.batter.meanHz, says.resonant.meanHz) : null
      return {
        ...{ y: top + i * height, height, name: drum.name },
        size: `${drum.diameterInches} × ${drum.depthInches} in, ${drum.lugs} rods`,
        ...{ batter: head('batter'), resonant: head('resonant') },
        lines: [
          ...(above === null ? [] : [`heads: ${headsText(above)}`]),
          ...(says.centreHz === null ? [] : [`centre ${fixed(says.centreHz, 1)} Hz`]),
          layers,
          ...(['batter', 'resonant'] as const).flatMap((side) => {
            const offsets = says[side]?.offsetTurns
            return offsets ? [`${side} rods ${offsets.map(offsetText).join(' ')}`] : []
          }),
          ...(['batter', 'resonant'] as const).flatMap((side) => {
            const hand = says.hand?.[side]
            return hand ? [`${side} ${handText(hand)}`] : []
          }),
          ...(says.wires ? [`wires ${says.wires.knob} ${says.wires.unit}`] : []),
          `${says.heads.batter.pliesMils.join('+')} over ${says.heads.resonant.pliesMils.join('+')} mil`,
        ].slice(0, Math.max(1, Math.floor((height - 4) / LINE))),
        tight: height < ROW.tight,
      }
    }),
  }
}

/** Turns away from an even pull, in sixteenths: "+8/16", "0", "−18/16". */
function offsetText(turns: number): string {
  const sixteenths = Math.round(turns * 16)
  return sixteenths === 0 ? '0' : `${sixteenths > 0 ? '+' : '−'}${Math.abs(sixteenths)}/16`
}

/** Words in lines of so many letters; what does not fit ends in an ellipsis. */
function wrapped(text: string, chars: number, most: number): string[] {
  const lines: string[] = []
  let line = ''
  for (const word of text.split(/\s+/).filter(Boolean)) {
    if (line && line.length + 1 + word.length > chars) {
      lines.push(line)
      line = word
    } else line = line ? `${line} ${word}` : word
  }
  if (line) lines.push(line)
  return lines.length <= most
    ? lines
    : [...lines.slice(0, most - 1), `${lines[most - 1].slice(0, chars - 1)}…`]
}
