/** Where a head's mark lies, in eighths of a turn clockwise from the badge. */
export const MARKS = [
  'in line with the badge',
  'an eighth round, clockwise',
  'a quarter round',
  'three eighths round',
  'opposite the badge',
  'five eighths round',
  'three quarters round',
  'an eighth short of the badge',
] as const

export const markHintText = (before: number | null): string =>
  before === null ? 'So that it goes back the same way.' : 'The one before lay as shown.'

/** The button that ticks a step off, and behind the last says that the head is on. */
export function onText(kind: 'new' | 'same', last: boolean): string {
  if (!last) return 'Done, on'
  return kind === 'new' ? 'It is on, rods at the start' : 'Rods are at the start'
}

/** In which order the rods are turned; a circle pulls the head askew (common practice). */
export const rodOrderText = (keys: 1 | 2): string =>
  keys === 2
    ? 'Both rods of a pair together: the head stays centred. Never around in a circle.'
    : 'A rod, then its opposite, in this order: with one key in smaller steps. Never around in a circle.'

export const FIRST_HEAD_SCHOOLS =
  'Which head first is a matter of school: the resonant, since a thin ply can be judged alone and the batter then against it; or the batter.'
