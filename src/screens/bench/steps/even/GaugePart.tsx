'use client'

import { numberWithin } from '@/core/units/number'
import { keepGaugeLaw, takeDial } from '@/session/actions/gauge'
import { useSelect, useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import { NumberEntry } from '@/ui/NumberEntry'

const FURTHEST = 1000

/** Reading by a dial gauge: silent, one number a lug, on the dial's own scale. */
export function GaugePart() {
  const session = useSession()
  const { settings, advice } = useSelect(({ settings, advice }) => ({ settings, advice }))
  if (!session) return null
  const learned = advice?.answer.plan.gaugeLaw ?? null
  return (
    <>
      <NumberEntry
        label="Dial"
        wrongText="The number that the needle shows, such as 62.5."
        read={numberWithin(-FURTHEST, FURTHEST)}
        onTake={(dial) => takeDial(session, dial)}
      />
      <div className="mt-3 text-[15px] text-soft">
        {settings.gaugeLaw ? (
          <p>
            This dial’s law is known: it tells pitch as well as evenness.{' '}
            <Button tone="quiet" className="-my-2 px-1 underline" onClick={() => keepGaugeLaw(session, null)}>
              Another gauge
            </Button>
          </p>
        ) : learned ? (
          <Button onClick={() => keepGaugeLaw(session, learned)}>Keep this gauge’s law</Button>
        ) : (
          <p>
            Any dial will do. Until it was read beside two known pitches only evenness counts: read a head by
            both, turn all rods, read again.
          </p>
        )}
      </div>
    </>
  )
}
