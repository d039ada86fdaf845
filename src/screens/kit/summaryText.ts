import type { DrumSummary, HeadSummary, NextThing } from '@/session/kitView'
import { findingText } from '@/text/fitting'
import { minutesText } from '@/text/minutes'
import { oddsText, sinceText } from '@/text/forecast'
import { offText } from '@/text/heads'
import { listText } from '@/text/turns'

/** The kit's state in one line. */
export function summaryText(drums: readonly DrumSummary[]): string {
  if (drums.length === 0) return 'Nothing to tune yet.'
  const off = drums.filter(({ worst }) => worst?.state === 'off')
  const uneven = drums.filter(({ worst }) => worst?.state === 'uneven')
  const unread = drums.filter(
    ({ drum, heads }) =>
      heads.batter.state === 'not-read' && (drum.oneHeaded || heads.resonant.state === 'not-read'),
  )
  const parts: string[] = []
  const verb = (count: number) => (count === 1 ? 'is' : 'are')
  const names = (list: readonly DrumSummary[]) => listText(list.map(({ drum }) => drum.name))
  if (off.length) parts.push(`${names(off)} ${verb(off.length)} off the sheet`)
  if (uneven.length) parts.push(`${names(uneven)} ${verb(uneven.length)} uneven`)
  if (unread.length) parts.push(`${names(unread)} ${verb(unread.length)} not read yet`)
  const moved = drums.filter(({ worst }) => worst?.state === 'moved')
  if (moved.length) parts.push(`${names(moved)} ${moved.length === 1 ? 'has' : 'have'} likely moved since`)
  const doubted = drums.filter(({ heads }) => Object.values(heads).some(({ state }) => state === 'doubt'))
  if (parts.length === 0 && doubted.length)
    return `As far as it was read everything is where it should be; ${names(doubted)} may have moved since.`
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
  if (worst?.state === 'moved')
    return {
      word: 'likely moved',
      tone: 'act',
      detail: `${worst.side}: ${oddsText(worst.out!)}`,
    }
  if (worst?.state === 'off')
    return { word: 'off sheet', tone: 'act', detail: `${worst.side} ${offText(worst.offCents!)}` }
  if (worst?.state === 'uneven') {
    return { word: 'uneven', tone: 'act', detail: `${worst.side} spread ${Math.round(worst.spreadCents!)} c` }
  }
  const read = [heads.batter, heads.resonant].filter((head): head is HeadSummary => head.state !== 'not-read')
  if (read.length === 0) return { word: 'not read', tone: 'soft', detail: 'tap it on the bench' }
  const least = read.filter(({ state }) => state === 'doubt').sort((a, b) => b.out! - a.out!)[0]
  if (least)
    return {
      word: 'may have moved',
      tone: 'soft',
      detail: `${least.side}: ${oddsText(least.out!)}`,
    }
  const spread = Math.round(read[0].spreadCents ?? 0)
  const word = read.some((head) => head.state === 'settled') ? 'settled' : 'even'
  return { word, tone: 'good', detail: `${read[0].side} spread ${spread} c` }
}

/** The next best thing in words: what the button says, and why. */
export function nextText(next: NextThing, nowMs: number): { act: string; why: string } | null {
  if (!next) return null
  switch (next.do) {
    case 'run':
      return { act: 'Go on with the run', why: 'A retune run is under way.' }
    case 'look':
      return {
        act: `Look at ${next.drum.name}`,
        why: `${findingText(next.finding)}: put it right first, or go on with care.`,
      }
    case 'tune':
    case 'read': {
      const { state, offCents, spreadCents } = next.why
      const stands =
        state === 'off'
          ? `last read ${offText(offCents!)}`
          : state === 'uneven'
            ? `spread ${Math.round(spreadCents ?? 0)} c`
            : state === 'not-read'
              ? 'never read'
              : sinceText(next.why.now!, nowMs)
      const took = next.minutes === null ? '' : `, ${minutesText(next.minutes)}`
      return {
        act: `${next.do === 'read' ? 'Read' : 'Start with'} ${next.drum.name}`,
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
