import { parseNumber } from '@/core/units/number'
import type { DrumKind } from '@/core/kit/kinds'
import { usualDrum } from '@/core/records/usualDrum'
import type { Drum } from '@/core/records/kit'

/** Words for kinds; two words first. */
const KINDS: ReadonlyArray<[RegExp, DrumKind]> = [
  [/floor[ -]?toms?|floors?/y, 'floor-tom'],
  [/(bass|kick)([ -]?drums?)?|kicks/y, 'kick'],
  [/(side[ -]?)?snares?([ -]?drums?)?/y, 'snare'],
  [/(rack|hanging|mounted)[ -]?toms?|racks?|toms?/y, 'tom'],
]
const NUMBER = String.raw`\d+(?:[.,]\d+)?(?:[ -]?[½¼¾]|[ -]\d/\d(?!\d))?`
const UNIT = String.raw`\s*(?:"|”|″|''|in(?:ch(?:es)?)?\b|(?<metric>[cm]m)\b)?`
const SIZE = new RegExp(
  `(${NUMBER})${UNIT.replace('metric', 'unit')}(?:\\s*(?:[x×*]|by)\\s*(${NUMBER})${UNIT.replace('metric', 'unitDeep')})?`,
  'y',
)
const FRACTIONS: Record<string, number> = { '½': 0.5, '¼': 0.25, '¾': 0.75 }
const CM_PER_INCH = 2.54
/** What is said of the drum beside it: so many lugs, a port or none. */
const LUGS = /(\d{1,2})[ -]?(?:lugs?|rods?)\b/y
const PORT = /(?<none>no |without (?:an? )?|un)?(?:with )?(?:an? )?port(?:ed|s|hole)?\b/y
const MOST_LUGS = 24
const FEWEST_LUGS = 4
const SKIPPED = /and|an?|the|drums?|with|my|plus|[\s.&+"”″]+/y
const BREAK = /[,;/\n]/y
/** From this on a tom without a word stands on the floor, and a drum is a kick. */
const FLOOR_INCHES = 14
const KICK_INCHES = 18
const SIZES = { least: 5, most: 40, depthLeast: 2 }

export interface SaidDrum {
  kind: DrumKind
  diameterInches: number
  /** Null where it was not said. */
  depthInches: number | null
  lugs: number | null
  /** With a port or without one; null where it was not said. */
  port: boolean | null
}

/** Where in the text something stands: from this letter up to before that one. */
export interface Said {
  from: number
  to: number
}

export interface SaidSizes {
  /** Kick first, then by size. */
  drums: SaidDrum[]
  /** The words that were understood, sizes and kinds side by side as one. */
  understood: Said[]
  /** What is no size and no drum, in order; all else is read. */
  notUnderstood: Said[]
  /** The first of them, null where there is none. */
  wrong: string | null
}

type Token = Said &
  (
    | { what: 'kind'; kind: DrumKind }
    | { what: 'size'; across: number; deep: number | null }
    | { what: 'lugs'; lugs: number }
    | { what: 'port'; port: boolean }
    | { what: 'break' }
  )

/**
 * Sizes as people say them, in any order: "22x16 kick, floor tom 16, 12 and 10 racks, 14x5.5 snare", "kick 22, toms 10 12". Of
 * two numbers the larger is the diameter. Within a part between commas a word takes all its sizes, before or after it; sizes
 * without a word follow those that were said in the plural, else their size decides.
 */
export function parseSizes(text: string): SaidSizes {
  const { tokens, notUnderstood } = tokensOf(text.toLowerCase())
  const drums = drumsOf(tokens)
  return {
    drums,
    understood: merged(
      tokens.filter(({ what }) => what !== 'break'),
      text,
    ),
    notUnderstood,
    wrong: notUnderstood[0] ? text.slice(notUnderstood[0].from, notUnderstood[0].to) : null,
  }
}

/** Words with nothing but blanks between them are one. */
function merged(tokens: readonly Said[], text: string): Said[] {
  return tokens.reduce<Said[]>((list, { from, to }) => {
    const last = list.at(-1)
    if (last && !text.slice(last.to, from).trim()) last.to = to
    else list.push({ from, to })
    return list
  }, [])
}

function drumsOf(tokens: readonly Token[]): SaidDrum[] {
  const parts: Token[][] = [[]]
  for (const token of tokens) {
    if (token.what === 'break') parts.push([])
    else parts.at(-1)!.push(token)
  }
  const drums: PlacedDrum[] = []
  /** Toms go on over a comma: "toms 10, 12". */
  let open: DrumKind | null = null
  /** Sizes that wait for a word behind: "12, 10 racks". */
  let waiting: PlacedDrum[] = []
  for (const part of parts) {
    const first = part.find(({ what }) => what === 'kind' || what === 'size')?.what
    // "with port", "10 lugs" between commas is said of the drum before.
    if (!first) continue
    let kind: DrumKind | null = open
    const own: PlacedDrum[] = []
    const named = part.some(({ what }) => what === 'kind')
    let pending: Array<Extract<Token, { what: 'size' }>> = []
    for (const token of part) {
      if (token.what === 'size' && (first === 'kind' || !named)) own.push(drumOf(token, kind))
      else if (token.what === 'size') pending.push(token)
      else if (token.what === 'kind') {
        kind = token.kind
        // The word stands behind its sizes.
        if (first === 'size') {
          own.push(...pending.map((size) => drumOf(size, token.kind)))
          if (token.kind === 'tom' && waiting.length)
            for (const each of waiting) if (isTomSize(each.diameterInches)) each.kind = 'tom'
          pending = []
        }
      }
    }
    own.push(...pending.map((size) => drumOf(size, null)))
    if (named) open = first === 'kind' && (kind === 'tom' || kind === 'floor-tom') ? kind : null
    waiting = named || open ? [] : [...waiting, ...own]
    drums.push(...own)
  }
  for (const token of tokens)
    if (token.what === 'lugs' || token.what === 'port') {
      const drum = drums.findLast(({ at }) => at < token.from) ?? drums[0]
      if (drum && token.what === 'lugs') drum.lugs = token.lugs
      if (drum && token.what === 'port') drum.port = token.port
    }
  const order: DrumKind[] = ['kick', 'floor-tom', 'tom', 'snare']
  drums.sort((a, b) => order.indexOf(a.kind) - order.indexOf(b.kind) || b.diameterInches - a.diameterInches)
  return drums.map(({ at: _, ...drum }) => drum)
}

/** Where its size stands in the text: what is said of it stands behind that. */
type PlacedDrum = SaidDrum & { at: number }

const isTomSize = (inches: number) => inches < KICK_INCHES

function drumOf(
  { across, deep, from }: { across: number; deep: number | null; from: number },
  said: DrumKind | null,
): PlacedDrum {
  const kind = said ?? (across >= KICK_INCHES ? 'kick' : across >= FLOOR_INCHES ? 'floor-tom' : 'tom')
  // A tom of more than 14 inches stands on the floor, whatever it is called.
  return {
    kind: kind === 'tom' && across > FLOOR_INCHES ? 'floor-tom' : kind,
    diameterInches: across,
    depthInches: deep,
    ...{ lugs: null, port: null, at: from },
  }
}

function tokensOf(text: string): { tokens: Token[]; notUnderstood: Said[] } {
  const tokens: Token[] = []
  const notUnderstood: Said[] = []
  const match = (pattern: RegExp, at: number) => {
    pattern.lastIndex = at
    return pattern.exec(text)
  }
  for (let from = 0; from < text.length;) {
    const end = (found: RegExpExecArray) => from + found[0].length
    const kind = KINDS.map(([word, kind]) => ({ kind, found: match(word, from) })).find(({ found }) => found)
    const lugs = kind ? null : match(LUGS, from)
    const port = kind || lugs ? null : match(PORT, from)
    const size = kind || lugs || port ? null : match(SIZE, from)
    const skipped = kind || lugs || port || size ? null : (match(BREAK, from) ?? match(SKIPPED, from))
    const word = /[^\s,;]+/y
    let to = end(kind?.found ?? lugs ?? port ?? size ?? skipped ?? match(word, from)!)
    if (kind) tokens.push({ what: 'kind', kind: kind.kind, from, to })
    else if (lugs && isLugs(Number(lugs[1]))) tokens.push({ what: 'lugs', lugs: Number(lugs[1]), from, to })
    else if (port) tokens.push({ what: 'port', port: port.groups!.none === undefined, from, to })
    else if (size) {
      const token = sizeOf(size)
      to = from + size[0].trimEnd().length
      if (token) tokens.push({ ...token, from, to })
      else notUnderstood.push({ from, to })
    } else if (!skipped) notUnderstood.push({ from, to })
    else if (match(BREAK, from)) tokens.push({ what: 'break', from, to })
    from = to
  }
  return { tokens, notUnderstood }
}

const isLugs = (count: number) => count >= FEWEST_LUGS && count <= MOST_LUGS

/** The size that was matched; null for one that no drum has. */
function sizeOf(found: RegExpExecArray): { what: 'size'; across: number; deep: number | null } | null {
  const { unit, unitDeep } = found.groups!
  // "36x13 cm": the unit at the end is that of both.
  const one = inchesOf(found[1], unit ?? unitDeep)
  const two = found[3] ? inchesOf(found[3], unitDeep ?? unit) : null
  const across = Math.max(one, two ?? 0)
  const deep = two === null ? null : Math.min(one, two)
  const good = across >= SIZES.least && across <= SIZES.most && (deep === null || deep >= SIZES.depthLeast)
  return good ? { what: 'size', across, deep } : null
}

/** "5.5", "5,5", "5½", "5 1/2"; centimetres and millimetres to the nearest half inch, which is how drums are made. */
function inchesOf(text: string, unit: string | undefined): number {
  const [, whole, glyph, over, under] = /^([\d.,]+)(?:[ -]?([½¼¾])|[ -](\d)\/(\d))?$/.exec(text)!
  const value =
    parseNumber(whole)! + (glyph ? FRACTIONS[glyph] : 0) + (over ? Number(over) / Number(under) : 0)
  if (!unit) return value
  return Math.round((2 * value) / (unit === 'cm' ? CM_PER_INCH : 10 * CM_PER_INCH)) / 2
}

/** A port that was only named: the usual hole (common practice, no source). */
const USUAL_PORT_INCHES = 5

/** The drum that was said, with everything that was not as usual for its size. */
export function saidDrum({ kind, diameterInches, depthInches, lugs, port }: SaidDrum, id: string): Drum {
  return {
    ...usualDrum(kind, diameterInches, id),
    ...(depthInches === null ? {} : { depthInches }),
    ...(lugs === null ? {} : { lugs }),
    ...(port ? { portInches: USUAL_PORT_INCHES } : {}),
  }
}
