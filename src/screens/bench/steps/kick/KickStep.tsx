'use client'

import { frontChoices } from '@/core/bench/pairing'
import { PORT_SAYS } from '@/core/pair/kick'
import { hearPair } from '@/session/actions/compare'
import { chooseHead } from '@/session/actions/kits'
import { aimPair } from '@/session/actions/pair'
import { setAim } from '@/session/actions/sheets'
import { useBenchView } from '@/session/benchReact'
import { useSelect, useSession } from '@/session/react'
import { pairView } from '@/session/selectors'
import { hzText } from '@/text/heads'
import { kickFeelText, kickMoveText, portText, FRONT_NOTE, frontText } from '@/text/kick'
import { Button } from '@/ui/Button'
import { Frame, Panel, Phrase, StripFrame } from '../../Frame'
import { Muffling } from '../ring/Muffling'
import { EntryLink } from '../../../handbook/EntryLink'

/** The kick: batter for feel, front for tone, a port or none, and muffling in layers. */
export function KickStep() {
  const session = useSession()
  const view = useBenchView()
  const pair = useSelect(pairView)
  if (!session || !view || !pair) return null
  const { drum } = view
  const choices = frontChoices(pair)
  const aimFront = (at: { batterHz: number; resonantHz: number }) => {
    aimPair(session, at)
    chooseHead(session, drum.id, 'resonant')
  }
  const aimBatter = () => {
    setAim(session, drum, 'batter', { kind: 'hz', hz: Math.round(10 * choices.start) / 10 })
    chooseHead(session, drum.id, 'batter')
  }
  const unread = pair.batterHz === null
  const port = portText(drum.portInches)
  return (
    <Frame
      strip={
        <KickStrip
          from={choices.from}
          fronts={choices.fronts}
          nowHz={pair.resonantHz}
          onAim={aimFront}
          onHear={({ batterHz, resonantHz }) => void hearPair(session, batterHz, resonantHz)}
        />
      }
      panel={
        <Panel
          over="batter for feel, front for tone"
          big={<Phrase>{kickMoveText(choices, pair.batterHz)}</Phrase>}
          acts={
            <Button tone={unread ? 'act' : 'line'} big={unread} className="max-md:grow" onClick={aimBatter}>
              Aim the batter at {hzText(choices.start)} Hz
            </Button>
          }
        >
          <p className="leading-snug">{kickFeelText(choices, drum.diameterInches, pair.batterHz)}</p>
          <section aria-label="Port" className="mt-3">
            <h2 className="font-bold">Port</h2>
            <p className="leading-snug">
              {port.says} <span className="text-soft">{port.other}</span>
            </p>
            <p className="leading-snug text-caution">{PORT_SAYS.caution}</p>
            <EntryLink entry="cutting-heat-and-dust" />
          </section>
          <Muffling view={view} />
        </Panel>
      }
    />
  )
}

type Front = ReturnType<typeof frontChoices>['fronts'][number]

interface Props {
  from: number
  fronts: readonly Front[]
  nowHz: number | null
  onAim: (front: Front) => void
  onHear: (front: Front) => void
}

/** Front heads side by side on tape: what people say of each, and what the model foretells. */
function KickStrip({ from, fronts, nowHz, onAim, onHear }: Props) {
  return (
    <StripFrame
      label="Front head"
      seed={78}
      over={
        <>
          <span className="text-xl font-bold">
            front {nowHz === null ? 'not read' : `${hzText(nowHz)} Hz`}
          </span>
          <span className="text-soft">with the batter at {hzText(from)} Hz, whatever the muffling</span>
        </>
      }
    >
      <ul>
        {fronts.map((front) => (
          <li
            key={front.label}
            className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line py-2.5"
          >
            <span className="min-w-56 flex-1 leading-snug">
              <span className="text-lg font-bold">
                {front.label}, {hzText(front.resonantHz)} Hz
              </span>
              <span className="block">{front.expect}</span>
              <span className="block text-[15px] text-soft">{frontText(front)}</span>
            </span>
            <span className="flex gap-2">
              <Button aria-label={`Aim the front ${front.label}`} onClick={() => onAim(front)}>
                aim there
              </Button>
              <Button aria-label={`Hear the front ${front.label}`} onClick={() => onHear(front)}>
                hear it
              </Button>
            </span>
          </li>
        ))}
      </ul>
      <p className="mt-3 leading-snug text-soft">{FRONT_NOTE}</p>
    </StripFrame>
  )
}
