/** Usual depth of a shell in inches by what it is and its diameter (common practice, no source). */
export function usualDepthInches(
  kind: 'kick' | 'snare' | 'tom' | 'floor-tom',
  diameterInches: number,
): number {
  if (kind === 'snare') return 5.5
  if (kind === 'kick') return 16
  if (kind === 'floor-tom') return diameterInches - 2
  return Math.max(6, Math.round(diameterInches * 0.62))
}
