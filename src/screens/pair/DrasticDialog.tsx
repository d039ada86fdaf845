'use client'

import { numberWithin } from '@/core/units/number'
import { useEffect } from 'react'
import { DrasticChart } from '@/charts/DrasticChart'
import { DRASTIC_PLACES, drasticOf, type Drastic } from '@/core/bench/drastic'
import { CHECK_LUGS } from '@/core/bench/climbing'
import type { Stroke } from '@/core/bench/strokes'
import { startListening } from '@/session/actions/listening'
import { tapPractice } from '@/session/actions/practice'
import { typeReading } from '@/session/actions/said'
import { askForLug, endDrastic, startDrastic, turnDrastic } from '@/session/actions/stand'
import { type BenchView } from '@/session/benchView'
import { useBenchView, useSelect, useSession } from '@/session/react'
import { allRodsText, bendText } from '@/text/pair'
import { hzText } from '@/text/heads'
import { decayText } from '@/text/strokes'
import { Button } from '@/ui/Button'
import { Modal } from '@/ui/Modal'
import { NumberEntry } from '@/ui/NumberEntry'
import { StrokePart } from './StrokePart'

const readHz = numberWithin(15, 2000)

const CAUTION =
  'Eyes away from the rim. Stop where a rod resists or the maker’s limit is near. Lower heads may wrinkle: that is part of it.'

/** One head a whole turn up and down on purpose: what it does to this drum, heard, drawn and learned. */
export function DrasticDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const state = useSelect(({ bench }) => ({ bench }))
  const view = useBenchView()
  const going = view && drasticOf(view.kit, view.drum, view.practice)
  const here = going && !going.ended && going.side === view?.side ? going : null
  const wantsLug = here?.stage === 'read' && state.bench.lug === null ? here.lugsRead + 1 : null
  useEffect(() => {
    // Lugs are read in this order, whatever the bench would ask for.
    if (session && wantsLug !== null) askForLug(session, wantsLug)
  }, [session, wantsLug])
  if (!session || !view) return null
  const { drum, side } = view
  return (
    <Modal
      open
      wide
      onClose={onClose}
      title={`One turn on purpose: ${drum.name}, ${side}`}
      description="The head up by a turn, listen; down past where it was, listen; back. What it does is drawn, and teaches the model."
    >
      {here ? (
        <Going view={view} drastic={here} />
      ) : (
        <>
          <p className="text-lg leading-snug">
            {going && !going.ended
              ? `It is under way on the ${going.side} head: switch to it to go on.`
              : 'Everyone should do this once with every drum. Read both heads first, and strike the centre as it is found.'}
          </p>
          <p className="mt-2 text-caution">{CAUTION}</p>
          <Button
            tone="act"
            className="mt-4"
            disabled={Boolean(going && !going.ended)}
            onClick={() => {
              if (!startDrastic(session))
                session.notify(
                  'No room for it: the head was not read yet, or it is too near slack or its limit.',
                  { tone: 'caution' },
                )
            }}
          >
            Begin on the {side} head
          </Button>
          {going?.ended && going.strokes.length > 1 ? <Found drastic={going} /> : null}
        </>
      )}
    </Modal>
  )
}

function Going({ view, drastic }: { view: BenchView; drastic: Drastic }) {
  const session = useSession()
  if (!session) return null
  const { stage, strokes, up, down, next } = drastic
  return (
    <>
      <p className="text-[34px] leading-tight font-extrabold" aria-live="polite">
        {stage === 'strike'
          ? `Strike the centre, ${DRASTIC_PLACES[strokes.length]}`
          : stage === 'turn'
            ? `All rods ${allRodsText(next)}, press`
            : stage === 'read'
              ? `Read ${CHECK_LUGS} lugs, ${drastic.lugsRead} read`
              : 'Back where it was'}
      </p>
      {stage === 'turn' ? (
        <>
          <p className="mt-2 text-caution">{CAUTION}</p>
          <Button tone="act" big className="mt-3" onClick={() => turnDrastic(session, next)}>
            Turned and pressed
          </Button>
        </>
      ) : null}
      {stage === 'read' ? <ReadLugs view={view} /> : null}
      {stage === 'strike' ? <StrokePart view={view} label="Strike it" /> : null}
      <p className="mt-3 text-soft">
        All rods {allRodsText(up)} from where it was, then {allRodsText(-down)} from there. Listen for length,
        body and how far the note bends.
      </p>
      {strokes.length ? <Found drastic={drastic} /> : null}
      <Button className="mt-4" tone={stage === 'over' ? 'act' : 'line'} onClick={() => endDrastic(session)}>
        {stage === 'over' ? 'Done' : 'Break it off'}
      </Button>
      {stage !== 'over' && strokes.length > 1 ? (
        <span className="ml-3 text-soft">The head stays where it stands now.</span>
      ) : null}
    </>
  )
}

/** A lug or two after the turns, from where readings come from. */
function ReadLugs({ view }: { view: BenchView }) {
  const session = useSession()
  const { source, bench, hearing } = useSelect(({ source, bench, hearing }) => ({ source, bench, hearing }))
  if (!session) return null
  if (source === 'practice') {
    return (
      <Button
        tone="act"
        big
        className="mt-3"
        disabled={bench.busy !== null}
        onClick={() => void tapPractice(session)}
      >
        Tap lug {view.lug}
      </Button>
    )
  }
  if (source === 'microphone') {
    return (
      <Button
        className="mt-3"
        disabled={hearing.state !== 'off'}
        onClick={() => void startListening(session)}
      >
        {hearing.state === 'on' ? `Listening: tap lug ${view.lug}` : 'Listen'}
      </Button>
    )
  }
  return (
    <NumberEntry
      label={`Lug ${view.lug}, Hz`}
      wrongText="A pitch in Hz between 15 and 2000, such as 182.5."
      read={readHz}
      onTake={(hz, text) => typeReading(session, hz, text)}
    />
  )
}

function Found({ drastic }: { drastic: Drastic }) {
  const { strokes, side } = drastic
  const own = ({ batterHz, resonantHz }: Stroke) => (side === 'batter' ? batterHz : resonantHz)
  const from = strokes[0]
  const cents = (a: number | null, b: number | null) => (a && b ? 1200 * Math.log2(b / a) : null)
  const rows = strokes.map((stroke, i) => ({
    label: DRASTIC_PLACES[i],
    lugHz: own(stroke),
    lugCents: cents(own(from), own(stroke)),
    centreHz: stroke.hz,
    centreCents: cents(from.hz, stroke.hz) ?? 0,
    decaySeconds: stroke.decaySeconds,
    glideCents: stroke.glideCents,
  }))
  const signed = (value: number | null) =>
    value === null || Math.round(value) === 0
      ? ''
      : ` (${value > 0 ? '+' : '−'}${Math.abs(Math.round(value))} c)`
  return (
    <div className="mt-4">
      <DrasticChart rows={rows} side={side} />
      <table className="mt-2 w-full text-left">
        <thead className="text-sm text-soft">
          <tr>
            {['', `${side} lug`, 'centre', 'rings', 'bends'].map((head) => (
              <th key={head} scope="col" className="font-normal">
                {head || <span className="sr-only">where</span>}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ label, lugHz, lugCents, centreHz, centreCents, decaySeconds, glideCents }) => (
            <tr key={label} className="border-t border-line">
              <th scope="row" className="py-1 font-bold">
                {label}
              </th>
              <td>{lugHz === null ? 'not read' : `${hzText(lugHz)} Hz${signed(lugCents)}`}</td>
              <td>
                {hzText(centreHz)} Hz{signed(centreCents)}
              </td>
              <td>{decayText(decaySeconds)}</td>
              <td>{glideCents === null ? '–' : bendText(glideCents, null)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
