'use client'

import { useEffect, useState } from 'react'
import { ringsBy, strokesOf } from '@/core/status/strokes'
import { setHung } from '@/session/actions/stand'
import { useBenchView } from '@/session/benchReact'
import { useSelect, useSession } from '@/session/react'
import { HELD, standAsks, standText, TRY_ON_STAND, decayText } from '@/text/strokes'
import { Button } from '@/ui/Button'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { useCommander } from '../../../shell/commander'
import { Frame, MainButton, Panel, Phrase, StripFrame } from '../../Frame'
import { StrokePart } from '../../StrokePart'
import { clsx } from 'clsx'

/** Back on the stand: the same stroke held and hung, told by how long it rings. */
export function StandStep() {
  const session = useSession()
  const hung = useSelect((state) => state.bench.hung)
  const view = useBenchView()
  const { run } = useCommander()
  // Strokes made elsewhere say nothing of a stand.
  useEffect(() => () => void (session && setHung(session, undefined)), [session])
  if (!session || !view) return null
  // Bare strokes only: a pad would be taken for the stand.
  const places = ringsBy(strokesOf(view.kit, view.drum, view.practice), ({ hung: at, layers }) =>
    at === undefined || layers.length > 0 ? null : (at ?? HELD),
  )
  const held = places.find(({ name }) => name === HELD) ?? null
  const chosen = hung === undefined ? null : (hung ?? HELD)
  const names = [...new Set([HELD, ...places.map(({ name }) => name), ...(chosen ? [chosen] : [])])]
  const best = places.filter(({ name }) => name !== HELD).sort((a, b) => b.ring - a.ring)[0] ?? null
  // Struck where it is already: the next thing is to hold or hang it otherwise.
  const toStrike = chosen !== null && !places.some(({ name }) => name === chosen)
  return (
    <Frame
      strip={
        <StandStrip
          names={names}
          places={places}
          chosen={chosen}
          verdict={standText(held?.ring ?? null, best)}
          onChoose={(name) => setHung(session, name === HELD ? null : name)}
        />
      }
      panel={
        <Panel
          over="bare, both heads free"
          big={<Phrase>{standAsks(toStrike ? chosen : null, held !== null, best !== null)}</Phrase>}
          next={held && best && !toStrike ? 'first' : 'last'}
          acts={
            toStrike || (held && best && chosen) ? (
              <StrokePart view={view} label={toStrike ? 'Strike it' : 'Strike it again'} main={toStrike} />
            ) : held && best ? null : (
              <MainButton onClick={() => setHung(session, held ? 'on its stand' : null)}>
                {held ? 'It hangs on its stand' : 'I hold it'}
              </MainButton>
            )
          }
        >
          <PlaceEntry onPlace={(place) => setHung(session, place)} />
          <ul className="mt-3 list-disc pl-5 leading-snug text-soft">
            {TRY_ON_STAND.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
          <Button tone="quiet" className="-ml-2 underline" onClick={() => run('bench.fault')}>
            It rattles or stays dead: find the cause
          </Button>
        </Panel>
      }
    />
  )
}

/** Another place, in the user's own words. */
function PlaceEntry({ onPlace }: { onPlace: (place: string) => void }) {
  const [place, setPlace] = useState('')
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        if (place.trim()) onPlace(place.trim())
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
  )
}

interface Props {
  names: readonly string[]
  places: ReturnType<typeof ringsBy>
  chosen: string | null
  verdict: string
  onChoose: (name: string) => void
}

/** The ring of every place on tape, held by the rim first: what the stand takes of it is seen at a glance. */
function StandStrip({ names, places, chosen, verdict, onChoose }: Props) {
  const longest = Math.max(0.05, ...places.map(({ ring }) => ring))
  return (
    <StripFrame label="Place" seed={76} over={<span className="text-xl font-bold">{verdict}</span>}>
      <p className="text-soft">The drum is now</p>
      <ul>
        {names.map((name) => {
          const own = places.find((each) => each.name === name)
          return (
            <li key={name} className="border-b border-line py-2 last:border-0">
              <button
                type="button"
                aria-pressed={chosen === name}
                onClick={() => onChoose(name)}
                className={clsx(
                  'min-h-11 w-full text-left text-lg',
                  chosen === name && 'font-extrabold text-act underline decoration-[3px] underline-offset-4',
                )}
              >
                {name}
              </button>
              {own ? (
                <span className="flex items-center gap-4">
                  <span
                    aria-hidden
                    className="h-5 bg-good"
                    style={{ width: `${(72 * own.ring) / longest}%` }}
                  />
                  <span className="whitespace-nowrap">
                    {decayText(own.ring)} <span className="text-soft">({own.count}×)</span>
                  </span>
                </span>
              ) : (
                <span className="text-soft">not struck yet</span>
              )}
            </li>
          )
        })}
      </ul>
    </StripFrame>
  )
}
