/** Intervals by name, in tempered cents; the one list for what is read, written and shown. */
export interface Interval {
  cents: number
  /** As in "a minor third above". */
  name: string
  /** Where room is short. */
  short: string
}

export const INTERVALS: readonly Interval[] = [
  { cents: 0, name: 'alike', short: 'alike' },
  { cents: 100, name: 'half step', short: 'half step' },
  { cents: 200, name: 'whole step', short: 'whole step' },
  { cents: 300, name: 'minor third', short: 'min. third' },
  { cents: 400, name: 'major third', short: 'maj. third' },
  { cents: 500, name: 'fourth', short: 'fourth' },
  { cents: 600, name: 'tritone', short: 'tritone' },
  { cents: 700, name: 'fifth', short: 'fifth' },
  { cents: 800, name: 'minor sixth', short: 'min. sixth' },
  { cents: 900, name: 'major sixth', short: 'maj. sixth' },
  { cents: 1000, name: 'minor seventh', short: 'min. seventh' },
  { cents: 1100, name: 'major seventh', short: 'maj. seventh' },
]
export const OCTAVE_CENTS = 1200

/** The nearest named interval of a distance, whole octaves apart, and the cents that are left over. */
export function nearestInterval(cents: number): { octaves: number; interval: Interval; off: number } {
  const steps = Math.round(Math.abs(cents) / 100)
  const octaves = Math.floor(steps / 12)
  return { octaves, interval: INTERVALS[steps % 12], off: Math.abs(cents) - 100 * steps }
}

/** "fourth −12 c", "octave + fifth": an interval without its direction. */
export function intervalText(cents: number, form: 'name' | 'short' = 'short'): string {
  const { octaves, interval, off } = nearestInterval(cents)
  const octave = octaves === 0 ? '' : octaves === 1 ? 'octave' : `${octaves} octaves`
  const base = octave ? (interval.cents === 0 ? octave : `${octave} + ${interval[form]}`) : interval[form]
  const rest = Math.round(off)
  return rest === 0 ? base : `${base} ${rest > 0 ? '+' : '−'}${Math.abs(rest)} c`
}

const WORDS: ReadonlyArray<[RegExp, number]> = [
  [/^(alike|same|unison|equal|even)$/, 0],
  [/^(half[ -]?(step|tone)|semitone|min(or|\.)? second)$/, 100],
  [/^(whole[ -]?(step|tone)|tone|maj(or|\.)? second)$/, 200],
  [/^(min(or|\.)?|small) third$/, 300],
  [/^((maj(or|\.)?|large) )?third$/, 400],
  [/^(perfect )?fourth$/, 500],
  [/^tritone$/, 600],
  [/^(perfect )?fifth$/, 700],
  [/^min(or|\.)? sixth$/, 800],
  [/^(maj(or|\.)? )?sixth$/, 900],
  [/^(min(or|\.)? )?seventh$/, 1000],
  [/^maj(or|\.)? seventh$/, 1100],
  [/^octave$/, OCTAVE_CENTS],
]

/**
 * A relation as people write it: "fourth", "a minor third below", "octave", "alike", "-300", "498 c", "fourth -12 c".
 * @returns cents, negative for below; null for what is none within two octaves
 */
export function parseInterval(text: string): number | null {
  let rest = text.trim().toLowerCase().replace(/−/g, '-').replace(/,/g, '.')
  const plain = /^([+-]?\d+(?:\.\d+)?)\s*(?:c|cents?)?\s*(above|up|below|down|lower|higher)?$/.exec(rest)
  if (plain) {
    const way = /^(below|down|lower)$/.test(plain[2] ?? '') ? -1 : 1
    return within(way * Number(plain[1]))
  }
  const below = /\b(below|down|lower)\b/.test(rest)
  rest = rest.replace(/\b(above|below|up|down|higher|lower|an?|the)\b/g, ' ')
  const more = /([+-])\s*(\d+(?:\.\d+)?)\s*(?:c|cents?)?\s*$/.exec(rest)
  const off = more ? Number(`${more[1]}${more[2]}`) : 0
  const name = rest.slice(0, more?.index).replace(/\s+/g, ' ').trim()
  const found = WORDS.find(([word]) => word.test(name))
  return found ? within((below ? -1 : 1) * (found[1] + off)) : null
}

const MOST_CENTS = 2 * OCTAVE_CENTS
const within = (cents: number) => (Math.abs(cents) <= MOST_CENTS ? cents : null)
