'use client'

import { useState, type FormEvent } from 'react'
import { parseNumber } from '@/core/units/number'
import { wiresOf } from '@/core/status/strokes'
import { setWires } from '@/session/actions/stand'
import type { BenchView } from '@/session/benchView'
import { useSession } from '@/session/react'
import { wiresText } from '@/text/snare'
import { Button } from '@/ui/Button'
import { Choice } from '@/ui/Choice'
import { Field, INPUT_CLASS } from '@/ui/Field'

const RATTLES = [
  { value: 'unknown', label: 'not checked' },
  { value: 'no', label: 'none' },
  { value: 'yes', label: 'they rattle on' },
] as const

const UNITS = [
  { value: 'clicks', label: 'clicks' },
  { value: 'turns', label: 'turns' },
] as const

/** How tight the wires are, from where they just touch, and what the rattle check said. */
export function Wires({ view }: { view: BenchView }) {
  const session = useSession()
  const last = wiresOf(view.kit, view.drum, view.practice)
  const [knob, setKnob] = useState('')
  const [unit, setUnit] = useState<'clicks' | 'turns'>(last?.unit ?? 'clicks')
  const [rattles, setRattles] = useState<(typeof RATTLES)[number]['value']>('unknown')
  const [wrong, setWrong] = useState(false)
  if (!session) return null
  const submit = (event: FormEvent) => {
    event.preventDefault()
    const value = parseNumber(knob) ?? NaN
    if (knob.trim() === '' || !(Math.abs(value) <= 100)) return setWrong(true)
    setWires(session, value, unit, rattles === 'unknown' ? null : rattles === 'yes')
    setWrong(false)
    setKnob('')
  }
  return (
    <section aria-label="Wires" className="mt-2 border-t border-line pt-2">
      <p className="leading-snug">
        Strainer on, knob back until they flap, then up until they just touch: that is zero. Count from there;
        a touch looser lets the drum sing.
      </p>
      <p className="mt-1 text-soft">{wiresText(last)}</p>
      <form onSubmit={submit} className="mt-2">
        <div className="flex items-end gap-3">
          <Field label="knob past touching" {...(wrong ? { error: 'A number such as 6 or 1.5.' } : {})}>
            <input
              inputMode="decimal"
              value={knob}
              onChange={(event) => setKnob(event.target.value)}
              className={`${INPUT_CLASS} max-w-28`}
            />
          </Field>
          <Choice label="counted in" value={unit} items={UNITS} onChange={setUnit} />
        </div>
        <p className="mt-2 leading-snug">
          Rattle check: soft strokes at the edge, then a tom beside it. Do the wires go on after the note?
        </p>
        <Choice label="Rattle" value={rattles} items={RATTLES} onChange={setRattles} />
        <Button type="submit" className="mt-2 block">
          Note the wires
        </Button>
      </form>
      <p className="mt-3 leading-snug text-soft">
        If they rattle at any setting: strands bent or uneven, not centred, or the cords stretched. A tom that
        makes them buzz is too near in pitch: move the tom or the batter.
      </p>
    </section>
  )
}
