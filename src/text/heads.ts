import { fixed, noteOf } from './shown'

/** A pitch in Hz to a tenth, as the screens show it. */
export function hzText(hz: number): string {
  return fixed(hz, 1)
}

/** A note with its cents: "A♯3 +7". */
export function noteText(hz: number, a4Hz: number): string {
  const { name, cents } = noteOf(hz, a4Hz)
  const off = Math.round(cents)
  return `${name}${off === 0 ? '' : ` ${off > 0 ? '+' : '−'}${Math.abs(off)}`}`
}

/** "12 c low", "3 c high", "on pitch". */
export function offText(cents: number): string {
  const off = Math.round(cents)
  return off === 0 ? 'on pitch' : `${Math.abs(off)} c ${off > 0 ? 'high' : 'low'}`
}

/** Signed whole cents with a real minus: "+4", "−12", "0". */
export function centsText(cents: number): string {
  const off = Math.round(cents)
  return off === 0 ? '0' : `${off > 0 ? '+' : '−'}${Math.abs(off)}`
}

/** Film in words: "two plies, 7 + 7 mil, clear". */
export function filmText(pliesMils: readonly number[], coating: string): string {
  const plies =
    pliesMils.length === 1 ? 'one ply' : pliesMils.length === 2 ? 'two plies' : `${pliesMils.length} plies`
  return `${plies}, ${pliesMils.join(' + ')} mil, ${coating}`
}

/** How far it went, in brackets: " (+4 c)"; nothing where it did not move. */
export function signedCentsText(cents: number | null): string {
  return cents === null || Math.round(cents) === 0 ? '' : ` (${centsText(cents)} c)`
}
