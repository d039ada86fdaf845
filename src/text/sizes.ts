import { parseNumber } from '@/core/units/number'
import type { DrumKind } from '@/core/kit/kinds'

/** Words for kinds; two words first. */
const KINDS: ReadonlyArray<[RegExp, DrumKind]> = [
  [/floor[ -]?toms?|floors?/y, 'floor-tom'],
  [/(bass|kick)([ -]?drums?)?|kicks/y, 'kick'],
  [/(side[ -]?)?snares?([ -]?drums?)?/y, 'snare'],
  [/(rack|hanging|mounted)[ -]?toms?|racks?|toms?/y, 'tom'],
]
const SIZE =
  /(\d+(?:[.,]\d+)?)\s*(?:"|”|''|in(?:ch(?:es)?)?\b)?(?:\s*(?:[x×*]|by)\s*(\d+(?:[.,]\d+)?)\s*(?:"|”|''|in(?:ch(?:es)?)?\b)?)?/y
const SKIPPED = /and|an?|the|drums?|with|my|[\s.&+"”]+/y
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
}

type Token =
  { what: 'kind'; kind: DrumKind } | { what: 'size'; across: number; deep: number | null } | { what: 'break' }

/**
 * Sizes as people say them, in any order: "22x16 kick, floor tom 16, 12 and 10 racks, 14x5.5 snare", "kick 22, toms 10 12". Of
 * two numbers the larger is the diameter. Within a part between commas a word takes all its sizes, before or after it; sizes
 * without a word follow those that were said in the plural, else their size decides.
 * @returns the drums, kick first, and the first part that could not be read, null where all could
 */
export function parseSizes(text: string): { drums: SaidDrum[]; wrong: string | null } {
  const { tokens, wrong } = tokensOf(text.toLowerCase())
  const parts: Token[][] = [[]]
  for (const token of tokens) {
    if (token.what === 'break') parts.push([])
    else parts.at(-1)!.push(token)
  }
  const drums: SaidDrum[] = []
  /** Toms go on over a comma: "toms 10, 12". */
  let open: DrumKind | null = null
  /** Sizes that wait for a word behind: "12, 10 racks". */
  let waiting: SaidDrum[] = []
  for (const part of parts) {
    const first = part[0]?.what
    let kind: DrumKind | null = open
    const own: SaidDrum[] = []
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
  const order: DrumKind[] = ['kick', 'floor-tom', 'tom', 'snare']
  drums.sort((a, b) => order.indexOf(a.kind) - order.indexOf(b.kind) || b.diameterInches - a.diameterInches)
  return { drums, wrong }
}

const isTomSize = (inches: number) => inches < KICK_INCHES

function drumOf({ across, deep }: { across: number; deep: number | null }, said: DrumKind | null): SaidDrum {
  const kind = said ?? (across >= KICK_INCHES ? 'kick' : across >= FLOOR_INCHES ? 'floor-tom' : 'tom')
  // A tom of more than 14 inches stands on the floor, whatever it is called.
  return {
    kind: kind === 'tom' && across > FLOOR_INCHES ? 'floor-tom' : kind,
    diameterInches: across,
    depthInches: deep,
  }
}

function tokensOf(text: string): { tokens: Token[]; wrong: string | null } {
  const tokens: Token[] = []
  const match = (pattern: RegExp, at: number) => {
    pattern.lastIndex = at
    return pattern.exec(text)
  }
  for (let at = 0; at < text.length;) {
    const kind = KINDS.map(([word, kind]) => ({ kind, found: match(word, at) })).find(({ found }) => found)
    if (kind) {
      tokens.push({ what: 'kind', kind: kind.kind })
      at += kind.found![0].length
      continue
    }
    const size = match(SIZE, at)
    if (size) {
      const [one, two] = size.slice(1, 3).map((part) => (part ? parseNumber(part) : null))
      const across = Math.max(one!, two ?? 0)
      const deep = two === null ? null : Math.min(one!, two)
      if (across < SIZES.least || across > SIZES.most || (deep !== null && deep < SIZES.depthLeast))
        return { tokens, wrong: size[0].trim() }
      tokens.push({ what: 'size', across, deep })
      at += size[0].length
      continue
    }
    const skipped = match(BREAK, at) ?? match(SKIPPED, at)
    if (!skipped) return { tokens, wrong: /^\S+?(?=[\s,;]|$)/.exec(text.slice(at))![0] }
    if (match(BREAK, at)) tokens.push({ what: 'break' })
    at += skipped[0].length
  }
  return { tokens, wrong: null }
}
