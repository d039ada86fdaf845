import { EAR_NOISE_CENTS } from '@/core/head/ear'
import { handBefore, SCATTER_WEIGHTS, scatterExpected, TYPED_CENTS } from '@/core/head/scatter'
import type { BareSource } from '@/core/records/even'
import type { Settings } from '@/core/records/settings'
import { fixed } from './shown'

/** What readings without a sound are called, by what they are made with. */
export const READINGS: Record<BareSource, string> = {
  number: 'typed readings',
  dial: 'dial readings',
  ear: 'ear',
}

/** How far this hand's typed readings, dials and words scatter, as its sittings have shown it. */
export function scatterText({ scatter, gaugeError }: Pick<Settings, 'scatter' | 'gaugeError'>): string {
  const by = (source: BareSource) =>
    scatterExpected(source, handBefore(scatter, source, null) ?? SCATTER_WEIGHTS)
  const count = new Set(scatter.map(({ at }) => at)).size
  const seen = count
    ? `Learned from ${count} ${count === 1 ? 'sitting' : 'sittings'} of yours, and learned on.`
    : 'Not seen yet: this is what is usual. Two rounds on one head begin to tell it.'
  return `Typed readings by about ${fixed(by('number') * TYPED_CENTS, 0)} c, a dial by ${fixed(by('dial') * gaugeError, 1)} divisions, an ear by ${fixed(by('ear') * EAR_NOISE_CENTS, 0)} c. ${seen} Every estimate counts with it.`
}
