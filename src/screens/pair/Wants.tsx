'use client'

import { parseNumber } from '@/core/units/number'
import { useState } from 'react'
import type { PairAnswer } from '@/core/pair/solve'
import { WANT_KEYS, type WantKey } from '@/core/pair/wants'
import type { PairWant } from '@/core/pair/types'
import { WISH_IDS, WISHES, wished } from '@/core/pair/ways'
import { intervalText, parseInterval } from '@/core/units/intervals'
import { parsePitch } from '@/core/units/pitch'
import { hzText } from '@/text/heads'
import { Button } from '@/ui/Button'
import { INPUT_CLASS } from '@/ui/Field'
import { Pick } from '@/ui/Pick'

const PITCH_WRONG = 'A pitch such as 182, or a note such as F#3+12.'
const LABELS: Record<WantKey, { label: string; pick?: string; wrong: string }> = {
  batterHz: { label: 'batter lug', wrong: PITCH_WRONG },
  resonantHz: { label: 'resonant lug', wrong: PITCH_WRONG },
  centreHz: { label: 'centre pitch', wrong: PITCH_WRONG },
  ratio: { label: 'edge to centre', wrong: 'A ratio from 0.8 to 3, such as 1.52.' },
  resonantAboveCents: {
    label: 'resonant above',
    pick: 'relation',
    wrong: 'An interval such as “fourth” or “minor third below”, or cents such as -300.',
  },
}

/** What is typed for a want; null for what is none. */
function parseWant(key: WantKey, text: string, a4Hz: number): number | null {
  if (key === 'resonantAboveCents') return parseInterval(text)
  if (key !== 'ratio') return parsePitch(text, a4Hz)
  const ratio = parseNumber(text) ?? NaN
  return ratio >= 0.8 && ratio <= 3 ? ratio : null
}

function wantText(key: WantKey, value: number): string {
  if (key === 'resonantAboveCents') return shortRelation(value)
  return key === 'ratio' ? value.toFixed(2) : `${hzText(value)} Hz`
}

/** In few letters, and to be read as it is written: "maj. third −3 c", above where nothing else is said. */
const shortRelation = (cents: number) =>
  Math.abs(cents) < 0.5 ? 'alike' : `${intervalText(cents)}${cents < 0 ? ' below' : ''}`

const wantOf = (answer: PairAnswer, key: WantKey) => answer[key] ?? 0

/** The two things that are wanted, in words or numbers, and wishes for the sound. */
export function Wants({
  want,
  answer,
  a4Hz,
  onChange,
}: {
  want: PairWant
  answer: PairAnswer
  a4Hz: number
  onChange: (want: PairWant) => void
}) {
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
            key={`${key}${want[key]}`}
            name={key}
            value={want[key]!}
            a4Hz={a4Hz}
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
              className="underline"
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

/** One want: Hz, a note, an interval's name; taken with Enter or when it is left. */
function WantField({
  name,
  value,
  a4Hz,
  onTake,
}: {
  name: WantKey
  value: number
  a4Hz: number
  onTake: (value: number) => void
}) {
  const [text, setText] = useState(() => wantText(name, value))
  const [wrong, setWrong] = useState(false)
  const take = () => {
    if (text === wantText(name, value)) return setWrong(false)
    const found = parseWant(name, text, a4Hz)
    setWrong(found === null)
    if (found !== null) onTake(found)
  }
  const { label, wrong: sentence } = LABELS[name]
  return (
    <div className="min-w-0 flex-1">
      <input
        aria-label={label}
        aria-invalid={wrong}
        value={text}
        maxLength={40}
        onChange={(event) => setText(event.target.value)}
        onFocus={(event) => event.target.select()}
        onBlur={take}
        onKeyDown={(event) => event.key === 'Enter' && take()}
        className={`${INPUT_CLASS} px-2 text-base`}
      />
      {wrong ? (
        <p role="alert" className="mt-1 text-sm font-bold text-caution">
          {sentence}
        </p>
      ) : null}
    </div>
  )
}
