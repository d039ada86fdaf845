import { believing, benchHead } from '@/core/bench/standing'
import type { KitState } from '@/core/log/fold'
import { sidesOf } from '@/core/records/plain'
import type { Settings } from '@/core/records/settings'
import type { SessionDeps } from './deps'
import { kitOf } from './state'

/**
 * Works out where a kit's heads were left, a piece at a time, before a place asks for all of it at once: what was worked out
 * stays with the log.
 * @param drum only the heads of this one; null for all
 */
export async function believe(
  { nowMs, pause }: Pick<SessionDeps, 'nowMs' | 'pause'>,
  kit: KitState,
  drum: string | null = null,
): Promise<void> {
  for (const each of kit.drums.filter(({ id }) => drum === null || id === drum))
    for (const side of sidesOf(each)) {
      const pieces = believing(benchHead(kit, each, side, kit.simulated, nowMs()))
      while (!pieces.next().done) await pause()
    }
}

/** What the place that is open asks first of the kit on screen. @returns the rest, to be worked out when there is time */
export async function believeFirst(
  deps: SessionDeps,
  kits: readonly KitState[],
  settings: Settings,
): Promise<() => Promise<void>> {
  const kit = kitOf({ kits, settings })
  if (!kit) return () => Promise.resolve()
  const place = deps.place()
  const rest = () => believe(deps, kit)
  if (place === '/bench') {
    await believe(deps, kit, settings.drum ?? kit.drums[0]?.id ?? null)
    return rest
  }
  if (!OF_THE_KIT.includes(place)) return rest
  await rest()
  return () => Promise.resolve()
}

/** Places that show all heads at once. */
const OF_THE_KIT = ['/', '/run', '/sheets', '/spacing', '/print']
