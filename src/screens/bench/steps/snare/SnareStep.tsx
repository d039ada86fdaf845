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
import { snareAgeText, snareSideText, wiresText } from '@/text/snare'
import { Button } from '@/ui/Button'
import { useCommander } from '../../../shell/commander'
import { Frame, Panel, Phrase } from '../../Frame'
import { SnareStrip } from './SnareStrip'
import { useState, type FormEvent } from 'react'
import { parseNumber } from '@/core/units/number'
import { setWires } from '@/session/actions/stand'
import type { BenchView } from '@/session/benchView'
import { Choice } from '@/ui/Choice'
import { Field, INPUT_CLASS } from '@/ui/Field'

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
              {drum.snareBed?.lugs.length
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
