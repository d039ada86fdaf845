/** What a drum is in a kit. */
export type DrumKind = 'kick' | 'snare' | 'tom' | 'floor-tom'

/** Drums that schemes apply to, and that stand in order of size. */
export const isTom = (kind: DrumKind): boolean => kind === 'tom' || kind === 'floor-tom'
