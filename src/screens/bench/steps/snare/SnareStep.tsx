'use client'

import { drumStatus } from '@/core/status/drum'
import { wiresOf } from '@/core/status/strokes'
import { BATTER_RANGES, scaledRange, SNARE_SIDE_HZ, snareHeadAge } from '@/core/pair/snare'
import { chooseHead } from '@/session/actions/kits'
import { setAim } from '@/session/actions/sheets'
import { useBenchView } from '@/session/benchReact'
import { useSession } from '@/session/react'
import { isOffPitch, toleranceOf } from '@/core/status/targets'
import { centsBetween } from '@/core/units/pitch'
import { hzText } from '@/text/heads'
import { snareAgeText, snareSideText } from '@/text/snare'
import { Button } from '@/ui/Button'
import { useCommander } from '../../../shell/commander'
import { Frame, Panel, Phrase } from '../../Frame'
import { SnareStrip } from './SnareStrip'
import { Wires } from './Wires'

/** The snare drum: its thin side first and tight, wires off while reading, then batter and wires. */
export function SnareStep() {
  const session = useSession()
  const view = useBenchView()
  const { open, run } = useCommander()
  if (!session || !view) return null
  const { kit, drum, practice } = view
  const { heads } = drumStatus(view.here, drum)
  const [batterHz, resonantHz] = [heads.batter.pitch.hz, heads.resonant.pitch.hz]
  const sideHz = Math.round(scaledRange(SNARE_SIDE_HZ, drum.diameterInches))
  const aim = (side: 'batter' | 'resonant', hz: number) => {
    setAim(session, drum, side, { kind: 'hz', hz })
    chooseHead(session, drum.id, side)
  }
  // The hand's next thing: the thin side tight, then a batter, then the wires.
  const tight =
    resonantHz !== null &&
    !isOffPitch(centsBetween(sideHz, resonantHz), toleranceOf(drum, 'resonant', sideHz))
  const wires = wiresOf(kit, drum, practice)
  return (
    <Frame
      strip={
        <SnareStrip
          drum={drum}
          batterHz={batterHz}
          resonantHz={resonantHz}
          sideHz={sideHz}
          ranges={BATTER_RANGES.map(({ hz, label, says }) => ({
            ...{ label, says, hz: Math.round(scaledRange(hz, drum.diameterInches)) },
          }))}
          wires={wires}
          onAim={(hz) => aim('batter', hz)}
        />
      }
      panel={
        <Panel
          over="wires off, or a stick under them"
          big={
            <Phrase>
              {tight || resonantHz !== null
                ? wires
                  ? 'Wires as noted'
                  : 'Wires until they just touch'
                : `Snare side to ${sideHz} Hz`}
            </Phrase>
          }
          acts={
            tight ? undefined : (
              <Button
                tone={resonantHz === null ? 'act' : 'line'}
                big={resonantHz === null}
                className="max-md:grow"
                onClick={() => aim('resonant', sideHz)}
              >
                Aim the snare side at {sideHz} Hz
              </Button>
            )
          }
        >
          <p className="leading-snug">{snareSideText(sideHz, drum.diameterInches)}</p>
          <p className="mt-1 leading-snug text-soft">
            Now {resonantHz === null ? 'not read' : `${hzText(resonantHz)} Hz`}.{' '}
            {snareAgeText(snareHeadAge(drum.resonant.fittedOn, view.here.nowMs))}
          </p>
          <div className="-ml-2 flex flex-wrap">
            <Button tone="quiet" className="underline" onClick={() => open('bed')}>
              {drum.snareBed
                ? `Bed lugs ${drum.snareBed.lugs.join(', ')}: ${drum.snareBed.cents} c lower`
                : 'Choose the bed’s lugs'}
            </Button>
            <Button tone="quiet" className="underline" onClick={() => run('bench.uneven')}>
              Uneven, rod by rod
            </Button>
          </div>
          <Wires view={view} />
        </Panel>
      }
    />
  )
}
