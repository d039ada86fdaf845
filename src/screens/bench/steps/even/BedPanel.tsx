'use client'

import { KeyMap } from '@/charts/KeyMap'
import { keyMapModel } from '@/charts/keymap.model'
import { setBed } from '@/session/actions/kits'
import type { BenchView } from '@/session/benchView'
import { useSession } from '@/session/react'
import { bedQuestionText } from '@/text/snare'
import { listText } from '@/text/turns'
import { Button } from '@/ui/Button'
import { useCommander } from '../../../shell/commander'
import { Acts, Phrase } from '../../Frame'
import { lookText, useMapLook } from '../../useMapLook'

/** A snare side whose readings look like a bed: asked once, before anything is turned. */
export function BedPanel({ view: { drum, bedToAsk: bed } }: { view: BenchView }) {
  const session = useSession()
  const { open } = useCommander()
  const look = useMapLook()
  if (!session || !bed) return null
  return (
    <>
      <p className="text-soft">before anything is turned</p>
      <Phrase>Lugs {listText(bed.lugs)}</Phrase>
      <p className="mt-3 text-lg leading-snug">
        <b>Do these lugs stand beside the snare bed?</b> {bedQuestionText(bed)}
      </p>
      <div className="mt-2 max-md:hidden">
        <KeyMap
          model={keyMapModel(150, new Array<number>(drum.lugs).fill(0), bed.lugs, null, look)}
          label={`Lugs ${listText(bed.lugs)} on the snare side, ${lookText(look)}`}
        />
      </div>
      <Acts>
        <Button tone="act" big className="px-4" onClick={() => setBed(session, drum, bed)}>
          They do
        </Button>
        <Button big className="px-3.5 text-base font-normal" onClick={() => open('bed')}>
          Other lugs
        </Button>
        <Button
          big
          className="px-3.5 text-base font-normal"
          onClick={() => setBed(session, drum, { lugs: [], cents: 0 })}
        >
          No, even all
        </Button>
      </Acts>
    </>
  )
}
