import type { HeadEvent } from '../records/event'
import { EMPTY_HEAD, withHeadEvent } from './headLog'
import type { Sitting } from './sittings'

/** The sittings that a head's events make, as the fold cuts them; for tests. */
export function sittingsOf(events: readonly HeadEvent[], lugs: number): Sitting[] {
  return events
    .reduce((head, event) => withHeadEvent(head, event, lugs), EMPTY_HEAD)
    .sittings.map((each) => each.sitting(lugs))
}
