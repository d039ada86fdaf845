import { pastOf, remember } from '@/core/status/ahead'
import type { KitState } from '@/core/log/fold'
import type { Settings } from '@/core/records/settings'
import type { SessionDeps } from './deps'
import { hereOf } from './here'
import { kitOf } from './state'

type Deps = Pick<SessionDeps, 'nowMs' | 'place' | 'believe'>

/**
 * Has it worked out where a kit's heads were left, beside the page, before a place asks for all of it at once: what was worked
 * out stays with the log.
 * @param drum only the heads of this one; null for all
 */
async function believeKit(
  deps: Deps,
  settings: Settings,
  kit: KitState,
  drum: string | null = null,
): Promise<void> {
  const here = hereOf({ settings, clockMs: deps.nowMs() }, kit)
  const drums = kit.drums
    .filter(({ id }) => drum === null || id === drum)
    .flatMap((each) => {
      const past = pastOf(here, each)
      return past ? [{ drum: each, past }] : []
    })
  if (drums.length === 0) return
  const believed = await deps.believe(drums.map(({ past }) => past))
  believed?.forEach((each, i) => remember(here, drums[i].drum, each))
}

/** What the place that is open asks first of the kit on screen. @returns the rest, to be worked out when there is time */
export async function believeFirst(
  deps: Deps,
  kits: readonly KitState[],
  settings: Settings,
): Promise<() => Promise<void>> {
  const kit = kitOf({ kits, settings })
  const place = deps.place()
  const rest = () => (kit ? believeKit(deps, settings, kit) : Promise.resolve())
  if (kit && place === '/bench')
    await believeKit(deps, settings, kit, settings.drum ?? kit.drums[0]?.id ?? null)
  if (!OF_THE_KIT.includes(place)) return rest
  await rest()
  return () => Promise.resolve()
}

/** Places that show all heads at once. */
const OF_THE_KIT = ['/', '/run', '/sheets', '/spacing', '/print']
