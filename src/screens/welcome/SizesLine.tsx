'use client'

import { useId } from 'react'
import { clsx } from 'clsx'
import type { SaidSizes } from '@/text/sizes'

const TYPE =
  'col-start-1 row-start-1 px-4 py-4 text-2xl leading-[1.7] break-words whitespace-pre-wrap md:px-5 md:text-4xl md:leading-[1.5]'
const EXAMPLE = '20x15 kick, floor tom 15, 12 and 10 racks, 14x5.5 snare'

interface Props {
  text: string
  said: SaidSizes
  onChange: (text: string) => void
  onDone: () => void
}

/** The line of sizes on tape: what is understood of it is underlined while it is written. */
export function SizesLine({ text, said, onChange, onDone }: Props) {
  const id = useId()
  // The last word may not be finished.
  const slips = said.notUnderstood.filter(({ to }) => to < text.length)
  return (
    <div>
      <label htmlFor={id} className="sr-only">
        The drums you have, sizes in inches, in any order
      </label>
      <div className="grid border-b-[3px] border-ink bg-tape">
        {/* The same letters in the same places, seen only by what is drawn under them. */}
        <div aria-hidden className={clsx(TYPE, 'text-transparent')}>
          {pieces(text, said, slips).map(({ part, how, from }) => (
            <span
              key={from}
              className={clsx(
                how === 'understood' && 'border-b-4 border-good',
                how === 'slip' && 'border-b-4 border-dotted border-caution',
              )}
            >
              {part}
            </span>
          ))}
          {/* As long as the example; a line that ends the text has its room too. */}
          {text === '' ? EXAMPLE : '\u200b'}
        </div>
        <textarea
          id={id}
          autoFocus
          rows={1}
          maxLength={200}
          spellCheck={false}
          autoCapitalize="off"
          placeholder={EXAMPLE}
          value={text}
          aria-describedby={`${id}-says`}
          onChange={(event) => onChange(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Enter') return
            event.preventDefault()
            onDone()
          }}
          className={clsx(
            TYPE,
            'h-full w-full resize-none overflow-hidden bg-transparent text-ink placeholder:text-soft/70',
          )}
        />
      </div>
      <div id={`${id}-says`} role="status" className="mt-1.5 min-h-6 text-[15px] text-soft">
        {slips.length ? (
          <span className="font-bold text-caution">
            “{text.slice(slips[0].from, slips[0].to)}” is no size and no drum: write it as 14x5.5 snare, or
            floor tom 16.
          </span>
        ) : (
          'sizes in inches, in any order'
        )}
      </div>
    </div>
  )
}

type Piece = { part: string; how: 'understood' | 'slip' | null; from: number }

/** The text cut where what is understood begins and ends. */
function pieces(text: string, said: SaidSizes, slips: SaidSizes['notUnderstood']): Piece[] {
  const marked = [
    ...said.understood.map((place) => ({ ...place, how: 'understood' as const })),
    ...slips.map((place) => ({ ...place, how: 'slip' as const })),
  ].sort((a, b) => a.from - b.from)
  const list: Piece[] = []
  let at = 0
  for (const { from, to, how } of marked) {
    if (from > at) list.push({ part: text.slice(at, from), how: null, from: at })
    list.push({ part: text.slice(from, to), how, from })
    at = to
  }
  if (at < text.length) list.push({ part: text.slice(at), how: null, from: at })
  return list
}
