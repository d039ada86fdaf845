'use client'

import { useState } from 'react'
import { ChevronDown } from 'lucide-react'
import type { SpeaksModel } from '@/charts/speaks.model'
import type { Drum } from '@/core/records/kit'
import { Tape } from '@/ui/Tape'
import { lengthText } from '@/text/lengths'
import { GuessPick, guessesOf, type Guess } from './Guesses'
import type { GuessedDrum } from './guess'

const COLUMNS =
  'lg:grid lg:grid-cols-[190px_minmax(160px,1fr)_56px_108px_90px_74px_82px_78px] lg:items-center lg:gap-x-4'

interface DrumRowsProps {
  drums: readonly GuessedDrum[]
  speaks: SpeaksModel
  onChange: (key: string, change: Partial<Drum>) => void
}

/** The drums that were read out of the line, each on the rail with what was guessed of it. */
export function DrumRows({ drums, speaks, onChange }: DrumRowsProps) {
  if (drums.length === 0) return null
  return (
    <div role="list" aria-label="Your drums">
      <div aria-hidden className={`${COLUMNS} text-sm text-soft max-lg:hidden`}>
        <span className="pl-4">typed</span>
        <Notes speaks={speaks} />
        {['lugs', 'batter', 'resonant', 'depth', 'hoops', 'thread'].map((name) => (
          <span key={name}>{name}</span>
        ))}
      </div>
      <div aria-hidden className="flex gap-3 text-sm text-soft lg:hidden">
        <span className="w-[46%]">light: guessed</span>
        <Notes speaks={speaks} />
      </div>
      {drums.map((guessed, i) => (
        <Row
          key={guessed.key}
          guessed={guessed}
          bar={speaks.bars[i]}
          speaks={speaks}
          onChange={(change) => onChange(guessed.key, change)}
        />
      ))}
    </div>
  )
}

function Notes({ speaks }: { speaks: SpeaksModel }) {
  return (
    <span className="relative block h-6 flex-1">
      {speaks.notes.map(({ at, label }) => (
        <span key={label} style={{ left: `${100 * at}%` }} className="absolute -translate-x-1/2">
          {label}
        </span>
      ))}
    </span>
  )
}

interface RowProps {
  guessed: GuessedDrum
  bar: { from: number; to: number }
  speaks: SpeaksModel
  onChange: (change: Partial<Drum>) => void
}

function Row({ guessed, bar, speaks, onChange }: RowProps) {
  const [open, setOpen] = useState(false)
  const { drum } = guessed
  const guesses = guessesOf(guessed, onChange)
  return (
    <div role="listitem" aria-label={drum.name} className={COLUMNS}>
      <button
        type="button"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        className="w-full text-left lg:hidden"
      >
        <span className="flex items-stretch gap-3">
          <DrumTape drum={drum} className="px-3 py-1 text-lg" outerClass="w-[46%]" />
          <Bar bar={bar} speaks={speaks} />
        </span>
        <span className="flex items-center gap-1 px-3 pb-1.5 text-[15px] text-soft">
          {guessText(drum, guesses)} <ChevronDown aria-hidden size={15} />
        </span>
      </button>
      <DrumTape drum={drum} className="px-4 py-3 text-2xl" outerClass="my-1.5 max-lg:hidden" />
      <span className="hidden self-stretch lg:flex">
        <Bar bar={bar} speaks={speaks} />
      </span>
      <div className="hidden lg:contents">
        {guesses.map((guess) => (
          <GuessPick key={guess.name} guess={guess} drum={drum.name} />
        ))}
      </div>
      {open ? (
        <div className="flex flex-wrap gap-x-6 px-3 pb-2 lg:hidden">
          {guesses.map((guess) => (
            <GuessPick key={guess.name} guess={guess} drum={drum.name} named />
          ))}
        </div>
      ) : null}
    </div>
  )
}

function DrumTape({ drum, ...look }: { drum: Drum; className: string; outerClass: string }) {
  return (
    <Tape seed={drum.name.length * 7 + drum.diameterInches} {...look}>
      <span className="font-bold">{drum.name}</span>
    </Tape>
  )
}

/** Where its batter speaks: hollow, for nothing was read. */
function Bar({ bar, speaks }: { bar: { from: number; to: number }; speaks: SpeaksModel }) {
  return (
    <span aria-hidden className="relative min-h-9 flex-1 self-stretch">
      {speaks.notes.map(({ at, label }) => (
        <span key={label} style={{ left: `${100 * at}%` }} className="absolute inset-y-0 w-px bg-line" />
      ))}
      <span
        style={{ left: `${100 * bar.from}%`, width: `${100 * (bar.to - bar.from)}%` }}
        className="absolute top-1/2 h-3.5 -translate-y-1/2 border-2 border-soft bg-case"
      />
    </span>
  )
}

/** "8 lugs, 13 deep, 7 + 7 over 10 mil, 12-24". */
function guessText(drum: Drum, guesses: readonly Guess[]): string {
  const { batter, resonant } = drum
  return [
    `${drum.lugs} lugs`,
    `${lengthText(drum.depthInches)} deep`,
    `${batter.pliesMils.join(' + ')} over ${resonant.pliesMils.join(' + ')} mil`,
    guesses.at(-1)!.text,
  ].join(', ')
}
