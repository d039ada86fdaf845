import { benchHead, pastOf, remember } from '@/core/bench/standing'
import type { KitState } from '@/core/log/fold'
import { sidesOf } from '@/core/records/plain'
import type { Settings } from '@/core/records/settings'
import type { SessionDeps } from './deps'
import { kitOf } from './state'

type Deps = Pick<SessionDeps, 'nowMs' | 'place' | 'believe'>

/**
 * Has it worked out where a kit's heads were left, beside the page, before a place asks for all of it at once: what was worked
 * out stays with the log.
 * @param drum only the heads of this one; null for all
 */
async function believeKit(deps: Deps, kit: KitState, drum: string | null = null): Promise<void> {
  const heads = kit.drums
    .filter(({ id }) => drum === null || id === drum)
    .flatMap((each) =>
      sidesOf(each).flatMap((side) => {
        const head = benchHead(kit, each, side, kit.simulated, deps.nowMs())
        const past = pastOf(head)
        return past ? [{ head, past }] : []
      }),
    )
  if (heads.length === 0) return
  const believed = await deps.believe(heads.map(({ past }) => past))
  believed?.forEach((each, i) => remember(heads[i].head, each))
}

/** What the place that is open asks first of the kit on screen. @returns the rest, to be worked out when there is time */
export async function believeFirst(
  deps: Deps,
  kits: readonly KitState[],
  settings: Settings,
): Promise<() => Promise<void>> {
  const kit = kitOf({ kits, settings })
  const place = deps.place()
  const rest = () => (kit ? believeKit(deps, kit) : Promise.resolve())
  if (kit && place === '/bench') await believeKit(deps, kit, settings.drum ?? kit.drums[0]?.id ?? null)
  if (!OF_THE_KIT.includes(place)) return rest
  await rest()
  return () => Promise.resolve()
}

/** Places that show all heads at once. */
const OF_THE_KIT = ['/', '/run', '/sheets', '/spacing', '/print']
