'use client'

import { ringsText } from '@/text/strokes'
import { useEffect, useState } from 'react'
import { clsx } from 'clsx'
import { Play } from 'lucide-react'
import { SpectrumChart, WaveChart } from '@/charts/HeardCharts'
import { spectrumModel, waveModel } from '@/charts/heard.model'
import type { TapLook } from '@/core/measurement/types'
import { explainPair } from '@/core/head/pairCause'
import {
  chooseTone,
  dropHeard,
  lookAtTap,
  moveHeard,
  stayNear,
  countAnyway,
} from '@/session/actions/readings'
import { playHeard } from '@/session/actions/sound'
import { type BenchView } from '@/session/benchView'
import { useBenchView } from '@/session/benchReact'
import { useSelect, useSession } from '@/session/react'
import type { HeardTap } from '@/session/state'
import { pairText } from '@/text/heard'
import { hzText, noteText } from '@/text/heads'
import { Button } from '@/ui/Button'
import { Modal } from '@/ui/Modal'
import { Pick } from '@/ui/Pick'
import { useWidth } from '@/ui/useWidth'
import { fixed } from '@/text/shown'
import { EntryLink } from '../../handbook/EntryLink'
import { TAP_ENTRY } from '@/handbook/links'

const WAVE_HEIGHT = 96
const SPECTRUM_HEIGHT = 210

/** One tap looked at closely: its sound, its tones, which was taken, and what to do about it. */
export function HeardDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const state = useSelect(({ bench }) => ({ bench }))
  const view = useBenchView()
  const { heard, looking } = state.bench
  const shown = heard.find(({ id }) => id === looking) ?? heard.at(-1) ?? null
  return (
    <Modal open onClose={onClose} title="What was heard" wide>
      {!session || !view || !shown ? (
        <p className="text-lg">
          Nothing yet. Every tap that is played, listened to or read from a recording shows here.
        </p>
      ) : (
        <>
          <ul aria-label="Taps, newest first" className="-mx-1 flex gap-1 overflow-x-auto pb-2">
            {[...heard].reverse().map((tap) => (
              <li key={tap.id}>
                <button
                  type="button"
                  aria-pressed={tap.id === shown.id}
                  onClick={() => lookAtTap(session, tap.id)}
                  className={clsx(
                    'min-h-11 border-b-[3px] px-3 whitespace-nowrap',
                    tap.id === shown.id ? 'border-ink font-bold' : 'border-transparent text-soft',
                  )}
                >
                  {tap.other ? otherText(tap) : `lug ${tap.lug}: ${heardText(tap)}`}
                </button>
              </li>
            ))}
          </ul>
          <One key={shown.id} heard={shown} view={view} onClose={onClose} />
        </>
      )}
    </Modal>
  )
}

function otherText({ tap }: HeardTap): string {
  return tap.hz === null ? 'another drum' : `another drum, ${hzText(tap.hz)}`
}

function heardText({ tap, used }: HeardTap): string {
  if (tap.hz === null) return 'refused'
  return used ? hzText(tap.hz) : `${hzText(tap.hz)} not used`
}

/** What answers why it was not taken. */
const tapEntry = ({ other, jumped, tap }: HeardTap) =>
  TAP_ENTRY[other ? 'other-drum' : jumped || tap.verdict === 'ok' ? 'jumped' : tap.verdict]

function One({ heard, view, onClose }: { heard: HeardTap; view: BenchView; onClose: () => void }) {
  const session = useSession()!
  const { settings, bench } = useSelect(({ settings, bench }) => ({ settings, bench }))
  const { tap, sound } = heard
  return (
    <>
      <p className="text-xl" role="status">
        {heard.other || tap.hz === null ? (
          <b>{heard.other ? 'Not this head. ' : 'No pitch taken. '}</b>
        ) : (
          <>
            <b className="text-3xl">{hzText(tap.hz)} Hz</b>{' '}
            <span className="text-soft">± {fixed(Math.max(0.01, tap.standardErrorHz ?? 0), 2)}</span>
            {', '}
            {noteText(tap.hz, settings.a4Hz)}
            {heard.used ? `, used for lug ${heard.lug}. ` : '. '}
          </>
        )}
        {heard.why ? (
          <span className={heard.other ? 'text-soft' : 'font-bold text-caution'}>{heard.why}</span>
        ) : null}
        {heard.why ? <EntryLink entry={tapEntry(heard)} onOpen={onClose} className="ml-3 text-base" /> : null}
        {tap.warning ? (
          <span className="text-soft">
            The stroke itself was overdriven; what rings after it was not. A lower input level is safer.
          </span>
        ) : null}
      </p>
      <PairLine heard={heard} view={view} />
      <Pictures heard={heard} />
      <div className="mt-4 flex flex-wrap items-center gap-3">
        {sound ? (
          <Button onClick={() => playHeard(session, heard)}>
            <Play aria-hidden size={18} /> Play it
          </Button>
        ) : null}
        {heard.used ? (
          <Button onClick={() => dropHeard(session, heard.id)}>Not this one</Button>
        ) : tap.hz !== null ? (
          <Button onClick={() => countAnyway(session, heard.id)}>Use it for lug {heard.lug}</Button>
        ) : null}
        {heard.used ? (
          <Pick
            label="it was lug"
            value={String(heard.lug)}
            items={Array.from({ length: view.drum.lugs }, (_, i) => ({
              value: String(i + 1),
              label: String(i + 1),
            }))}
            onChange={(lug) => moveHeard(session, heard.id, Number(lug))}
          />
        ) : null}
        {bench.stayNearHz ? (
          <Button tone="quiet" className="underline" onClick={() => stayNear(session, null)}>
            Stop staying near {hzText(bench.stayNearHz)} Hz
          </Button>
        ) : tap.hz !== null ? (
          <Button tone="quiet" className="underline" onClick={() => stayNear(session, tap.hz)}>
            Read the next taps near {hzText(tap.hz)} Hz
          </Button>
        ) : null}
      </div>
      <ToneTable heard={heard} />
    </>
  )
}

/** Which explanation fits two tones at the edge, from this tap and the pass around it. */
function PairLine({ heard, view }: { heard: HeardTap; view: BenchView }) {
  if (heard.other || heard.tap.poles.length < 2) return null
  const round = view.request.rounds.at(-1)
  const others = (round?.readings ?? []).filter(({ lug }) => lug !== heard.lug)
  const explained = explainPair(view.request.head, {
    readings: [...others, { lug: heard.lug, modes: heard.tap.poles }],
    otherHead: view.otherHead,
  })
  return explained ? <p className="mt-1">{pairText(explained)}</p> : null
}

function Pictures({ heard }: { heard: HeardTap }) {
  const session = useSession()
  const [ref, width] = useWidth<HTMLDivElement>(560)
  const [look, setLook] = useState<TapLook | null>(null)
  const { sound, tap } = heard
  useEffect(() => {
    let over = false
    if (session && sound) {
      void session.deps
        .ear()
        .look(sound.samples, sound.rateHz, sound.strokeSeconds)
        .then((seen) => !over && setLook(seen))
    }
    return () => {
      over = true
    }
  }, [session, sound])
  if (!sound) return <p className="mt-3 text-soft">Its sound is no longer here.</p>
  return (
    <div ref={ref} className="mt-3 bg-tape p-2" style={{ minHeight: WAVE_HEIGHT + SPECTRUM_HEIGHT }}>
      {look ? (
        <>
          <WaveChart
            model={waveModel({
              ...look,
              width: width - 16,
              height: WAVE_HEIGHT,
              strokeSeconds: sound.strokeSeconds,
            })}
            width={width - 16}
            height={WAVE_HEIGHT}
            label={`Waveform, ${fixed(look.seconds, 1)} seconds, the stroke at its mark`}
          />
          <SpectrumChart
            model={spectrumModel({
              ...look,
              width: width - 16,
              height: SPECTRUM_HEIGHT,
              tones: tap.modes.map((mode) => ({
                ...mode,
                chosen: tap.poles.some(({ hz }) => Math.abs(hz - mode.hz) < 0.02),
              })),
            })}
            width={width - 16}
            height={SPECTRUM_HEIGHT}
            label={`Spectrum in Hz. ${tap.modes.length} tones; the table below lists them.`}
          />
        </>
      ) : (
        <p className="p-3 text-soft">Drawing…</p>
      )}
    </div>
  )
}

/** The tones as a table: what the picture says, in words, and a button to take another one. */
function ToneTable({ heard }: { heard: HeardTap }) {
  const session = useSession()!
  const settings = useSelect((state) => state.settings)
  const { tap, sound } = heard
  if (tap.modes.length === 0) return null
  return (
    <table className="mt-3 w-full text-left">
      <thead className="text-sm text-soft">
        <tr>
          <th className="font-normal">tone</th>
          <th className="font-normal">note</th>
          <th className="font-normal">level</th>
          <th className="font-normal max-sm:hidden">rings to 1/e</th>
          <th className="font-normal">odds</th>
          <th />
        </tr>
      </thead>
      <tbody>
        {tap.modes.map((mode) => {
          const chosen = tap.poles.some(({ hz }) => Math.abs(hz - mode.hz) < 0.02)
          const odds = tap.alternatives.find(({ hz }) => Math.abs(hz / mode.hz - 1) < 0.004)?.odds
          return (
            <tr key={mode.hz} className={clsx('border-t border-line', chosen && 'font-bold')}>
              <td className="py-1 whitespace-nowrap">
                {fixed(mode.hz, 2)}{' '}
                <span className="font-normal text-soft max-sm:hidden">
                  ± {fixed(Math.max(0.01, mode.standardErrorHz), 2)}
                </span>
              </td>
              <td className="whitespace-nowrap">{noteText(mode.hz, settings.a4Hz)}</td>
              <td className="whitespace-nowrap">{Math.round(mode.levelDb) || 0} dB</td>
              <td className="max-sm:hidden">{ringsText(mode.decaySeconds)}</td>
              <td>
                {chosen
                  ? heard.used
                    ? 'taken'
                    : 'read'
                  : odds
                    ? `${Math.max(1, Math.round(100 * odds))}%`
                    : ''}
              </td>
              <td className="text-right">
                {!chosen && sound ? (
                  <Button
                    tone="quiet"
                    className="underline"
                    aria-label={`Take ${fixed(mode.hz, 1)} Hz as the lug pitch`}
                    onClick={() => void chooseTone(session, heard.id, mode.hz)}
                  >
                    Take this
                  </Button>
                ) : null}
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
