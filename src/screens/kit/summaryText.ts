import type { DrumInKit, KitHead } from '@/core/status/kit'
import type { KitNext } from '@/core/status/next'
import { sidesOf } from '@/core/records/plain'
import { minutesText } from '@/text/minutes'
import { oddsText, sinceText } from '@/text/forecast'
import { findingText, statusText } from '@/text/status'
import { listText } from '@/text/turns'

const headsOf = ({ drum, heads }: DrumInKit): KitHead[] => sidesOf(drum).map((side) => heads[side])
const isRead = ({ pitch, evenness }: KitHead) => pitch.known !== 'unknown' || evenness.known !== 'unknown'

const isWhole = ({ verdict }: KitHead) => verdict === 'even'

/** The kit's state in one line. */
export function summaryText(drums: readonly DrumInKit[]): string {
  if (drums.length === 0) return 'Nothing to tune yet.'
  const off = drums.filter(({ worst }) => worst?.verdict === 'off')
  const uneven = drums.filter(({ worst }) => worst?.verdict === 'uneven')
  const unread = drums.filter((drum) => !headsOf(drum).some(isRead))
  const parts: string[] = []
  const verb = (count: number) => (count === 1 ? 'is' : 'are')
  const names = (list: readonly DrumInKit[]) => listText(list.map(({ drum }) => drum.name))
  if (off.length) parts.push(`${names(off)} ${verb(off.length)} off the sheet`)
  if (uneven.length) parts.push(`${names(uneven)} ${verb(uneven.length)} uneven`)
  if (unread.length) parts.push(`${names(unread)} ${verb(unread.length)} not read yet`)
  const moved = drums.filter(({ worst }) => worst?.moved === 'likely')
  if (moved.length) parts.push(`${names(moved)} ${moved.length === 1 ? 'has' : 'have'} likely moved since`)
  const doubted = drums.filter((drum) => headsOf(drum).some(({ moved }) => moved === 'perhaps'))
  if (parts.length === 0 && doubted.length)
    return `As far as it was read everything is where it should be; ${names(doubted)} may have moved since.`
  const inPart = drums.filter((drum) => headsOf(drum).some((head) => isRead(head) && !isWhole(head)))
  if (parts.length === 0 && inPart.length)
    return `As far as it was read everything is where it should be; ${names(inPart)} ${verb(inPart.length)} known in part.`
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
export function drumText(drum: DrumInKit): StatusText {
  const { worst } = drum
  const side = (head: KitHead, says: string) => `${head.side}: ${says}`
  if (worst?.moved === 'likely')
    return { word: 'likely moved', tone: 'act', detail: side(worst, oddsText(worst.out!)) }
  if (worst?.verdict === 'off')
    return { word: 'off pitch', tone: 'act', detail: side(worst, statusText(worst)) }
  if (worst?.verdict === 'uneven')
    return { word: 'uneven', tone: 'act', detail: side(worst, statusText(worst)) }
  const read = headsOf(drum).filter(isRead)
  if (read.length === 0) return { word: 'not read', tone: 'soft', detail: 'tap it on the bench' }
  const least = read.filter(({ moved }) => moved === 'perhaps').sort((a, b) => b.out! - a.out!)[0]
  if (least) return { word: 'may have moved', tone: 'soft', detail: side(least, oddsText(least.out!)) }
  // What is not known of a head goes before what is: one number, or a turn not read since, is no even drum.
  const open = headsOf(drum).find(({ verdict }) => verdict !== 'even')
  if (open && isRead(open))
    return {
      word: open.pitch.known === 'expected' ? 'foretold' : 'read in part',
      tone: 'soft',
      detail: side(open, statusText(open)),
    }
  const even = read.find(({ verdict }) => verdict === 'even')!
  return { word: even.kept ? 'settled' : 'even', tone: 'good', detail: side(even, statusText(even)) }
}

/** The next best thing in words: what the button says, and why. */
export function nextText(next: KitNext, nowMs: number): { act: string; why: string } | null {
  if (!next) return null
  switch (next.what) {
    case 'run':
      return { act: 'Go on with the run', why: 'A retune run is under way.' }
    case 'look':
      return {
        act: `Look at ${next.drum.name}`,
        why: `${findingText(next.finding)}: put it right first, or go on with care.`,
      }
    case 'turn':
    case 'press':
    case 'read': {
      const stands = next.why.moved && next.why.asRead ? sinceText(next.why, nowMs) : statusText(next.why)
      const took = next.minutes === null ? '' : `, ${minutesText(next.minutes)}`
      return {
        act: `${next.what === 'read' ? 'Read' : 'Start with'} ${next.drum.name}`,
        why: `The ${next.side} head: ${stands}${took}.`,
      }
    }
    case 'age':
      return {
        act: `A new snare side for ${next.drum.name}`,
        why: `It is ${next.months} months old; hard playing asks for one every three to six.`,
      }
    case 'keep':
      return {
        act: 'Keep the kit as a sheet',
        why: 'Everything read is in order: keep it, to bring it back.',
      }
    case 'plan':
      return { act: 'Plan another spacing', why: 'Everything is where the sheet wants it.' }
  }
}
