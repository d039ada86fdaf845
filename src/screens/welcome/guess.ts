import type { Drum } from '@/core/records/kit'
import { saidDrum, type SaidDrum } from '@/text/sizes'

/** What was changed by hand of a guessed drum, by the drum's place among those of its kind and size. */
export type Changed = Readonly<Record<string, Partial<Drum>>>

export interface GuessedDrum {
  key: string
  drum: Drum
  /** Its depth was written, not guessed. */
  saidDepth: boolean
}

/**
 * The drums that were said, with everything else as usual for their size, and what was changed by hand since. Two of a kind and
 * size are told apart by a number.
 */
export function guessedDrums(said: readonly SaidDrum[], changed: Changed): GuessedDrum[] {
  const count = new Map<string, number>()
  return said.map((each) => {
    const size = `${each.kind} ${each.diameterInches}`
    const nth = (count.get(size) ?? 0) + 1
    count.set(size, nth)
    const key = `${size} ${nth}`
    const usual = saidDrum(each, key)
    const drum = {
      ...usual,
      ...(nth > 1 ? { name: `${usual.name} no. ${nth}` } : {}),
      ...changed[key],
    }
    return { key, drum, saidDepth: each.depthInches !== null }
  })
}
