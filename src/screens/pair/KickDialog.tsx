'use client'

import { frontChoices } from '@/core/bench/pairing'
import { PORT_SAYS } from '@/core/pair/kick'
import { hearPair } from '@/session/actions/compare'
import { chooseHead } from '@/session/actions/kits'
import { aimPair, pairOf } from '@/session/actions/pair'
import { setAim } from '@/session/actions/sheets'
import { useBenchView, useSession } from '@/session/react'
import { hzText } from '@/text/heads'
import { allRodsText, ringText } from '@/text/pair'
import { Button } from '@/ui/Button'
import { Modal } from '@/ui/Modal'
import { Muffling } from './Muffling'
import { StrokePart } from './StrokePart'

/** The kick: batter for feel, front for tone, a port or none, and muffling in layers. */
export function KickDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const view = useBenchView()
  const pair = session && view ? pairOf(session, view) : null
  if (!session || !view || !pair) return null
  const { drum } = view
  const choices = frontChoices(pair)
  return (
    <Modal
      open
      wide
      onClose={onClose}
      title={`The kick: ${drum.name}`}
      description="The batter is a choice of feel, the front head of tone. Up from where the wrinkles have just gone."
    >
      <div className="gap-8 md:grid md:grid-cols-2">
        <div>
          <section aria-label="Batter">
            <h3 className="text-xl font-bold">1. Batter, for feel</h3>
            <p className="mt-1 leading-snug">
              Wrinkles just gone, then every rod {allRodsText(choices.turns)} for {drum.diameterInches}{' '}
              inches: about {hzText(choices.start)} Hz. A larger shell wants relatively more, or it slaps and
              has no body.
            </p>
            <p className="mt-1 text-soft">
              {pair.batterHz === null ? 'Not read yet.' : `Now ${hzText(pair.batterHz)} Hz.`}
            </p>
            <Button
              tone="act"
              className="mt-2"
              onClick={() => {
                setAim(session, drum, 'batter', { kind: 'hz', hz: Math.round(10 * choices.start) / 10 })
                chooseHead(session, drum.id, 'batter')
                onClose()
              }}
            >
              Aim the batter at {hzText(choices.start)} Hz
            </Button>
          </section>
          <section aria-label="Front head" className="mt-6">
            <h3 className="text-xl font-bold">2. Front, for tone</h3>
            <p className="mt-1 leading-snug text-soft">
              With the batter at {hzText(choices.from)} Hz, whatever the muffling:
            </p>
            <ul>
              {choices.fronts.map(({ label, expect, batterHz, resonantHz, centre, ring }) => (
                <li key={label} className="border-b border-line py-1">
                  <p className="leading-snug">
                    <span className="font-bold">
                      {label}, {hzText(resonantHz)} Hz
                    </span>
                    : {expect}
                  </p>
                  <p className="text-sm text-soft">
                    the model: speaks near {hzText(centre.hz)} Hz, give or take{' '}
                    {Math.round(centre.errorCents)} c; rings {ringText(ring)}
                  </p>
                  <Button
                    tone="quiet"
                    className="-ml-2 underline"
                    aria-label={`Aim the front ${label}`}
                    onClick={() => {
                      aimPair(session, { batterHz, resonantHz })
                      chooseHead(session, drum.id, 'resonant')
                      onClose()
                    }}
                  >
                    aim there
                  </Button>
                  <Button
                    tone="quiet"
                    className="underline"
                    aria-label={`Hear the front ${label}`}
                    onClick={() => void hearPair(session, batterHz, resonantHz)}
                  >
                    hear it
                  </Button>
                </li>
              ))}
            </ul>
            <p className="mt-2 leading-snug text-soft">Both heads slack: a thud.</p>
          </section>
        </div>
        <div>
          <section aria-label="Port" className="max-md:mt-6">
            <h3 className="text-xl font-bold">3. Port</h3>
            <p className="mt-1 leading-snug">
              {drum.portInches ? `A hole of ${drum.portInches} inches in the front head.` : 'None noted.'}{' '}
              {drum.portInches ? PORT_SAYS.ported : PORT_SAYS.none}
            </p>
            <p className="mt-1 leading-snug text-soft">
              {drum.portInches ? '' : PORT_SAYS.ported} Its size is noted with the drum, under Kit.
            </p>
            <p className="mt-1 leading-snug text-caution">{PORT_SAYS.caution}</p>
          </section>
          <h3 className="mt-6 text-xl font-bold">4. Muffling, lightest first</h3>
          <Muffling view={view} />
          <StrokePart view={view} label="Strike the centre, as it is" />
          <p className="mt-2 text-sm leading-snug text-soft">
            Strike from the audience side with the pedal too. A tone too low for the microphone is told by the
            ones above it, and Humbra says which.
          </p>
        </div>
      </div>
    </Modal>
  )
}
