import type { KitChange } from '@/core/records/event'
import type { Session } from '../session'

/** Changes of a kit that every place makes: by themselves, so that who only looks at the kit loads no more. */

/** A change of a kit as an event draft. */
export function kitEdit(change: KitChange) {
  return { kind: 'kitEdited' as const, change, source: 'hand' as const, algorithm: null }
}

export function chooseSheet(session: Session, sheet: string | null): void {
  session.append([kitEdit({ what: 'sheetChosen', sheet })])
}
