'use client'

import { useState } from 'react'
import { blindText } from '@/text/compare'
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
        {blindText(tries)}
      </p>
    </section>
  )
}
