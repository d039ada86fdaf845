'use client'

import { useEffect } from 'react'
import { drasticOf, DRASTIC_PLACES, type Drastic } from '@/core/bench/drastic'
import { startDrastic, askForLug, endDrastic, turnDrastic } from '@/session/actions/stand'
import { useBenchView } from '@/session/benchReact'
import { useSelect, useSession } from '@/session/react'
import { DRASTIC_CAUTION, drasticRefusal, drasticStartText, drasticWayText } from '@/text/drastic'
import { Frame, MainButton, Panel, Phrase } from '../../Frame'
import { DrasticStrip } from './DrasticStrip'
import { EntryLink } from '../../../handbook/EntryLink'
import { allRodsText } from '@/text/relation'
import { CHECK_LUGS } from '@/core/bench/climbing'
import { startListening } from '@/session/actions/listening'
import { tapPractice } from '@/session/actions/practice'
import { typeReading } from '@/session/actions/said'
import type { BenchView } from '@/session/benchView'
import { Button } from '@/ui/Button'
import { PitchEntry } from '@/screens/bench/PitchEntry'
import { StrokePart } from '@/screens/bench/StrokePart'

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

/** The turn, the lugs or the stroke that comes next, and the way out. */
function GoingPanel({ view, drastic }: { view: BenchView; drastic: Drastic }) {
  const session = useSession()
  if (!session) return null
  const { stage, strokes, up, down, next } = drastic
  const big = {
    strike: `Strike the centre, ${DRASTIC_PLACES[strokes.length]}`,
    turn: `All rods ${allRodsText(next)}, press`,
    read: `Read ${CHECK_LUGS} lugs, ${drastic.lugsRead} read`,
    over: 'Back where it was',
  }[stage]
  const main =
    stage === 'turn' ? (
      <MainButton onClick={() => turnDrastic(session, next)}>Turned and pressed</MainButton>
    ) : stage === 'read' ? (
      <ReadLugs view={view} />
    ) : stage === 'strike' ? (
      <StrokePart view={view} label="Strike it" main />
    ) : (
      <MainButton onClick={() => endDrastic(session)}>Done</MainButton>
    )
  return (
    <Panel over="one turn on purpose" big={<Phrase>{big}</Phrase>} next={null} acts={main}>
      {stage === 'turn' ? (
        <>
          <p className="leading-snug text-caution">{DRASTIC_CAUTION}</p>
          <EntryLink entry="over-tension" />
        </>
      ) : null}
      <p className="mt-2 leading-snug text-soft">{drasticWayText(up, down)}</p>
      {stage === 'over' ? null : (
        <>
          <Button className="mt-3" onClick={() => endDrastic(session)}>
            Break it off
          </Button>
          {strokes.length > 1 ? <p className="mt-1 text-soft">The head stays where it stands now.</p> : null}
        </>
      )}
    </Panel>
  )
}

/** A lug or two after the turns, from where readings come from. */
function ReadLugs({ view }: { view: BenchView }) {
  const session = useSession()
  const { source, bench, hearing } = useSelect(({ source, bench, hearing }) => ({ source, bench, hearing }))
  if (!session) return null
  if (source === 'practice') {
    return (
      <MainButton disabled={bench.busy !== null} onClick={() => void tapPractice(session)}>
        Tap lug {view.lug}
      </MainButton>
    )
  }
  if (source === 'microphone') {
    return (
      <Button tone="act" big disabled={hearing.state !== 'off'} onClick={() => void startListening(session)}>
        {hearing.state === 'on' ? `Listening: tap lug ${view.lug}` : 'Listen'}
      </Button>
    )
  }
  return <PitchEntry label={`Lug ${view.lug}, Hz`} onTake={(hz, text) => typeReading(session, hz, text)} />
}
