/** A hand turns a rod to within this, one standard error, in turns (common practice, no source). */
export const HAND_ERROR_TURNS = 1 / 64
