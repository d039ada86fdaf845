'use client'

import { PlaceError } from '@/screens/shell/PlaceError'

/** A place that could not be shown: said on the place, with everything else as it was. */
export default function Error({ error, reset }: { error: Error; reset: () => void }) {
  return <PlaceError error={error} onAgain={reset} />
}
