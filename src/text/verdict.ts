import { relationText, allRodsText } from './relation'
import type { Move, Verdict } from '@/core/spacing/verdict'

type Names = ReadonlyMap<string, string>
const nameIn = (names: Names) => (id: string) => names.get(id) ?? id

/** A verdict on the kit as one sentence, with the drums, the tones and the pitch. */
export function verdictText(verdict: Verdict, names: Names): string {
  const name = nameIn(names)
  switch (verdict.what) {
    case 'close':
      return `${name(verdict.drum)} and ${name(verdict.next)} are too close: ${Math.round(verdict.cents)} c`
    case 'mixed':
      return `${name(verdict.drum)}’s heads are mixed with the others’: ${relationText(verdict.cents)}, the other toms ${relationText(verdict.usualCents)}`
    case 'answers': {
      const { tom, other, hz } = verdict.nearest
      const how = verdict.against === 'snare' ? 'will buzz along with' : 'will hum along with'
      return `${name(verdict.drum)} ${how} ${name(verdict.tom)}: its ${other} and the tom’s ${tom} are both near ${hz.toFixed(0)} Hz`
    }
  }
}

/** The same in two or three words, for the rail. */
export function verdictWords(verdict: Verdict): string {
  switch (verdict.what) {
    case 'close':
      return `too close, ${Math.round(verdict.cents)} c`
    case 'mixed':
      return 'heads mixed'
    case 'answers':
      return `${verdict.against === 'snare' ? 'buzzes' : 'hums'} along, ${verdict.nearest.hz.toFixed(0)} Hz`
  }
}

/** "Floor tom 15: batter down 1/8". */
export function moveText({ drum, head, turns, resonant }: Move, names: Names): string {
  const what = resonant
    ? `batter ${allRodsText(turns)}, resonant ${allRodsText(resonant.turns)}`
    : `${head} ${allRodsText(turns)}`
  return `${nameIn(names)(drum)}: ${what}`
}

const COUNTS = ['nothing', 'one', 'two', 'three', 'four', 'five']

/** What a move does, before it is made: "mends three; from 112 to 98 Hz". */
export function mendsText({ mends, fromHz, toHz }: Move): string {
  const count = COUNTS[mends.length] ?? String(mends.length)
  return `mends ${count}; from ${fromHz.toFixed(0)} to ${toHz.toFixed(0)} Hz, all rods crosswise, then press`
}
