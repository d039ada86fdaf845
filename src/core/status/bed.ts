import { oppositeRod } from '../head/harmonics'
import { CENTS_PER_NEPER } from '../units/pitch'
import type { HeadStatus } from './head'
import type { SnareBed } from '../evening/bed'
import { isOut } from './targets'

/** A bed is thought of where its lugs make up this part of what the lugs differ by (squares of cents), */
const EXPLAINED = 0.5
/** and the pair of ends that the badge points at is taken unless another explains so much more. */
const ELSEWHERE = 1.25

/**
 * The lugs of a snare side that read as if they stood beside its bed, and how much lower: those beside both ends of the wires, which as a
 * rule run from the badge across (common practice, no source). Asked of a drum whose bed nobody spoke of, while its lugs are uneven and
 * before anything is done about it.
 * @returns null where nothing is to be asked
 */
export function bedToAsk({
  drum,
  side,
  aim,
  pitch,
  lugHz,
  verdict,
  toleranceCents,
}: HeadStatus): SnareBed | null {
  const uneven = verdict === 'uneven' || verdict === 'off'
  if (drum.kind !== 'snare' || side !== 'resonant' || drum.snareBed || drum.lugs % 2) return null
  if (pitch.known !== 'lugs' || !uneven || !lugHz || aim.kind === 'offsets' || aim.kind === 'bed') return null
  const seen = bedSeen(lugHz, drum.badgeAtLug === true)
  return seen && isOut(seen.cents, toleranceCents) ? seen : null
}

/** Of all places where the wires may end between lugs, the one that explains best what the lugs differ by; null where none does. */
export function bedSeen(lugHz: readonly number[], badgeAtLug: boolean): SnareBed | null {
  const lugs = lugHz.length
  const cents = lugHz.map((hz) => CENTS_PER_NEPER * Math.log(hz))
  const meanOf = (some: readonly number[]) => some.reduce((sum, value) => sum + value, 0) / some.length
  const all = meanOf(cents)
  const squares = cents.reduce((sum, value) => sum + (value - all) ** 2, 0)
  const places = Array.from({ length: lugs / 2 }, (_, i) => {
    const before = (i + lugs - 1) % lugs
    const beside = [before, i, oppositeRod(before, lugs), oppositeRod(i, lugs)]
    const low = meanOf(beside.map((lug) => cents[lug]))
    const rest = meanOf(cents.filter((_, lug) => !beside.includes(lug)))
    const n = beside.length
    return {
      lugs: beside.map((lug) => lug + 1).sort((a, b) => a - b),
      cents: rest - low,
      explained: ((rest - low) ** 2 * n * (lugs - n)) / lugs / Math.max(1e-9, squares),
    }
  }).filter((place) => place.cents > 0 && place.explained >= EXPLAINED)
  if (places.length === 0) return null
  const best = places.reduce((a, b) => (b.explained > a.explained ? b : a))
  // The first place is between the last lug and the first: where the badge is, and across.
  const usual = badgeAtLug
    ? undefined
    : places.find((place) => place.lugs.includes(1) && place.lugs.includes(lugs))
  const { lugs: beside, cents: depth } = usual && best.explained < ELSEWHERE * usual.explained ? usual : best
  return { lugs: beside, cents: Math.round(depth) }
}
