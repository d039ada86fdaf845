import type { EvenAnswer } from '@/core/evening/types'

/** One question at a time on readings that came again and still cannot stand together: what else it may be. */
export interface Doubt {
  id: 'microphone' | 'other-head' | 'wires' | 'mode' | 'hoop'
  ask: string
  /** What to do where the answer is yes. */
  then: string
}

const DOUBTS: readonly Doubt[] = [
  {
    id: 'other-head',
    ask: 'Is the other head free?',
    then: 'Lay something soft against it, say so above, and read the head again.',
  },
  {
    id: 'microphone',
    ask: 'Did the microphone stand still while you went round?',
    then: 'Set it to standing still under How it listens, or carry it along; then read again.',
  },
  {
    id: 'wires',
    ask: 'Are the snare wires on, or does anything rattle?',
    then: 'Wires off or a stick under them; then read again.',
  },
  {
    id: 'mode',
    ask: 'Might one of them be another tone of the head?',
    then: 'A fingertip on the very middle, a soft stroke two fingers in; or choose another tone under What was heard.',
  },
  {
    id: 'hoop',
    ask: 'Seen from above, is there an uneven gap round the hoop, or a dent in the edge?',
    then: 'No rod setting will make such a head even. Note it under Look it over; the head is then brought as near as it goes.',
  },
]

/** The questions that fit, the likeliest first: what the readings themselves point at, then by how common it is. */
export function doubtsOf(
  answer: Pick<EvenAnswer, 'micStoodStill' | 'muteOther'>,
  isSnare: boolean,
  otherMuted: boolean,
): Doubt[] {
  const first = answer.micStoodStill ? 'microphone' : answer.muteOther ? 'other-head' : null
  return DOUBTS.filter(
    ({ id }) => (id !== 'wires' || isSnare) && (id !== 'other-head' || !otherMuted || answer.muteOther),
  ).sort((a, b) => Number(b.id === first) - Number(a.id === first))
}
