'use client'

import { parseNumber } from '@/core/units/number'
import { lastKnown, benchHead } from '@/core/bench/standing'
import { useState, type FormEvent } from 'react'
import {
  BATTER_RANGES,
  scaledRange,
  SIDE_SNARE_INCHES,
  snareHeadAge,
  SNARE_SIDE_HZ,
  USUAL_BED_CENTS,
} from '@/core/pair/snare'
import { wiresOf } from '@/core/bench/strokes'
import { KeyMap } from '@/charts/KeyMap'
import { keyMapModel } from '@/charts/keymap.model'
import type { Drum } from '@/core/records/kit'
import { changeDrum, chooseHead } from '@/session/actions/kits'
import { listText } from '@/text/turns'
import { LugPicks } from '../fitting/LugPicks'
import { setAim } from '@/session/actions/sheets'
import { setWires } from '@/session/actions/stand'
import { type BenchView } from '@/session/benchView'
import { useBenchView, useSelect, useSession } from '@/session/react'
import { hzText } from '@/text/heads'
import { Button } from '@/ui/Button'
import { Choice } from '@/ui/Choice'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { Modal } from '@/ui/Modal'
import { useCommander } from '../shell/commander'

const AGE = {
  fresh: 'fresh enough.',
  watch: 'under hard playing it is due between three and six months: listen for a dull answer.',
  due: 'older than hard playing leaves it. A fresh one is the cheapest new snare drum.',
  unknown: 'nobody noted when it was fitted. After three to six months of hard playing it wants changing.',
}

/** The snare drum: its thin side first and tight, wires off while reading, then batter and wires. */
export function SnareDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const state = useSelect(({ clockMs }) => ({ clockMs }))
  const view = useBenchView()
  const { open } = useCommander()
  const kept = view?.drum.snareBed
  const [bed, setBed] = useState(String(kept?.cents ?? USUAL_BED_CENTS))
  const [bedLugs, setBedLugs] = useState<number[]>(kept?.lugs ?? [])
  if (!session || !view) return null
  const { kit, drum, practice } = view
  const knownHz = (side: 'batter' | 'resonant') =>
    lastKnown(benchHead(kit, drum, side, practice, state.clockMs))?.meanHz ?? null
  const sideHz = Math.round(scaledRange(SNARE_SIDE_HZ, drum.diameterInches))
  const { months, age } = snareHeadAge(drum.resonant.fittedOn, state.clockMs)
  const bedCents = Number(bed)
  const bedGood = bed.trim() !== '' && bedCents >= 0 && bedCents <= 300
  const aim = (side: 'batter' | 'resonant', hz: number) => {
    if (side === 'resonant' && bedGood) changeDrum(session, drum, withBed(drum, bedLugs, bedCents))
    setAim(session, drum, side, { kind: 'hz', hz })
    chooseHead(session, drum.id, side)
    onClose()
  }
  return (
    <Modal
      open
      wide
      onClose={onClose}
      title={`The snare: ${drum.name}`}
      description="Snare side first and tight; the batter is then a choice. Wires off, or a stick under them, for every reading."
    >
      <div className="gap-8 md:grid md:grid-cols-2">
        <section aria-label="Snare side">
          <h3 className="text-xl font-bold">1. Snare side, tight</h3>
          <p className="mt-1 leading-snug">
            About {sideHz} Hz on {drum.diameterInches} inches
            {drum.diameterInches < SIDE_SNARE_INCHES ? '; a side snare goes tighter still' : ''}. Two full
            turns past the biting point is a start. Never press it with force: it is very thin.
          </p>
          <p className="mt-1 leading-snug text-soft">
            Now {textOf(knownHz('resonant'))}. This head
            {months === null ? ': ' : ` is ${Math.round(months)} months old: `}
            {AGE[age]}
          </p>
          <p className="mt-3 leading-snug">
            Which lugs stand beside the bed, at both ends of the wires? They read lower and are never raised
            to match.
          </p>
          <div className="mt-1 flex flex-wrap items-center gap-3">
            <KeyMap
              model={keyMapModel(
                130,
                Array.from({ length: drum.lugs }, (_, i) => (bedLugs.includes(i + 1) ? -1 / 4 : 0)),
                null,
              )}
              label={`Snare side from outside, badge at the top; beside the bed: ${listText(bedLugs) || 'none'}`}
            />
            <div className="min-w-0 flex-1">
              <LugPicks lugs={drum.lugs} chosen={bedLugs} onChange={setBedLugs} label="Beside the bed: lug" />
            </div>
          </div>
          <Field
            label="they may read lower by, cents"
            hint="A few cents to a whole tone on a cranked head. It stays with the drum, under every target of this head."
            {...(bedGood ? {} : { error: 'A number of cents from 0 to 300.' })}
          >
            <input
              inputMode="decimal"
              value={bed}
              onChange={(event) => setBed(event.target.value)}
              className={`${INPUT_CLASS} max-w-28`}
            />
          </Field>
          <Button
            className="mt-3 mr-3"
            disabled={!bedGood}
            onClick={() => changeDrum(session, drum, withBed(drum, bedLugs, bedCents))}
          >
            Keep the bed
          </Button>
          <Button tone="act" className="mt-3" disabled={!bedGood} onClick={() => aim('resonant', sideHz)}>
            Aim the snare side at {sideHz} Hz
          </Button>
          <h3 className="mt-6 text-xl font-bold">2. Batter</h3>
          <p className="mt-1 leading-snug text-soft">Now {textOf(knownHz('batter'))}. What people call it:</p>
          <ul>
            {BATTER_RANGES.map(({ hz, label, says }) => {
              const at = Math.round(scaledRange(hz, drum.diameterInches))
              return (
                <li key={label} className="flex items-center gap-3 border-b border-line">
                  <span className="flex-1 leading-snug">
                    <span className="font-bold">
                      {label}, {at} Hz
                    </span>
                    <span className="block text-sm text-soft">{says}</span>
                  </span>
                  <Button
                    tone="quiet"
                    className="underline"
                    aria-label={`Aim the batter at ${at} Hz`}
                    onClick={() => aim('batter', at)}
                  >
                    aim
                  </Button>
                </li>
              )
            })}
          </ul>
          <p className="mt-2 leading-snug">
            Or uneven on purpose: the far side tight for pitch and rebound, the near side slack to kill the
            ring; milder, only the one to three near rods slack.
          </p>
          <Button tone="quiet" className="-ml-2 underline" onClick={() => open('uneven')}>
            Uneven, rod by rod
          </Button>
        </section>
        <Wires view={view} />
      </div>
    </Modal>
  )
}

function withBed(drum: Drum, lugs: readonly number[], cents: number): Drum {
  const bed = { lugs: [...lugs].sort((a, b) => a - b), cents }
  return lugs.length && cents > 0 ? { ...drum, snareBed: bed } : withoutBed(drum)
}

function withoutBed(drum: Drum): Drum {
  const rest = { ...drum }
  delete rest.snareBed
  return rest
}

const textOf = (hz: number | null) => (hz === null ? 'not read' : `${hzText(hz)} Hz`)

const RATTLES = [
  { value: 'unknown', label: 'not checked' },
  { value: 'no', label: 'none' },
  { value: 'yes', label: 'they rattle on' },
] as const

/** How tight the wires are, from where they just touch, and what the rattle check said. */
function Wires({ view }: { view: BenchView }) {
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
    <section aria-label="Wires" className="max-md:mt-6">
      <h3 className="text-xl font-bold">3. Wires</h3>
      <p className="mt-1 leading-snug">
        Strainer on, knob back until they flap, then up until they just touch: that is zero. Count from there.
        Tight enough not to rattle on, loose enough not to choke; a touch looser lets the drum sing.
      </p>
      <p className="mt-2" aria-live="polite">
        {last
          ? `Noted: ${last.knob} ${last.unit} past touching${last.rattles === null ? '' : last.rattles ? ', they rattle on' : ', no rattle'}.`
          : 'Not noted yet.'}
      </p>
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
          <Choice
            label="counted in"
            value={unit}
            items={[
              { value: 'clicks', label: 'clicks' },
              { value: 'turns', label: 'turns' },
            ]}
            onChange={setUnit}
          />
        </div>
        <p className="mt-3 leading-snug">
          Rattle check: soft strokes at the edge, then a tom beside it. Do the wires go on after the note?
        </p>
        <Choice label="Rattle" value={rattles} items={RATTLES} onChange={setRattles} />
        <Button type="submit" className="mt-3 block">
          Note the wires
        </Button>
      </form>
      <p className="mt-4 leading-snug text-soft">
        If they rattle at any setting: strands bent or uneven, not centred, or the cords stretched. A tom that
        makes them buzz is too near in pitch: move the tom or the batter.
      </p>
    </section>
  )
}
