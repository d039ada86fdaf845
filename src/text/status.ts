import type { HeadStatus } from '@/core/status/head'
import { hzText, offText } from './heads'

/** What is known of a head, in the same few words everywhere: never more than that. */
export function statusText({ verdict, pitch, evenness, offCents }: HeadStatus): string {
  const spread = evenness.spreadCents === null ? null : `${Math.round(evenness.spreadCents)} c`
  if (pitch.known === 'expected')
    return `foretold ${hzText(pitch.hz!)} Hz ± ${Math.ceil(pitch.errorCents!)} c`
  switch (verdict) {
    case 'even':
      return `even, ${spread}`
    case 'off':
      return offText(offCents!)
    case 'uneven':
      return spread ?? 'uneven'
    case 'on-pitch-evenness-unknown':
      return `${hzText(pitch.hz!)} Hz, evenness not read`
    case 'even-pitch-unknown':
      return `even by the ${evenness.known === 'ear' ? 'ear' : 'dial'}, pitch not read`
    case 'unknown':
      return 'not read'
  }
}
