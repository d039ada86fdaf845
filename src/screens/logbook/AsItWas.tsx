'use client'

import { useEffect, useState } from 'react'
import { RimChart } from '@/charts/RimChart'
import { rimModel } from '@/charts/rim.model'
import { sheetTarget, targetLugHz } from '@/core/status/targets'
import type { PastSitting } from '@/core/log/history'
import type { Pass } from '@/core/log/sittings'
import type { Drum, Side } from '@/core/records/kit'
import { benchThen, type Then } from '@/session/actions/logbook'
import type { Session } from '@/session/session'
import { hzText } from '@/text/heads'
import { dateTimeText } from '@/text/logbook'
import { turnsLabel } from '@/text/turns'
import { Button } from '@/ui/Button'
import { Modal } from '@/ui/Modal'
import { useWidth } from '@/ui/useWidth'

const HEIGHT = 210

interface Props {
  session: Session
  drum: Drum
  side: Side
  past: PastSitting
  onClose: () => void
  onBack: (past: PastSitting) => void
}

/** The bench as it was at the end of a sitting: to be looked at, not worked on. */
export function AsItWas({ session, drum, side, past, onClose, onBack }: Props) {
  const [then, setThen] = useState<Then | null | 'reading'>('reading')
  useEffect(() => {
    let over = false
    void benchThen(session, drum.id, side, Date.parse(past.to)).then(
      (found) => !over && setThen(found),
      () => !over && setThen(null),
    )
    return () => {
      over = true
    }
  }, [session, drum.id, side, past])
  return (
    <Modal
      open
      wide
      onClose={onClose}
      title={`${drum.name} ${side}, ${dateTimeText(past.to)}`}
      description="As it was then. Nothing can be changed here."
    >
      {then === 'reading' ? (
        <p role="status">Reading the log…</p>
      ) : then?.sitting ? (
        <Passes then={then} side={side} />
      ) : (
        <p>The log does not reach back to that day on this device.</p>
      )}
      {past.left || past.found ? (
        <Button tone="act" className="mt-4" onClick={() => onBack(past)}>
          Bring it back there
        </Button>
      ) : null}
    </Modal>
  )
}

function Passes({ then, side }: { then: Then; side: Side }) {
  const passes = then.sitting!.passes.filter(({ readings, turns }) => readings.size > 0 || turns)
  const read = passes.findLastIndex(({ readings }) => readings.size > 0)
  const [at, setAt] = useState(Math.max(0, read))
  const pass = passes[at]
  if (!pass) return <p>Nothing of that sitting was read by pitch.</p>
  return (
    <>
      <div role="group" aria-label="Rounds of that sitting" className="flex flex-wrap gap-2">
        {passes.map((_, i) => (
          <Button key={i} tone={i === at ? 'line' : 'quiet'} aria-pressed={i === at} onClick={() => setAt(i)}>
            round {i + 1}
          </Button>
        ))}
      </div>
      <Rim then={then} side={side} pass={pass} />
      <p className="mt-2 text-lg">
        {pass.turns?.some((turn) => turn !== 0)
          ? `Then turned: ${turnsLabel(pass.turns)}.`
          : 'Nothing was turned after it.'}
      </p>
    </>
  )
}

function Rim({ then: { kit, drum, report }, side, pass }: { then: Then; side: Side; pass: Pass }) {
  const [ref, width] = useWidth<HTMLDivElement>(700)
  const readings = [...pass.readings.values()]
  const target = sheetTarget(kit, drum.id, side)
  const mean = Math.exp(
    readings.reduce((sum, { hz }) => sum + Math.log(hz), 0) / Math.max(1, readings.length),
  )
  const zeroHz = target?.meanHz ?? report?.believed?.meanHz ?? (readings.length ? mean : 100)
  const model = rimModel({
    ...{ width, height: HEIGHT, lugs: drum.lugs, zeroHz, expected: [], fit: null },
    targetHz: target ? targetLugHz(target, drum.lugs) : new Array<number>(drum.lugs).fill(zeroHz),
    toleranceCents: target?.toleranceCents ?? 6,
    readings: readings.map(({ lug, hz, standardErrorHz, events }) => ({
      ...{ lug, hz, errorHz: standardErrorHz, taps: events.length },
    })),
  })
  const words = readings.map(({ lug, hz }) => `lug ${lug} ${hzText(hz)}`).join(', ')
  return (
    <div ref={ref} className="mt-3 bg-tape">
      <RimChart model={model} width={width} height={HEIGHT} label={words || 'not read'} lug={null} />
    </div>
  )
}
