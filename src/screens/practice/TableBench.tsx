'use client'

import { useState, useEffect, useRef } from 'react'
import { clsx } from 'clsx'
import { rodAngle, PLAIN_LOOK } from '@/charts/mapLook'
import { turnText } from '@/text/turns'
import { Button } from '@/ui/Button'
import { Choice } from '@/ui/Choice'
import type { TableNow } from './useTable'

const WHICH = [
  { value: 'rod', label: 'this rod' },
  { value: 'pair', label: 'this pair' },
  { value: 'all', label: 'all rods' },
] as const

export type Which = (typeof WHICH)[number]['value']

const STEPS = [1 / 32, 1 / 16, 1 / 8, 1 / 4, 1 / 2, 1]

const MAP = { size: 320, radius: 118 }

/** Turns of every rod for a step on one rod, its pair, or all. */
const turnsFor = (lugs: number, lug: number, which: Which, turns: number) =>
  Array.from({ length: lugs }, (_, i) => {
    const opposite = Math.round(lug - 1 + lugs / 2) % lugs
    const taken = which === 'all' || i === lug - 1 || (which === 'pair' && i === opposite)
    return taken ? turns : 0
  })

/** The practice drum under the hands: tap a lug, turn a rod, press the head. No number is shown. */
export function TableBench({ now }: { now: TableNow }) {
  const [which, setWhich] = useState<Which>('pair')
  const { table, head, lug } = now
  const { drum } = table.heads[head]
  const turn = (turns: number) => now.turn(turnsFor(drum.lugs, lug, which, turns))
  useTableKeys(now, drum.lugs)
  return (
    <div className="grid gap-x-8 gap-y-3 md:grid-cols-[340px_minmax(0,1fr)]">
      <div>
        {table.heads.length > 1 ? (
          <Choice
            label="Head on the table"
            value={String(head)}
            items={table.heads.map(({ name }, i) => ({ value: String(i), label: name }))}
            onChange={(value) => now.choose(Number(value))}
          />
        ) : null}
        <HeadButtons now={now} />
      </div>
      <div className="flex flex-col gap-3">
        <Choice label="What is turned" value={which} items={WHICH} onChange={setWhich} />
        {(['up', 'down'] as const).map((way) => (
          <div
            key={way}
            role="group"
            aria-label={`Turn ${way}`}
            className="grid grid-cols-3 gap-2 md:grid-cols-6"
          >
            {STEPS.map((step) => (
              <Button
                key={step}
                onClick={() => turn(way === 'up' ? step : -step)}
                className="min-h-14 px-1! text-center font-bold"
              >
                {way} {turnText(step)}
              </Button>
            ))}
          </div>
        ))}
        <div className="flex flex-wrap gap-3">
          <Button onClick={() => void now.tap('centre')} className="min-h-14">
            Strike the middle
          </Button>
          <Button onClick={now.press} className="min-h-14">
            Press the head
          </Button>
          {table.heads[head].targetHz === null ? null : (
            <Button onClick={() => void now.hearWanted()} className="min-h-14">
              Hear the pitch wanted
            </Button>
          )}
        </div>
        {now.trouble ? (
          <p role="alert" className="font-bold text-caution">
            {now.trouble}
          </p>
        ) : null}
      </div>
    </div>
  )
}

/** The head as one looks at it, its lugs as buttons; the chosen one is filled. */
function HeadButtons({ now }: { now: TableNow }) {
  const { table, head, lug } = now
  const { drum } = table.heads[head]
  const half = MAP.size / 2
  return (
    <div
      role="group"
      aria-label="Lugs"
      className="relative mx-auto"
      style={{ width: MAP.size, height: MAP.size }}
    >
      <svg aria-hidden width={MAP.size} height={MAP.size} className="absolute inset-0">
        <circle cx={half} cy={half} r={MAP.radius} fill="var(--tape)" stroke="var(--soft)" strokeWidth={2} />
        <rect x={half - 14} y={half - MAP.radius - 12} width={28} height={7} fill="var(--soft)" />
      </svg>
      {Array.from({ length: drum.lugs }, (_, i) => {
        const angle = rodAngle(i, drum.lugs, PLAIN_LOOK)
        const [x, y] = [half + MAP.radius * Math.sin(angle), half - MAP.radius * Math.cos(angle)]
        return (
          <div key={i}>
            <button
              type="button"
              aria-label={`Tap lug ${i + 1}`}
              aria-pressed={lug === i + 1}
              onClick={() => void now.tap(i + 1)}
              style={{ left: x - 24, top: y - 24 }}
              className={clsx(
                'absolute size-12 text-xl font-extrabold',
                lug === i + 1 ? 'bg-act text-on-act' : 'border-2 border-soft bg-case text-ink',
              )}
            >
              {i + 1}
            </button>
          </div>
        )
      })}
    </div>
  )
}

/** Digits tap lugs, as on the Bench: 1 to 9, 0 for the tenth. */
function useTableKeys(now: TableNow, lugs: number) {
  const latest = useRef(now)
  useEffect(() => {
    latest.current = now
  })
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement
      if (event.ctrlKey || event.metaKey || event.altKey || !/^\d$/.test(event.key)) return
      if (target.closest('input, textarea, select, [role="dialog"], [role="menu"]')) return
      const lug = event.key === '0' ? 10 : Number(event.key)
      if (lug <= lugs) void latest.current.tap(lug)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [lugs])
}
