'use client'

import { useState, type FormEvent } from 'react'
import type { KitState } from '@/core/log/fold'
import { noteDay } from '@/session/actions/diary'
import type { Session } from '@/session/session'
import { dateText, occasionText } from '@/text/logbook'
import { Button } from '@/ui/Button'
import { INPUT_CLASS } from '@/ui/Field'
import { useCommander } from '../shell/commander'
import { BackupLine } from './BackupLine'

const ACTS = [
  { id: 'log.gig', label: 'gig' },
  { id: 'log.rehearsal', label: 'rehearsal' },
  { id: 'log.weather', label: 'weather' },
]

/** What was written down lately and what comes, a note for today, and what is in no file yet. */
export function DaysFoot({ session, kit, nowMs }: { session: Session; kit: KitState; nowMs: number }) {
  const { run } = useCommander()
  const [words, setWords] = useState('')
  const submit = (event: FormEvent) => {
    event.preventDefault()
    noteDay(session, words, nowMs, null)
    setWords('')
  }
  const { notes, occasions } = kit.diary
  const next = occasions.find(({ on, cancelled }) => !cancelled && Date.parse(on) > nowMs)
  return (
    <section aria-label="Days" className="mt-4 border-t border-line pt-3">
      <ul className="text-[15px] leading-snug">
        {next ? (
          <li className="flex gap-3">
            <span className="w-14 shrink-0 text-soft">{dateText(next.on)}</span>
            <span>{occasionText(next)}, to come</span>
          </li>
        ) : null}
        {[...notes]
          .reverse()
          .slice(0, 3)
          .map(({ id, on, drum, words: said }) => (
            <li key={id} className="mt-1 flex gap-3">
              <span className="w-14 shrink-0 text-soft">{dateText(on)}</span>
              <span>
                {drum === null ? '' : `${kit.drums.find((each) => each.id === drum)?.name ?? 'a drum'}: `}
                {said}
              </span>
            </li>
          ))}
      </ul>
      <form onSubmit={submit} className="mt-3 flex gap-2">
        <input
          aria-label="A note for today"
          placeholder="a note for today"
          maxLength={500}
          value={words}
          onChange={(event) => setWords(event.target.value)}
          className={INPUT_CLASS}
        />
        {words.trim() ? <Button type="submit">Note it</Button> : null}
      </form>
      <div className="mt-1 flex flex-wrap">
        {ACTS.map(({ id, label }) => (
          <Button key={id} tone="quiet" className="underline" onClick={() => run(id)}>
            note {label}
          </Button>
        ))}
      </div>
      <BackupLine session={session} kit={kit} />
    </section>
  )
}
