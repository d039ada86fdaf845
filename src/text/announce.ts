import type { Step } from '@/core/evening/types'
import { centsBetween } from '@/core/units/pitch'
import { turnFraction } from '@/core/units/turns'
import { listText } from './turns'

const PARTS: Record<number, string> = {
  2: 'half',
  4: 'quarter',
  8: 'eighth',
  16: 'sixteenth',
  32: 'thirty-second',
}
const NUMBERS = [
  'no',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
  'thirteen',
  'fourteen',
  'fifteen',
]

/** A turn in whole words, as a voice says it: "up one eighth", "down one and three sixteenths". */
export function turnWords(turns: number): string {
  const { whole, numerator, denominator } = turnFraction(turns)
  const part = PARTS[denominator] ?? `of ${denominator}`
  const fraction =
    numerator === 0 ? '' : `${NUMBERS[numerator] ?? numerator} ${part}${numerator > 1 ? 's' : ''}`
  const full = whole > 0 ? `${NUMBERS[whole] ?? whole}` : ''
  const amount = [full, fraction].filter(Boolean).join(' and ') || 'nothing'
  return `${turns < 0 ? 'down' : 'up'} ${amount}${fraction === '' && whole > 0 ? ` ${whole > 1 ? 'turns' : 'turn'}` : ''}`
}

/** A reading in whole words: "lug 3, 215 hertz, 34 cents low". */
export function readingWords(lug: number, hz: number, targetHz: number | null): string {
  const off = targetHz === null ? null : Math.round(centsBetween(targetHz, hz))
  const from =
    off === null
      ? ''
      : off === 0
        ? ', on target'
        : `, ${Math.abs(off)} ${Math.abs(off) === 1 ? 'cent' : 'cents'} ${off > 0 ? 'high' : 'low'}`
  return `lug ${lug}, ${hz.toFixed(0)} hertz${from}`
}

/** The next move in whole words: "rods 2 and 5, up one eighth". */
export function moveWords({ rods, turns }: Step): string {
  const alike = new Set(turns).size === 1
  if (alike) return `${rods.length > 1 ? 'rods' : 'rod'} ${listText(rods)}, ${turnWords(turns[0])}`
  return rods.map((rod, i) => `rod ${rod}, ${turnWords(turns[i])}`).join('; ')
}

/** What the Bench asks for now, in whole words; empty while it is being worked out. */
export function askedWords(asked: {
  phase: 'read' | 'bed' | 'turn' | 'said' | 'press' | 'done' | 'climb'
  lug: number
  step: Step | null
  roundTurns: number | null
  verdict: string
  next: string | null
}): string {
  switch (asked.phase) {
    case 'read':
      return `next lug ${asked.lug}`
    case 'bed':
      return 'say which lugs stand beside the snare bed'
    case 'turn':
      return asked.step ? moveWords(asked.step) : ''
    case 'climb':
      return asked.roundTurns === null ? '' : `all rods ${turnWords(asked.roundTurns)}`
    case 'said':
      return 'read it, keep it here, or go back to the aim'
    case 'press':
      return 'press the head'
    case 'done':
      return [asked.verdict, asked.next].filter(Boolean).join(' ')
  }
}
