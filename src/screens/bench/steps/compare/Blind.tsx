'use client'

import { useState } from 'react'
import { chanceByGuessing } from '@/core/pair/blind'
import { Button } from '@/ui/Button'

const coin = (): 0 | 1 => (Math.random() < 0.5 ? 0 : 1)

/** One of two is played without saying which; what is named right and wrong is counted, beside what guessing would do. */
export function Blind({ play, onStop }: { play: (which: 0 | 1) => void; onStop: () => void }) {
  const [hidden, setHidden] = useState(coin)
  const [tries, setTries] = useState<boolean[]>([])
  const name = (which: 0 | 1) => {
    setTries([...tries, which === hidden])
    setHidden(coin())
  }
  const right = tries.filter(Boolean).length
  return (
    <section aria-label="Blind" className="mt-4 border-t border-line pt-3">
      <div className="flex flex-wrap items-center gap-3">
        <Button tone="act" onClick={() => play(hidden)}>
          Play one of them
        </Button>
        <Button onClick={() => name(0)}>It is the first</Button>
        <Button onClick={() => name(1)}>It is the second</Button>
        <Button tone="quiet" onClick={onStop}>
          Stop
        </Button>
      </div>
      <p aria-live="polite" className="mt-2">
        {tries.length === 0
          ? 'Play, listen, name it. Eight tries say something.'
          : `${tries.at(-1) ? 'Right' : 'It was the other'}. ${right} of ${tries.length} right; guessing does as well ${oneIn(chanceByGuessing(right, tries.length))}.`}
      </p>
    </section>
  )
}

function oneIn(chance: number): string {
  if (chance > 0.45) return 'about as often as not'
  return `one time in ${Math.round(1 / chance)}`
}
