/** The words of a head and of what happened to it, as the schemas at the door have them; their types alone reach the arithmetic. */
export type { Ear, EvenHead, Feel, GaugeLaw, Learned, PoleReading, Round } from '../records/even'
