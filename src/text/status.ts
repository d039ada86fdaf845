import { FINDINGS, type OpenFinding } from '@/core/fitting/lookOver'
import type { HeadStatus, HowKnown } from '@/core/status/head'
import { hzText, offText } from './heads'
import { listText } from './turns'

const BY: Partial<Record<HowKnown, string>> = { dial: 'by the dial', ear: 'by ear' }

/** What is known of a head, in the same few words everywhere: never more than that. */
export function statusText({ verdict, pitch, evenness, offCents, disagree }: HeadStatus): string {
  const spread = evenness.spreadCents === null ? null : `${Math.round(evenness.spreadCents)} c`
  if (pitch.known === 'expected')
    return `foretold ${hzText(pitch.hz!)} Hz ±\u00a0${Math.ceil(pitch.errorCents!)}\u00a0c`
  if (pitch.known === 'inferred')
    return `about ${Math.round(pitch.hz!)} Hz by the centre, ±\u00a0${Math.ceil(pitch.errorCents!)}\u00a0c`
  if (disagree) return 'readings disagree'
  switch (verdict) {
    case 'even':
      return `even, ${spread}`
    case 'off':
      return offText(offCents!)
    case 'uneven':
      return evenness.known in BY ? `uneven ${BY[evenness.known]}` : `spread ${spread}`
    case 'on-pitch-evenness-unknown':
      return `${hzText(pitch.hz!)} Hz, evenness not read`
    case 'even-pitch-unknown':
      return `even ${BY[evenness.known]}, pitch not read`
    case 'unknown':
      return 'not read'
  }
}

/** One open finding: "thread holds nothing, rod 3". */
export function findingText({ finding, rods }: OpenFinding): string {
  const { label } = FINDINGS[finding]
  return rods.length ? `${label}, rod${rods.length > 1 ? 's' : ''} ${listText(rods)}` : label
}
