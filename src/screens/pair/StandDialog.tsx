'use client'

import { useState } from 'react'
import { ringsBy, strokesOf } from '@/core/bench/strokes'
import { setHung } from '@/session/actions/stand'
import { useBenchView, useSelect, useSession } from '@/session/react'
import { decayText } from '@/text/strokes'
import { Button } from '@/ui/Button'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { Modal } from '@/ui/Modal'
import { useCommander } from '../shell/commander'
import { Muffling } from './Muffling'
import { StrokePart } from './StrokePart'

const HELD = 'held by the rim'
/** A place that keeps this part of the held ring costs nothing worth a change. */
const KEEPS = 0.8

const TRY = [
  'Slide the arm out as far as it still clamps.',
  'Move the clamp along the hoop or to another lug.',
  'Hang it from a stand clamp instead of an arm into the shell.',
  'An isolating mount, or a rubber washer under each foot of a floor tom.',
]
const RATTLES =
  'Listen for rattles: strike near each lug, then look for loose springs, washers, wing nuts, wires, and the neighbour drums.'

/** Back on the stand: the same stroke held and hung, and what lies on the drum, told by how long it rings. */
export function StandDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const bench = useSelect((state) => state.bench)
  const view = useBenchView()
  const { open } = useCommander()
  const [place, setPlace] = useState('')
  if (!session || !view) return null
  const { kit, drum, practice } = view
  // Bare strokes only: a pad would be taken for the stand.
  const places = ringsBy(strokesOf(kit, drum, practice), ({ hung, layers }) =>
    hung === undefined || layers.length > 0 ? null : (hung ?? HELD),
  )
  const held = places.find(({ name }) => name === HELD)
  const longest = Math.max(0.05, ...places.map(({ ring }) => ring))
  const chosen = bench.hung === undefined ? null : (bench.hung ?? HELD)
  const names = [...new Set([HELD, ...places.map(({ name }) => name), ...(chosen ? [chosen] : [])])]
  const best = places.filter(({ name }) => name !== HELD).sort((a, b) => b.ring - a.ring)[0]
  return (
    <Modal
      open
      wide
      onClose={() => {
        setHung(session, undefined)
        onClose()
      }}
      title={`${drum.name} on the stand`}
      description="The same stroke on the centre, first held by the rim between two fingers, then hung. Bare, both heads free."
    >
      <div className="gap-8 md:grid md:grid-cols-2">
        <section aria-label="Place">
          <p className="text-soft">The drum is now</p>
          <ul>
            {names.map((name) => {
              const own = places.find((each) => each.name === name)
              return (
                <li key={name} className="flex items-center gap-3 border-b border-line">
                  <button
                    type="button"
                    aria-pressed={chosen === name}
                    onClick={() => setHung(session, name === HELD ? null : name)}
                    className={`min-h-11 w-44 shrink-0 truncate text-left ${chosen === name ? 'font-bold underline decoration-2 underline-offset-4' : ''}`}
                  >
                    {name}
                  </button>
                  {own ? (
                    <>
                      <span
                        aria-hidden
                        className="h-2.5 bg-good"
                        style={{ width: `${Math.round((90 * own.ring) / longest)}px` }}
                      />
                      <span className="text-sm whitespace-nowrap text-soft">
                        {decayText(own.ring)}, {own.count}×
                      </span>
                    </>
                  ) : (
                    <span className="text-sm text-soft">not struck yet</span>
                  )}
                </li>
              )
            })}
          </ul>
          <form
            className="mt-3 flex items-end gap-2"
            onSubmit={(event) => {
              event.preventDefault()
              if (place.trim()) setHung(session, place.trim())
              setPlace('')
            }}
          >
            <Field label="another place, in your words">
              <input
                value={place}
                maxLength={60}
                placeholder="arm 2 cm further out"
                onChange={(event) => setPlace(event.target.value)}
                className={INPUT_CLASS}
              />
            </Field>
            <Button type="submit" className="whitespace-nowrap">
              Hang it there
            </Button>
          </form>
          {chosen ? (
            <StrokePart view={view} label={`Strike it, ${chosen}`} />
          ) : (
            <p className="mt-3">Say where it is, then strike it.</p>
          )}
          <p className="mt-4 leading-snug font-bold" aria-live="polite">
            {verdict(held?.ring ?? null, best ?? null)}
          </p>
          <ul className="mt-2 list-disc pl-5 leading-snug text-soft">
            {TRY.map((line) => (
              <li key={line}>{line}</li>
            ))}
            <li>{RATTLES}</li>
          </ul>
          <Button tone="quiet" className="-ml-2 underline" onClick={() => open('fault')}>
            It rattles or stays dead: find the cause
          </Button>
        </section>
        <Muffling view={view} />
      </div>
    </Modal>
  )
}

type Place = ReturnType<typeof ringsBy>[number]

function verdict(held: number | null, best: Place | null): string {
  if (held === null) return 'Strike it held by the rim first: that is what it can do.'
  if (!best) return `Held it rings ${decayText(held)}. Now hang it and strike again.`
  const kept = best.ring / held
  return kept >= KEEPS
    ? `“${best.name}” keeps ${Math.min(100, Math.round(100 * kept))}% of the ring: good.`
    : `The longest place, “${best.name}”, keeps ${Math.round(100 * kept)}% of the ring. The stand eats it: try the list.`
}
