import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'

/** A seeded source of numbers: the same seed gives the same sequence on every machine. */
export interface Random {
  /** Uniform in [0, 1). */
  uniform(): number
  /** Standard normal. */
  normal(): number
}

/** A {@link Random} from a whole-number seed (xoroshiro128+ of pure-rand; Box-Muller for the normal law). */
export function seededRandom(seed: number): Random {
  const generator = xoroshiro128plus(scatter(Math.trunc(seed)))
  // Near seeds give near first numbers: the generator needs some steps to part them.
  for (let i = 0; i < 16; i++) generator.next()
  const uniform = () => ((generator.next() >>> 0) + 0.5) / 4294967296
  return {
    uniform,
    normal: () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform()),
  }
}

/** Spreads neighbouring seeds over all 32 bits (the finaliser of MurmurHash3). */
function scatter(seed: number): number {
  let x = Math.imul(seed ^ (seed >>> 16), 0x85ebca6b)
  x = Math.imul(x ^ (x >>> 13), 0xc2b2ae35)
  return x ^ (x >>> 16)
}

/** A whole-number seed from any text (FNV-1a, 32 bit), so that a drum's id picks its hidden truth. */
export function seedFromText(text: string): number {
  let hash = 0x811c9dc5
  for (let i = 0; i < text.length; i++) {
    hash ^= text.charCodeAt(i)
    hash = Math.imul(hash, 0x01000193)
  }
  return hash | 0
}
