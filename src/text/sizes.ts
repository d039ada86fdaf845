import type { Drum } from '@/core/records/kit'

const KINDS: ReadonlyArray<[RegExp, Drum['kind']]> = [
  [/^(kick|bass)/i, 'kick'],
  [/^snare/i, 'snare'],
  [/^floor/i, 'floor-tom'],
  [/^(rack|tom)/i, 'tom'],
]
/** From this on a tom without a word stands on the floor. */
const FLOOR_INCHES = 14

/**
 * Sizes as people say them: "kick 22, snare 14, toms 10 12, floor 16". A number takes the kind of the last word before it.
 * @returns the drums, kick first, and the first part that could not be read, null where all could
 */
export function parseSizes(text: string): {
  drums: Array<{ kind: Drum['kind']; diameterInches: number }>
  wrong: string | null
} {
  let kind: Drum['kind'] | null = null
  const drums: Array<{ kind: Drum['kind']; diameterInches: number }> = []
  for (const part of text.split(/[\s,;+/]+|(?<=\d)(?=["”x×])/).filter(Boolean)) {
    const named = KINDS.find(([word]) => word.test(part))
    const size = Number(part.replace(/["”]/g, ''))
    if (named) kind = named[1]
    else if (size >= 5 && size <= 40) {
      const own: Drum['kind'] = kind ?? (size >= 18 ? 'kick' : size >= FLOOR_INCHES ? 'floor-tom' : 'tom')
      drums.push({ kind: own === 'tom' && size > FLOOR_INCHES ? 'floor-tom' : own, diameterInches: size })
    } else if (!/^(and|a|the|drums?|toms?|inch(es)?|in|["”])$/i.test(part)) return { drums, wrong: part }
  }
  const order: Array<Drum['kind']> = ['kick', 'floor-tom', 'tom', 'snare']
  drums.sort((a, b) => order.indexOf(a.kind) - order.indexOf(b.kind) || b.diameterInches - a.diameterInches)
  return { drums, wrong: null }
}
