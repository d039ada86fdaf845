import { deflateSync, inflateSync, strFromU8, strToU8 } from 'fflate'
import { fromBase64, toBase64 } from './base64'

/** One of a chain of codes: each is an address that says which it is, how many there are, and its part. */
export interface CodePart {
  chain: string
  at: number
  of: number
  data: string
}

/** What a phone reads from a laptop's screen at arm's length: a code of some 100 squares a side. */
const PART_CHARS = 700
/** Two rounds of them are a minute before a camera. */
export const MOST_CODES = 80

/**
 * A text as a chain of addresses: compressed, and cut. All of it stands behind the hash, which a browser sends to nobody.
 * @param page address of the page that takes them in
 */
export function toCodes(text: string, page: string, chain: string): string[] {
  const data = toBase64(deflateSync(strToU8(text), { level: 9 }))
    .replace(/\+/g, '-')
    .replace(/\//g, '_')
    .replace(/=+$/, '')
  const of = Math.ceil(data.length / PART_CHARS)
  return Array.from(
    { length: of },
    (_, i) => `${page}#c=${chain}.${i + 1}.${of}.${data.slice(i * PART_CHARS, (i + 1) * PART_CHARS)}`,
  )
}

/** The part that an address carries behind its hash; null where it carries none. */
export function codePart(hash: string): CodePart | null {
  const found = /^#c=([\w-]{1,40})\.(\d{1,3})\.(\d{1,3})\.([\w-]+)$/.exec(hash)
  if (!found) return null
  const [, chain, at, of, data] = found
  return { chain, at: Number(at), of: Number(of), data }
}

/** The text of a whole chain, in whatever order its parts came; null while one is missing or where they are damaged. */
export function fromCodes(parts: readonly CodePart[]): string | null {
  const [{ of } = { of: 0 }] = parts
  const data = Array.from({ length: of }, (_, i) => parts.find(({ at }) => at === i + 1)?.data)
  if (of === 0 || data.includes(undefined)) return null
  try {
    return strFromU8(inflateSync(fromBase64(data.join('').replace(/-/g, '+').replace(/_/g, '/'))))
  } catch {
    return null
  }
}
