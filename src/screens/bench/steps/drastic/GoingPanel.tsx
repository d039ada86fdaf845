'use client'

import { allRodsText } from '@/text/relation'
import { CHECK_LUGS } from '@/core/bench/climbing'
import { DRASTIC_PLACES, type Drastic } from '@/core/bench/drastic'
import { startListening } from '@/session/actions/listening'
import { tapPractice } from '@/session/actions/practice'
import { typeReading } from '@/session/actions/said'
import { endDrastic, turnDrastic } from '@/session/actions/stand'
import type { BenchView } from '@/session/benchView'
import { useSelect, useSession } from '@/session/react'
import { DRASTIC_CAUTION, drasticWayText } from '@/text/drastic'
import { Button } from '@/ui/Button'
import { PitchEntry } from '../../PitchEntry'
import { MainButton, Panel, Phrase } from '../../Frame'
import { StrokePart } from '../../StrokePart'
import { EntryLink } from '../../../handbook/EntryLink'

/** The turn, the lugs or the stroke that comes next, and the way out. */
export function GoingPanel({ view, drastic }: { view: BenchView; drastic: Drastic }) {
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
