'use client'

import { useState } from 'react'
import { filmAges, sparesFor, type FilmAge } from '@/core/drift/films'
import { conditionOf } from '@/core/drift/worn'
import type { BoxFilm } from '@/core/log/diary'
import { headLog, type KitState } from '@/core/log/fold'
import { filmOn } from '@/core/log/headLog'
import { fitFromBox, nameFilm, noteFilm } from '@/session/actions/diary'
import type { Session } from '@/session/session'
import { ageWords, conditionText, filmKind, filmPlace } from '@/text/films'
import { dateText } from '@/text/logbook'
import { Button } from '@/ui/Button'
import { Pick } from '@/ui/Pick'
import { FilmDialog, NameDialog } from './FilmDialog'
import { EntryLink } from '../handbook/EntryLink'
import { WORN_ENTRY } from '@/handbook/links'

/** The heads: on the drums and in the box, what they went through, and how they are. */
export function HeadsPart({ session, kit, nowMs }: { session: Session; kit: KitState; nowMs: number }) {
  const [adding, setAdding] = useState(false)
  const [naming, setNaming] = useState<FilmAge | null>(null)
  const ages = filmAges(kit, kit.simulated, nowMs)
  const on = ages.filter((film) => film.on)
  const box = ages.filter((film) => !film.on)
  return (
    <>
      <section aria-label="Heads on the drums">
        <h2 className="text-xl font-bold">On the drums</h2>
        <ul>
          {on.map((film) => (
            <li
              key={film.id}
              className="flex flex-wrap items-center justify-between gap-x-6 border-b border-line py-2"
            >
              <FilmWords kit={kit} film={film} nowMs={nowMs} />
              <div className="flex flex-wrap items-center gap-x-3">
                <FromBox session={session} kit={kit} film={film} nowMs={nowMs} />
                <Button tone="quiet" className="underline" onClick={() => setNaming(film)}>
                  {film.name ? 'another name' : 'give it a name'}
                </Button>
              </div>
            </li>
          ))}
        </ul>
      </section>
      <section aria-label="Heads in the box" className="mt-6">
        <h2 className="text-xl font-bold">In the box</h2>
        {box.length === 0 ? (
          <p className="max-w-xl text-soft">
            No spare head is written down. One that comes off a drum goes here where it has a name; its
            history stays with it.
          </p>
        ) : (
          <ul>
            {box.map((film) => (
              <li
                key={film.id}
                className="flex flex-wrap items-center justify-between gap-x-6 border-b border-line py-2"
              >
                <FilmWords kit={kit} film={film} nowMs={nowMs} />
                {film.gone ? null : (
                  <Button
                    tone="quiet"
                    className="underline"
                    onClick={() => {
                      const { name, diameterInches, side, head } = kit.diary.box.get(film.id)!
                      noteFilm(session, { name, diameterInches, side, head }, film.id, true)
                    }}
                  >
                    gone
                  </Button>
                )}
              </li>
            ))}
          </ul>
        )}
        <Button className="mt-3" onClick={() => setAdding(true)}>
          Put a head in the box
        </Button>
      </section>
      {adding ? <FilmDialog session={session} kit={kit} onClose={() => setAdding(false)} /> : null}
      {naming ? (
        <NameDialog
          name={naming.name ?? ''}
          place={filmPlace(naming)}
          onClose={() => setNaming(null)}
          onName={(name) => {
            const { drum, side } = naming.on!
            nameFilm(session, drum, side, name, filmOn(headLog(kit, drum.id, side, kit.simulated)))
          }}
        />
      ) : null}
    </>
  )
}

function FilmWords({ kit, film, nowMs }: { kit: KitState; film: FilmAge; nowMs: number }) {
  const condition = conditionOf(kit, film, nowMs)
  const were = film.stints.filter(({ to }) => to !== null)
  return (
    <div className="min-w-0">
      <p className="text-lg leading-snug">
        <span className="font-bold">{filmPlace(film)}</span>
        {film.on && film.name ? <span> “{film.name}”</span> : null}{' '}
        <span className="text-soft">{filmKind(film)}</span>
      </p>
      <p>{ageWords(film)}</p>
      {were.length ? (
        <p className="text-[15px] text-soft">
          Was on {were.map(({ drum, side, to }) => `${drum.name} ${side} until ${dateText(to!)}`).join(', ')}.
        </p>
      ) : null}
      <p className={condition.worn ? 'font-bold text-caution' : 'text-soft'}>{conditionText(condition)}</p>
      <EntryLink
        entry={condition.reasons[0] ? WORN_ENTRY[condition.reasons[0].why] : 'heads-age'}
        className="text-[15px]"
      />
    </div>
  )
}

interface Props {
  session: Session
  kit: KitState
  film: FilmAge
  nowMs: number
}

/** Fits one of the box instead; it is read on the bench afterwards. */
function FromBox({ session, kit, film, nowMs }: Props) {
  const { drum, side } = film.on!
  const spares: BoxFilm[] = sparesFor(kit, drum, side)
  if (spares.length === 0) return null
  return (
    <Pick
      label="fit"
      value=""
      items={[
        { value: '', label: 'one of the box' },
        ...spares.map(({ id, name }) => ({ value: id, label: name })),
      ]}
      onChange={(id) => {
        const spare = spares.find((each) => each.id === id)
        if (!spare) return
        fitFromBox(session, drum, side, spare, nowMs)
        session.notify(`${spare.name} is on ${drum.name} ${side}. Bring it up from slack on the bench.`, {
          undo: true,
        })
      }}
    />
  )
}
