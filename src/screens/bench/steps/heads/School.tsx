'use client'

import { relationText } from '@/text/relation'
import { useState } from 'react'
import { pairModel } from '@/core/bench/pairing'
import type { DrumPair } from '@/core/status/drum'
import { ringStrokes } from '@/core/status/strokes'
import { schoolOf } from '@/core/pair/schools'
import type { PairAnswer } from '@/core/pair/solve'
import { noteWords } from '@/session/actions/stand'
import { useSession } from '@/session/react'
import { bendText, logSays, ringText } from '@/text/pair'
import { Button } from '@/ui/Button'
import { INPUT_CLASS } from '@/ui/Field'
import { EntryLink } from '../../../handbook/EntryLink'
import { NUMBER_ENTRY } from '@/handbook/links'

/** What people say of such a relation, what the model says, and what this drum itself has said. */
export function School({ answer, pair }: { answer: PairAnswer; pair: DrumPair }) {
  const session = useSession()
  const school = answer.resonantAboveCents === null ? null : schoolOf(answer.resonantAboveCents)
  const { warbleHz, edge, apart } = answer.state
  const ring = pairModel(pair).ring(answer)
  const log = logSays(ringStrokes(pair.strokes))
  const words = pair.strokes.flatMap((stroke) =>
    stroke.words.map((said) => ({
      said,
      relation:
        stroke.batterHz && stroke.resonantHz
          ? relationText(1200 * Math.log2(stroke.resonantHz / stroke.batterHz))
          : '',
    })),
  )
  if (!session) return null
  return (
    <div className="mt-3 border-t border-line pt-2 leading-snug">
      {school ? (
        <p>
          <span className="font-bold">People say of {school.label}:</span> {school.says.join(' ')}{' '}
          <EntryLink entry={NUMBER_ENTRY.relation} className="text-[15px]" />
        </p>
      ) : null}
      <p className="mt-1 text-soft">
        <span className="font-bold">The model:</span> the low note rings {ringText(ring)};{' '}
        {Math.round(100 * ring.radiated)}% of the loss leaves as sound. It bends{' '}
        {bendText(ring.bendCents, ring.bendErrorCents)}.
        {apart && edge.length > 1 ? (
          <>
            {' '}
            The heads move against each other at {apart.hz.toFixed(0)} Hz; edge notes with both free near{' '}
            {edge[0].hz.toFixed(0)} and {edge[1].hz.toFixed(0)} Hz
            {warbleHz ? `, ${warbleHz.toFixed(0)} Hz apart, heard as a beat` : ', not heard as a beat'}.
          </>
        ) : null}
      </p>
      <p className="flex flex-wrap gap-x-4 text-[15px]">
        <EntryLink entry={NUMBER_ENTRY.centre} />
        <EntryLink entry={NUMBER_ENTRY.ratio} />
        <EntryLink entry={NUMBER_ENTRY.ring} />
      </p>
      <p className="mt-1">
        <span className="font-bold">This drum’s log:</span>{' '}
        {log.length ? `${log.join('; ')}.` : 'no stroke was measured yet.'}
      </p>
      {words.map(({ said, relation }, i) => (
        <p key={i} className="mt-1 border-l-[3px] border-soft pl-2">
          “{said}”{relation ? <span className="text-soft">, {relation}</span> : null}
        </p>
      ))}
      {pair.strokes.length ? <WordsEntry onTake={(text) => noteWords(session, text)} /> : null}
    </div>
  )
}

/** The user's own words on how the drum stood at the last stroke. */
function WordsEntry({ onTake }: { onTake: (words: string) => void }) {
  const [text, setText] = useState('')
  return (
    <form
      className="mt-2 flex gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        onTake(text)
        setText('')
      }}
    >
      <input
        aria-label="Your own words on the last stroke"
        placeholder="your own words: too short in this room"
        maxLength={200}
        value={text}
        onChange={(event) => setText(event.target.value)}
        className={INPUT_CLASS}
      />
      <Button type="submit" disabled={!text.trim()}>
        Note
      </Button>
    </form>
  )
}
