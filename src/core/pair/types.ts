export type { PairDrum, PairHead, PairReading, PairWant } from '../records/pair'

/** Where both heads stand; the resonant is null on a drum of one head. */
export interface PairPlace {
  batterHz: number
  resonantHz: number | null
}
