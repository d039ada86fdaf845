'use client'

import type { DrumPair } from '@/core/status/drum'
import type { PairBelief } from '@/core/pair/belief'
import { chooseHead } from '@/session/actions/kits'
import { listenForCentre, strikeCentre } from '@/session/actions/pair'
import type { BenchView } from '@/session/benchView'
import { useSelect, useSession } from '@/session/react'
import { standsText } from '@/text/pair'
import { Button } from '@/ui/Button'

/** What is only foretold, and the one reading that would help most, as a button. */
export function ReadNext({ stands, pair, view }: { stands: PairBelief; pair: DrumPair; view: BenchView }) {
  const session = useSession()
  const source = useSelect((state) => state.source)
  const { read } = pair.stands
  const says = standsText(stands, {
    ...pair.now,
    batterHz: read.batter ? pair.batterHz : null,
    resonantHz: read.resonant ? pair.resonantHz : null,
  })
  if (!says || !session) return null
  const { readNext } = stands
  // Where the centre is typed or taken from a file its field is below.
  const byButton = readNext !== 'centre' || source === 'practice' || source === 'microphone'
  return (
    <div className="mb-3 border-b border-line pb-2">
      <p className="leading-snug">{says}</p>
      {readNext && byButton ? (
        <Button
          className="mt-2"
          onClick={() => {
            if (readNext !== 'centre') chooseHead(session, view.drum.id, readNext)
            else void (source === 'practice' ? strikeCentre(session) : listenForCentre(session))
          }}
        >
          Read it
        </Button>
      ) : null}
    </div>
  )
}
