/**
 * Difference limens of long pure tones at a comfortable loudness, for putting a listener's drum threshold beside.
 * log10 of the limen in Hz is 0.026 sqrt(f) - 0.533 at 40 dB above hearing (Wier, Jesteadt & Green 1977, JASA 61,
 * 178-184; the fit from memory; measured from 200 to 8000 Hz, below that carried on). Their point is 70.7% right.
 * @returns cents
 */
export function toneLimenCents(hz: number): number {
  const limenHz = 10 ** (0.026 * Math.sqrt(hz) - 0.533)
  return 1200 * Math.log2(1 + limenHz / hz)
}

/** The lowest pitch at which those limens were measured, in Hz. */
export const LIMENS_FROM_HZ = 200
