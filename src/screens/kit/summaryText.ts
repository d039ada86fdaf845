import type { DrumSummary, HeadSummary } from '@/session/kitView'
import { offText } from '@/text/heads'
import { listText } from '@/text/turns'

/** The kit's state in one line. */
export function summaryText(drums: readonly DrumSummary[]): string {
  if (drums.length === 0) return 'Nothing to tune yet.'
  const off = drums.filter(({ worst }) => worst?.state === 'off')
  const uneven = drums.filter(({ worst }) => worst?.state === 'uneven')
  const unread = drums.filter(
    ({ heads }) => heads.batter.state === 'not-read' && heads.resonant.state === 'not-read',
  )
  const parts: string[] = []
  const verb = (count: number) => (count === 1 ? 'is' : 'are')
  const names = (list: readonly DrumSummary[]) => listText(list.map(({ drum }) => drum.name))
  if (off.length) parts.push(`${names(off)} ${verb(off.length)} off the sheet`)
  if (uneven.length) parts.push(`${names(uneven)} ${verb(uneven.length)} uneven`)
  if (unread.length) parts.push(`${names(unread)} ${verb(unread.length)} not read yet`)
  if (parts.length === 0) return 'Every head that was read is where it should be.'
  const text = parts.join('; ')
  return `${text[0].toUpperCase()}${text.slice(1)}.`
}

export interface StatusText {
  word: string
  tone: 'good' | 'act' | 'soft' | 'caution'
  detail: string
}

/** One drum's state: a word, and what lies behind it. */
export function statusText({ heads, worst }: DrumSummary): StatusText {
  if (worst?.state === 'off')
    return { word: 'off sheet', tone: 'act', detail: `${worst.side} ${offText(worst.offCents!)}` }
  if (worst?.state === 'uneven') {
    return { word: 'uneven', tone: 'act', detail: `${worst.side} spread ${Math.round(worst.spreadCents!)} c` }
  }
  const read = [heads.batter, heads.resonant].filter((head): head is HeadSummary => head.state !== 'not-read')
  if (read.length === 0) return { word: 'not read', tone: 'soft', detail: 'tap it on the bench' }
  const spread = Math.round(read[0].spreadCents ?? 0)
  const word = read.some((head) => head.state === 'settled') ? 'settled' : 'even'
  return { word, tone: 'good', detail: `${read[0].side} spread ${spread} c` }
}
