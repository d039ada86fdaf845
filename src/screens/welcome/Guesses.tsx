'use client'

import { ChevronDown } from 'lucide-react'
import { clsx } from 'clsx'
import type { Drum, Side } from '@/core/records/kit'
import { lengthText } from '@/text/lengths'
import { FILMS, HOOPS, THREADS } from '../kit/options'
import type { GuessedDrum } from './guess'

interface Item {
  value: string
  label: string
}

const LUGS = [4, 5, 6, 7, 8, 9, 10, 12, 16, 20].map((n) => ({ value: String(n), label: String(n) }))
const DEPTHS = Array.from({ length: 45 }, (_, i) => 2 + i / 2)

/** What is guessed of a drum, each with its choices; the first five as columns, where there is room. */
export function guessesOf({ drum, saidDepth }: GuessedDrum, onChange: (change: Partial<Drum>) => void) {
  const film = (side: Side) => ({
    value: drum[side].pliesMils.join('+'),
    text: `${drum[side].pliesMils.join(' + ')} mil`,
    items: FILMS,
    onChange: (value: string) =>
      onChange({ [side]: { ...drum[side], pliesMils: value.split('+').map(Number) } }),
    said: false,
  })
  const thread = THREADS.find(({ value }) => value === drum.threadPitchMm)
  return [
    {
      name: 'lugs',
      value: String(drum.lugs),
      text: String(drum.lugs),
      items: LUGS,
      onChange: (value: string) => onChange({ lugs: Number(value) }),
      said: false,
    },
    { name: 'batter', ...film('batter') },
    { name: 'resonant', ...film('resonant') },
    {
      name: 'depth',
      value: String(drum.depthInches),
      text: lengthText(drum.depthInches),
      items: (DEPTHS.includes(drum.depthInches) ? DEPTHS : [drum.depthInches, ...DEPTHS]).map((inches) => ({
        value: String(inches),
        label: lengthText(inches),
      })),
      onChange: (value: string) => onChange({ depthInches: Number(value) }),
      said: saidDepth,
    },
    {
      name: 'hoops',
      value: drum.batter.hoop,
      text: HOOPS.find(({ value }) => value === drum.batter.hoop)!.label.replace('-flanged', ''),
      items: HOOPS,
      onChange: (value: string) => {
        const hoop = value as Drum['batter']['hoop']
        onChange({ batter: { ...drum.batter, hoop }, resonant: { ...drum.resonant, hoop } })
      },
      said: false,
    },
    {
      name: 'thread',
      value: String(drum.threadPitchMm),
      text: thread?.short ?? `${drum.threadPitchMm} mm`,
      items: THREADS.map(({ value, label }) => ({ value: String(value), label })),
      onChange: (value: string) => onChange({ threadPitchMm: Number(value) }),
      said: false,
    },
  ]
}

export type Guess = ReturnType<typeof guessesOf>[number]

/** A guess, light until it is known: the browser's own list lies over it. */
export function GuessPick({ guess, drum, named = false }: { guess: Guess; drum: string; named?: boolean }) {
  return (
    <span className="relative inline-flex min-h-11 items-center gap-1 whitespace-nowrap focus-within:outline-2">
      {named ? <span className="text-sm text-soft">{guess.name}</span> : null}
      <span className={clsx(guess.said ? 'font-bold text-ink' : 'text-soft')}>{guess.text}</span>
      <ChevronDown aria-hidden size={15} className="text-soft" />
      <select
        aria-label={`${drum}: ${guess.name}`}
        value={guess.value}
        onChange={(event) => guess.onChange(event.target.value)}
        className="absolute inset-0 cursor-pointer opacity-0 [&>option]:bg-tape [&>option]:text-ink"
      >
        {withOwn(guess.items, guess).map(({ value, label }) => (
          <option key={value} value={value}>
            {label}
          </option>
        ))}
      </select>
    </span>
  )
}

const withOwn = (items: readonly Item[], { value, text }: Guess): readonly Item[] =>
  items.some((item) => item.value === value) ? items : [{ value, label: text }, ...items]
