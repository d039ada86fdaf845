'use client'

import { shortRelationText } from '@/text/relation'
import type { PairAnswer } from '@/core/pair/solve'
import { WANT_KEYS, type WantKey } from '@/core/pair/wants'
import type { PairWant } from '@/core/pair/types'
import { WISH_IDS, WISHES, wished } from '@/core/pair/ways'
import { useTuning } from '@/session/react'
import { hzText } from '@/text/heads'
import { numberWithin } from '@/core/units/number'
import { Button } from '@/ui/Button'
import { HzField, IntervalField } from '@/ui/fields'
import { ValueField } from '@/ui/ValueField'
import { Pick } from '@/ui/Pick'
import { fixed } from '@/text/shown'

const RATIO_WRONG = 'A ratio from 0.8 to 3, such as 1.52.'
const LABELS: Record<WantKey, { label: string; pick?: string }> = {
  batterHz: { label: 'batter lug' },
  resonantHz: { label: 'resonant lug' },
  centreHz: { label: 'centre pitch' },
  ratio: { label: 'edge to centre' },
  resonantAboveCents: { label: 'resonant above', pick: 'relation' },
}

function wantText(key: WantKey, value: number): string {
  if (key === 'resonantAboveCents') return shortRelationText(value)
  return key === 'ratio' ? fixed(value, 2) : `${hzText(value)} Hz`
}

const wantOf = (answer: PairAnswer, key: WantKey) => answer[key] ?? 0

interface WantsProps {
  want: PairWant
  answer: PairAnswer
  onChange: (want: PairWant) => void
}

/** The two things that are wanted, in words or numbers, and wishes for the sound. */
export function Wants({ want, answer, onChange }: WantsProps) {
  // In the order in which they were named: a row stays where it is when its wish is changed.
  const keys = Object.keys(want) as WantKey[]
  const one = answer.resonantHz === null
  const choices = one ? (['batterHz', 'centreHz'] as const) : WANT_KEYS
  return (
    <div>
      {keys.map((key, i) => (
        <div key={key} className="mb-2 flex items-start gap-3">
          <Pick
            label={i === 0 ? 'wanted' : 'and'}
            value={key}
            items={choices
              .filter((each) => each === key || !keys.includes(each))
              .map((each) => ({ value: each, label: LABELS[each].pick ?? LABELS[each].label }))}
            onChange={(next) => {
              const rows = keys.map((each) =>
                each === key ? [next, wantOf(answer, next as WantKey)] : [each, want[each]],
              )
              onChange(Object.fromEntries(rows) as PairWant)
            }}
          />
          <WantField
            key={key}
            name={key}
            value={want[key]!}
            onTake={(value) => onChange({ ...want, [key]: value })}
          />
        </div>
      ))}
      {answer.resonantHz === null ? null : (
        <div role="group" aria-label="A wish for the sound" className="-ml-2 flex flex-wrap">
          {WISH_IDS.map((wish) => (
            <Button
              key={wish}
              tone="quiet"
              className="px-1.5 text-[15px] underline"
              title={WISHES[wish].says}
              onClick={() => {
                const place = { batterHz: answer.batterHz, resonantHz: answer.resonantHz! }
                const { batterHz, resonantHz } = wished(wish, place)
                onChange({ batterHz: tenth(batterHz), resonantHz: tenth(resonantHz) })
              }}
            >
              {WISHES[wish].label}
            </Button>
          ))}
        </div>
      )}
    </div>
  )
}

const tenth = (hz: number) => Number(hz.toFixed(1))

interface WantFieldProps {
  name: WantKey
  value: number
  onTake: (value: number) => void
}

/** One want in the field that reads what it is. */
function WantField({ name, value, onTake }: WantFieldProps) {
  const tuning = useTuning()
  const own = { label: LABELS[name].label, text: wantText(name, value), onTake, className: 'flex-1' }
  if (name === 'resonantAboveCents') return <IntervalField {...own} />
  if (name === 'ratio') return <ValueField {...own} read={numberWithin(0.8, 3)} wrong={RATIO_WRONG} />
  return <HzField {...own} {...tuning} />
}
