'use client'

import { useEffect, useState } from 'react'
import { compareHz, compareOnPractice, startComparing, stopComparing } from '@/session/actions/twoTaps'
import { useBenchView } from '@/session/benchReact'
import { useSelect, useSession } from '@/session/react'
import { hzText, noteText } from '@/text/heads'
import { twoTapsText } from '@/text/strokes'
import { Button } from '@/ui/Button'
import { Modal } from '@/ui/Modal'
import { PitchEntry } from '../PitchEntry'
import { useCommander } from '../../shell/commander'
import { LugPicks } from '@/ui/LugPicks'

/** Which of two is higher, and by how much: two lugs, the two heads, this drum and the next. */
export function TwoTapsDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const state = useSelect(({ bench, hearing, settings, source }) => ({ bench, hearing, settings, source }))
  const view = useBenchView()
  const { run } = useCommander()
  const [lug, setLug] = useState(1)
  const { bench, hearing, source, settings } = state
  useEffect(() => {
    if (!session) return
    startComparing(session)
    return () => stopComparing(session)
  }, [session])
  if (!session || !view) return null
  return (
    <Modal
      open
      onClose={onClose}
      title="Two taps"
      description="Two lugs, the two heads, this drum and the next. Nothing of it is kept."
    >
      <p aria-live="polite" className="text-3xl leading-tight font-bold">
        {twoTapsText(bench.twoTaps)}
      </p>
      <ol className="mt-2 min-h-14 text-lg">
        {bench.twoTaps.map((hz, i) => (
          <li key={i}>
            {i === 0 ? 'first' : 'second'}: <b>{hzText(hz)} Hz</b>, {noteText(hz, settings.a4Hz)}
          </li>
        ))}
      </ol>
      {source === 'practice' ? (
        <>
          <LugPicks
            lugs={view.drum.lugs}
            chosen={[lug]}
            onChange={(next) => setLug(next.find((each) => each !== lug) ?? lug)}
            label="Lug"
          />
          <Button
            tone="act"
            className="mt-3"
            disabled={bench.busy !== null}
            onClick={() => void compareOnPractice(session, lug)}
          >
            Tap lug {lug}
          </Button>
          <p className="mt-2 text-[15px] text-soft">The practice drum is simulated.</p>
        </>
      ) : source === 'microphone' ? (
        <Button tone="act" onClick={() => run('bench.listen')}>
          {hearing.state === 'off' ? 'Listen' : 'Stop listening'}
        </Button>
      ) : (
        <PitchEntry
          label={bench.twoTaps.length === 1 ? 'Second pitch, Hz' : 'First pitch, Hz'}
          onTake={(hz) => compareHz(session, hz)}
        />
      )}
    </Modal>
  )
}
