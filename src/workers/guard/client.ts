import type { Guard } from '@/storage/guard'
import { watched } from '../watched'

/** Longer than a lifetime's log takes on a slow phone. */
const DEADLINE_MS = 120_000

type Checks = {
  [Name in keyof Guard]: (...args: Parameters<Guard[Name]>) => Awaited<ReturnType<Guard[Name]>>
}

/** The checks in a worker; where that cannot be had, here, loaded when they are needed: nothing unread is a loss. */
export function startGuard(): Guard {
  const worker = watched<Checks>(
    () => new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' }),
    {
      deadlineMs: () => DEADLINE_MS,
      onLost: () => undefined,
    },
  )
  const own = async () => (await import('@/storage/guard')).ownGuard
  return {
    events: (raw) => worker.events(raw).catch(async () => (await own()).events(raw)),
    practice: (raw) => worker.practice(raw).catch(async () => (await own()).practice(raw)),
    practised: (raw) => worker.practised(raw).catch(async () => (await own()).practised(raw)),
    kitFile: (text) => worker.kitFile(text).catch(async () => (await own()).kitFile(text)),
    settings: (raw) => worker.settings(raw).catch(async () => (await own()).settings(raw)),
  }
}
