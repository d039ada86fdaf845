import type { HumbraEvent } from './event'
import { migrateEvent } from './migrations'

/**
 * Whether two entries of one id say the same: whatever the order of their fields, the form that they were written in, and their
 * order within the moment, which the log that an older form stood in gave them.
 */
export function sameEvent(one: HumbraEvent, other: HumbraEvent): boolean {
  return text(one) === text(other)
}

const text = (event: HumbraEvent) =>
  JSON.stringify(migrateEvent(event), (key, value: unknown) => {
    if (key === 'nth') return undefined
    if (typeof value !== 'object' || value === null || Array.isArray(value)) return value
    return Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
  })
