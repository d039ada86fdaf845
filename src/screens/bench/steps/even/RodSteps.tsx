'use client'

import { turnText } from '@/text/turns'
import { Button } from '@/ui/Button'

interface Props {
  turns: readonly number[]
  /** One press of a button, in turns. */
  step: number
  words: { none: string; less: string; more: string; lessBy: string; moreBy: string; sizeFirst?: boolean }
  onChange: (rod: number, by: number) => void
}

/** Turns rod by rod, a step at a time. */
export function RodSteps({ turns, step, words, onChange }: Props) {
  const said = (turn: number) => {
    const word = turn < 0 ? words.less : words.more
    return words.sizeFirst ? `${turnText(turn)} ${word}` : `${word} ${turnText(turn)}`
  }
  return (
    <ol className="grid gap-x-6 sm:grid-cols-2">
      {turns.map((turn, rod) => (
        <li key={rod} className="flex items-center gap-2 border-b border-line">
          <span className="w-9 text-xl font-bold">{rod + 1}</span>
          <Button
            tone="quiet"
            aria-label={`Rod ${rod + 1}: ${words.lessBy}`}
            onClick={() => onChange(rod, -step)}
          >
            −
          </Button>
          <output aria-label={`Rod ${rod + 1}`} className="flex-1 text-center font-bold">
            {turn === 0 ? <span className="font-normal text-soft">{words.none}</span> : said(turn)}
          </output>
          <Button
            tone="quiet"
            aria-label={`Rod ${rod + 1}: ${words.moreBy}`}
            onClick={() => onChange(rod, step)}
          >
            +
          </Button>
        </li>
      ))}
    </ol>
  )
}
