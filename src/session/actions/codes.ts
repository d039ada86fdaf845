import { restated } from '@/core/log/restate'
import { seedFromText } from '@/core/numeric/random'
import type { HumbraEvent } from '@/core/records/event'
import type { KitFile } from '@/core/records/kitFile'
import { codePart, fromCodes, MOST_CODES, toCodes, type CodePart } from '@/files/codes'
import type { Session } from '../session'
import { kitFileWithTakes, takeKitFile } from './files'

export interface Chain {
  codes: string[]
  /** What did not fit: so many entries; those from when on came along, null for none of them. Null where all of the log did. */
  left: { entries: number; sinceAt: string | null } | null
  /** Not even what the kit is fitted: its drums and sheets went, as a kit of its own. */
  anew: boolean
}

/** More entries than so many codes can hold. */
const MOST_ALONG = 5000

/** What a kit is without its readings: it goes along whole, else nothing that goes along would mean anything. */
const FRAME: ReadonlySet<HumbraEvent['kind']> = new Set(['kitEdited', 'withdrawn', 'headFitted', 'filmNoted'])

/**
 * The kit on screen as a chain of codes that open this page on another device: with its whole log, or as much of the newest of it as
 * so many codes hold, by the same ids, so that it merges with what the other has. Sounds never go by codes.
 */
export async function chainOf(session: Session): Promise<Chain | null> {
  const kit = session.kit()
  if (!kit) return null
  const page = await pageAddress()
  const whole: KitFile = { ...(await kitFileWithTakes(session, kit.id)), practice: [] }
  delete whole.takes
  // The same kit is the same chain, whenever it is shown.
  whole.exportedAt = whole.events.at(-1)!.at
  const codesOf = (events: readonly HumbraEvent[], id = kit.id) =>
    chainFrom(JSON.stringify({ ...whole, kit: id, events }), page)
  const { events } = whole
  const rest = events.filter(({ kind }) => !FRAME.has(kind))
  const newest = (count: number) => {
    const along = new Set(rest.slice(rest.length - count))
    return codesOf(events.filter((event) => FRAME.has(event.kind) || along.has(event)))
  }
  if (rest.length <= MOST_ALONG) {
    const codes = newest(rest.length)
    if (codes.length <= MOST_CODES) return { codes, left: null, anew: false }
  }
  let [fits, tooMany] = [0, Math.min(rest.length, MOST_ALONG)]
  while (tooMany - fits > 1) {
    const half = Math.floor((fits + tooMany) / 2)
    if (newest(half).length <= MOST_CODES) fits = half
    else tooMany = half
  }
  const codes = newest(fits)
  const entries = rest.length - fits
  if (codes.length <= MOST_CODES)
    return { codes, left: { entries, sinceAt: rest[entries]?.at ?? null }, anew: false }
  // Not even the frame fits: what it comes to, as a kit of its own.
  const id = session.deps.newId()
  const told = restated({ ...kit, id, heads: new Map(), struck: new Map(), runs: [], ...newestOf(kit) }, () =>
    session.deps.newId(),
  )
  return { codes: codesOf(told, id), left: { entries: events.length, sinceAt: null }, anew: true }
}

/** The same text is the same chain, so that what was read of it before still counts. */
const chainFrom = (text: string, page: string) => toCodes(text, page, (seedFromText(text) >>> 0).toString(36))

/** Sheets as they are now, without their earlier versions. */
const newestOf = ({ sheets }: { sheets: NonNullable<ReturnType<Session['kit']>>['sheets'] }) => ({
  sheets: sheets.map((sheet) => ({ ...sheet, versions: sheet.versions.slice(-1) })),
})

/** The phone's address of this Humbra where it is served to phones, else this page's own. */
async function pageAddress(): Promise<string> {
  const own = window.location.origin
  try {
    const { addresses } = (await (await fetch('/api/start')).json()) as { addresses?: string[] }
    return `${addresses?.[0] ?? own}/share`
  } catch {
    return `${own}/share`
  }
}

const KEPT = 'humbra-codes'

/** How far a chain has come: its text where all of it is here. */
export interface Taken {
  have: number
  of: number
  text: string | null
}

/**
 * Lays a part that was read beside those before it, which are kept, so that reading goes on where it stopped.
 * @returns null where the address carries none
 */
export function addPart(hash: string): Taken | null {
  const part = codePart(hash)
  if (!part) return null
  const before = keptParts().filter(({ chain, at }) => chain === part.chain && at !== part.at)
  const parts = [...before, part]
  const text = fromCodes(parts)
  try {
    if (text === null) window.localStorage.setItem(KEPT, JSON.stringify(parts))
    else window.localStorage.removeItem(KEPT)
  } catch {
    // Then only a chain of one code can be read here.
  }
  return { have: parts.length, of: part.of, text }
}

/** How far the chain came that was begun here; null for none. */
export function partsHere(): Taken | null {
  const parts = keptParts()
  return parts.length ? { have: parts.length, of: parts[0].of, text: null } : null
}

function keptParts(): CodePart[] {
  try {
    return JSON.parse(window.localStorage.getItem(KEPT) ?? '[]') as CodePart[]
  } catch {
    return []
  }
}

/** Takes the kit of a whole chain, as from a file. */
export async function takeChain(session: Session, text: string): Promise<void> {
  const result = await session.deps.readKit(text)
  if (result.ok) return takeKitFile(session, result.file)
  session.notify(result.why, { tone: 'caution' })
}
