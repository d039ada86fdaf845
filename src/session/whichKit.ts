import type { SessionState } from './state'

/** The demo kit, where it is here: made up, and apart from one's own. */
export const demoKit = (state: SessionState) => state.kits.find(({ simulated }) => simulated) ?? null

/** The first kit of one's own. */
export const ownKit = (state: SessionState) => state.kits.find(({ simulated }) => !simulated) ?? null
