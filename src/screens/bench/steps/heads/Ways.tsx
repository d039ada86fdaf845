'use client'

import { allRodsText, relationText } from '@/text/relation'
import type { PairWay, WayId } from '@/core/pair/ways'
import { hzText } from '@/text/heads'
import { Button } from '@/ui/Button'

const NAMES: Record<WayId, string> = {
  resonant: 'resonant',
  batter: 'batter',
  half: 'half each',
}

/** The three ways to a relation side by side: turns of each head, and what becomes of the centre. */
export function Ways({
  ways,
  aboveCents,
  onTake,
}: {
  ways: readonly PairWay[]
  aboveCents: number
  onTake: (way: PairWay) => void
}) {
  // The drum stands so already: nothing to choose between.
  if (
    ways.every(({ turns }) => [turns.batter, turns.resonant].every((turn) => allRodsText(turn) === 'leave'))
  )
    return null
  return (
    <table className="mt-4 w-full border-t border-line text-left text-[15px]">
      <caption className="pt-2 text-left font-bold">To {relationText(aboveCents)}</caption>
      <thead className="text-sm text-soft">
        <tr>
          <th scope="col" className="font-normal">
            moved by
          </th>
          <th scope="col" className="text-right font-normal">
            batter
          </th>
          <th scope="col" className="text-right font-normal">
            resonant
          </th>
          <th scope="col" className="text-right font-normal">
            centre
          </th>
        </tr>
      </thead>
      <tbody>
        {ways.map((way) => (
          <tr key={way.way} className="border-t border-line">
            <th scope="row" className="font-normal">
              <Button tone="quiet" className="-ml-2 whitespace-nowrap underline" onClick={() => onTake(way)}>
                {NAMES[way.way]}
              </Button>
            </th>
            <td className="pl-2 text-right whitespace-nowrap">{allRodsText(way.turns.batter)}</td>
            <td className="pl-2 text-right whitespace-nowrap">{allRodsText(way.turns.resonant)}</td>
            <td className="pl-2 text-right whitespace-nowrap">
              {hzText(way.centreHz)}{' '}
              <span className="text-soft">
                {Math.abs(way.centreMovesCents) < 1
                  ? 'stays'
                  : `${way.centreMovesCents > 0 ? '+' : '−'}${Math.abs(Math.round(way.centreMovesCents))} c`}
              </span>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
