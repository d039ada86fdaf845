'use client'

import { useEffect } from 'react'
import { typeCentre } from '@/session/actions/centre'
import { listenForCentre, meanCentre, strikeCentre } from '@/session/actions/pair'
import type { BenchView } from '@/session/benchView'
import { useSelect, useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import { PitchEntry } from './PitchEntry'
import { useCommander } from '../shell/commander'

interface Props {
  view: BenchView
  label?: string
  /** It is what the hand does now: the large brass button. */
  main?: boolean
}

/** One stroke on the centre with both heads free, from where readings come from. */
export function StrokePart({ view, label = 'Strike the centre', main = false }: Props) {
  const session = useSession()
  const { bench, hearing, source } = useSelect(({ bench, hearing, source }) => ({ bench, hearing, source }))
  const { run } = useCommander()
  // What is struck after this is closed is a lug's again.
  useEffect(
    () => () => {
      if (session) session.set({ bench: { ...session.get().bench, strike: 'lug', centreWhy: null } })
    },
    [session],
  )
  if (!session) return null
  const look = main ? ({ tone: 'act', big: true, className: 'max-md:grow' } as const) : { className: 'mt-2' }
  const listening = bench.strike === 'centre' && hearing.state === 'on'
  return (
    <>
      {source === 'practice' ? (
        <Button {...look} disabled={bench.busy !== null} onClick={() => void strikeCentre(session)}>
          {label}
        </Button>
      ) : source === 'microphone' ? (
        <Button {...look} disabled={listening} onClick={() => void listenForCentre(session)}>
          {listening ? 'Listening: strike the centre, both heads free' : 'Listen for the centre'}
        </Button>
      ) : source === 'file' ? (
        <Button
          {...look}
          disabled={bench.busy !== null}
          onClick={() => {
            meanCentre(session)
            run('bench.file')
          }}
        >
          Read a recording of the centre
        </Button>
      ) : (
        <PitchEntry label="Centre pitch, Hz or note" onTake={(hz) => typeCentre(session, view, hz)} />
      )}
      {bench.centreWhy ? (
        <p role="alert" className="mt-2 text-caution">
          {bench.centreWhy}
        </p>
      ) : null}
    </>
  )
}
