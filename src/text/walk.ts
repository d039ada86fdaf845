/** The first walk: at most six notes, each at its thing, in the order in which they are met there. */
export const WALK = [
  {
    id: 'line',
    place: 'bench',
    text: 'This drum’s job from left to right: look over, heads, evening, keeping. Start anywhere; each step says how it stands.',
  },
  {
    id: 'read',
    place: 'bench',
    text: 'Read every lug before a rod is turned. A rod pulls on its neighbours too, so one lug alone tells little.',
  },
  {
    id: 'strip',
    place: 'bench',
    text: 'The edge of the head, unrolled from the badge. Higher on the tape is higher in pitch; inside the band is good enough.',
  },
  {
    id: 'turn',
    place: 'bench',
    text: 'Turn what is asked, all of it, then press the head down in the middle and read again: it settles before it tells.',
  },
  {
    id: 'rail',
    place: 'kit',
    text: 'One axis of pitch for the whole kit, low to the left. A bar is where a drum of that size speaks; marks come with readings.',
  },
  {
    id: 'sheet',
    place: 'sheets',
    text: 'A sheet is what the kit is brought back to: keep one where it sounded right, then hold the kit against it anywhere.',
  },
] as const

export type WalkId = (typeof WALK)[number]['id']

/** The note to be shown at its thing: unread, and the first unread one of its place. */
export function isDue(id: WalkId, walked: readonly string[]): boolean {
  const own = WALK.find((note) => note.id === id)!
  return WALK.find((note) => note.place === own.place && !walked.includes(note.id))?.id === id
}
