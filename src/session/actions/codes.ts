import { restated } from '@/core/log/restate'
import type { KitFile } from '@/core/records/kitFile'
import { codePart, fromCodes, MOST_CODES, toCodes, type CodePart } from '@/files/codes'
import type { Session } from '../session'
import { kitFileWithTakes, takeKitFile } from './files'

export interface Chain {
  codes: string[]
  /** With the whole log; else drums and sheets alone. */
  whole: boolean
}

/**
 * The kit on screen as a chain of codes that open this page on another device: with its whole log where that is short enough, else
 * its drums and sheets as they stand, as a kit of its own. Sounds never go by codes.
 */
export async function chainOf(session: Session): Promise<Chain | null> {
  const kit = session.kit()
  if (!kit) return null
  const page = await pageAddress()
  const whole: KitFile = { ...(await kitFileWithTakes(session, kit.id)), practice: [] }
  delete whole.takes
  const codes = codesOf(session, whole, page)
  if (codes.length <= MOST_CODES) return { codes, whole: true }
  const id = session.deps.newId()
  const told = restated({ ...kit, id, heads: new Map(), struck: new Map(), runs: [], ...newest(kit) }, () =>
    session.deps.newId(),
  )
  return { codes: codesOf(session, { ...whole, kit: id, events: told }, page), whole: false }
}

/** Sheets as they are now, without their earlier versions. */
const newest = ({ sheets }: { sheets: NonNullable<ReturnType<Session['kit']>>['sheets'] }) => ({
  sheets: sheets.map((sheet) => ({ ...sheet, versions: sheet.versions.slice(-1) })),
})

const codesOf = (session: Session, file: KitFile, page: string) =>
  toCodes(JSON.stringify(file), page, session.deps.newId().slice(0, 8))

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

/**
 * Lays a part that was read beside those before it: each code opens the page anew, so they are kept between its openings.
 * @returns null where the address carries none
 */
export function addPart(hash: string): { have: number; of: number; text: string | null } | null {
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
