import type { KitState } from '@/core/log/fold'
import type { Gauge, Here } from '@/core/status/inputs'
import { createSelector } from 'reselect'
import type { SessionState } from './state'

/** The dial and the hand of this device. */
export const dialOf: (state: Pick<SessionState, 'settings'>) => Gauge = createSelector(
  [
    ({ settings }: Pick<SessionState, 'settings'>) => settings.gaugeLaw,
    ({ settings }: Pick<SessionState, 'settings'>) => settings.gaugeError,
    ({ settings }: Pick<SessionState, 'settings'>) => settings.scatter,
  ],
  (gaugeLaw, gaugeError, scatter) => ({ gaugeLaw, gaugeError, scatter }),
)

/** A kit as the log tells it now, with this device's dial; what was simulated never stands for a drum of one's own. */
export const hereOf = (
  state: Pick<SessionState, 'settings' | 'clockMs'>,
  kit: KitState,
  practice = kit.simulated,
): Here => ({ ...{ kit, practice }, nowMs: state.clockMs, gauge: dialOf(state) })
