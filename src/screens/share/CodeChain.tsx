'use client'

import { useState } from 'react'
import type { KitState } from '@/core/log/fold'
import { chainOf, type Chain } from '@/session/actions/codes'
import type { Session } from '@/session/session'
import { Button } from '@/ui/Button'
import { Part } from './Part'
import { QrCode } from './QrCode'

/** The kit as a chain of codes for another device's camera: one after the other, no server between. */
export function CodeChain({ session, kit }: { session: Session; kit: KitState | null }) {
  const [chain, setChain] = useState<Chain | null>(null)
  const [at, setAt] = useState(0)
  if (!kit) return null
  return (
    <Part title="To a phone by its camera">
      {chain ? (
        <div>
          <QrCode
            text={chain.codes[at]}
            label={`Code ${at + 1} of ${chain.codes.length}`}
            className="w-full max-w-80"
          />
          <div className="mt-3 flex flex-wrap items-center gap-3">
            <Button disabled={at === 0} onClick={() => setAt(at - 1)}>
              Back
            </Button>
            <span className="text-lg font-bold" role="status">
              {at + 1} of {chain.codes.length}
            </span>
            <Button tone="act" disabled={at === chain.codes.length - 1} onClick={() => setAt(at + 1)}>
              Next
            </Button>
            <Button tone="quiet" className="underline" onClick={() => setChain(null)}>
              put away
            </Button>
          </div>
          <p className="mt-2 text-[15px] text-soft">
            {chain.whole
              ? 'The whole kit with its log: a device that has it gains what it does not know.'
              : 'Drums and sheets as they are; its log is too long for codes and goes by kit file.'}
          </p>
        </div>
      ) : (
        <>
          <p className="leading-snug">
            Shows {kit.name} as codes. Read one after the other with the phone’s camera and open each: when
            all are there, it asks whether to take the kit. The way back is the same, or a file.
          </p>
          <Button
            className="mt-2"
            onClick={() =>
              void chainOf(session).then((made) => {
                setAt(0)
                setChain(made)
              })
            }
          >
            Show the codes
          </Button>
        </>
      )}
    </Part>
  )
}
