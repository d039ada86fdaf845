/** What the strokes so far may still mean, since the microphone was opened or the head changed. */
export interface Hands {
  /** The stroke before was taken as a reading. */
  takenBefore: boolean
  /** First of two strokes that may be a sign: the place of the stroke, seconds of the stream. */
  first: { at: number; key: string } | null
  /** The last tick, to be taken back by two more taps. */
  ticked: { at: number; event: string } | null
  /** What the Bench shows, and since when, seconds of the stream: nothing is ticked off before it was seen. */
  shown: { key: string; since: number }
}

export const freshHands = (): Hands => ({
  takenBefore: false,
  first: null,
  ticked: null,
  shown: { key: '', since: 0 },
})
