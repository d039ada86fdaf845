'use client'

import { useEffect } from 'react'
import { drasticOf } from '@/core/bench/drastic'
import { startDrastic, askForLug } from '@/session/actions/stand'
import { useBenchView } from '@/session/benchReact'
import { useSelect, useSession } from '@/session/react'
import { DRASTIC_CAUTION, drasticRefusal, drasticStartText } from '@/text/drastic'
import { Frame, MainButton, Panel, Phrase } from '../../Frame'
import { DrasticStrip } from './DrasticStrip'
import { GoingPanel } from './GoingPanel'
import { EntryLink } from '../../../handbook/EntryLink'

/** One head a whole turn up and down on purpose: what it does to this drum, heard, drawn and learned. */
export function DrasticStep() {
  const session = useSession()
  const lug = useSelect((state) => state.bench.lug)
  const view = useBenchView()
  const going = view && drasticOf(view.kit, view.drum, view.practice)
  const here = going && !going.ended && going.side === view?.side ? going : null
  const wantsLug = here?.stage === 'read' && lug === null ? here.lugsRead + 1 : null
  useEffect(() => {
    // Lugs are read in this order, whatever evening would ask for.
    if (session && wantsLug !== null) askForLug(session, wantsLug)
  }, [session, wantsLug])
  if (!session || !view) return null
  const elsewhere = Boolean(going && !going.ended && !here)
  return (
    <Frame
      strip={<DrasticStrip drastic={going} side={view.side} />}
      panel={
        here ? (
          <GoingPanel view={view} drastic={here} />
        ) : (
          <Panel
            over="everyone should do this once with every drum"
            big={<Phrase>Up a turn, down past it, back</Phrase>}
            next={null}
            acts={
              <MainButton
                disabled={elsewhere}
                onClick={() => {
                  if (!startDrastic(session)) session.notify(drasticRefusal, { tone: 'caution' })
                }}
              >
                Begin on the {view.side} head
              </MainButton>
            }
          >
            <p className="text-lg leading-snug">{drasticStartText(elsewhere ? going!.side : null)}</p>
            <p className="mt-2 leading-snug text-caution">{DRASTIC_CAUTION}</p>
            <EntryLink entry="over-tension" />
          </Panel>
        )
      }
    />
  )
}
