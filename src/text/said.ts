import type { HeadStatus } from '@/core/status/head'
import type { SinceStart } from '@/core/status/next'
import { hzText } from './heads'
import { allRodsText } from './relation'
import { fixed } from './shown'

const away = (cents: number, below: string, above: string) =>
  `${Math.round(Math.abs(cents))} c ${cents < 0 ? below : above}`

/** How far a head lies from what it was to be brought to; empty where only evenness counts, or it is there. */
export function aimedText({ targetHz, offCents }: Pick<HeadStatus, 'targetHz' | 'offCents'>): string {
  if (targetHz === null || offCents === null || Math.round(offCents) === 0) return ''
  return `The aim, ${hzText(targetHz)} Hz, lies ${away(-offCents, 'below', 'above')}.`
}

/** A head that was only to be even: what pitch it ended at, how far from where it began, and the one move back. */
export function sinceStartText({ hz, cents, turns }: SinceStart): string {
  const from = Math.round(cents) === 0 ? 'where it began' : `${away(cents, 'below', 'above')} where it began`
  const back = allRodsText(turns)
  return `It ended at ${fixed(hz, 1)} Hz, ${from}.${back === 'leave' ? '' : ` All rods ${back} would bring it back.`}`
}
