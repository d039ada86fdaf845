'use client'

import type { Mic } from '@/core/records/event'
import type { Hearing } from '@/session/state'
import { inputAdvice } from '@/core/measurement/input'
import { useSelect } from '@/session/react'
import { INPUT_ADVICE, levelText, MICROPHONE_TROUBLE } from '@/text/heard'
import { Button } from '@/ui/Button'
import { useCommander } from '../../../shell/commander'
import { EntryLink } from '../../../handbook/EntryLink'

const BARS = [0.02, 0.05, 0.11, 0.23, 0.45]

/** Opens and closes the microphone, and shows while it is open. */
export function MicrophonePart() {
  const { run } = useCommander()
  const { hearing, settings } = useSelect(({ hearing, settings }) => ({ hearing, settings }))
  const on = hearing.state === 'on' || hearing.state === 'paused'
  return (
    <>
      <div className="flex items-center gap-5">
        <Button
          tone={on ? 'line' : 'act'}
          big
          disabled={hearing.state === 'asking'}
          onClick={() => run('bench.listen')}
        >
          {on ? 'Stop' : hearing.state === 'asking' ? 'Asking…' : 'Listen'}
        </Button>
        {on ? (
          <span role="status" className="flex items-center gap-3 font-bold text-good">
            <span aria-hidden className="flex h-7 items-end gap-1">
              {BARS.map((from, i) => (
                <span
                  key={from}
                  className={hearing.level > from ? 'w-1.5 bg-good' : 'w-1.5 bg-line'}
                  style={{ height: `${8 + i * 5}px` }}
                />
              ))}
            </span>
            <span>
              {hearing.state === 'paused' ? 'held back' : hearing.ringing ? 'heard' : 'listening'}
              <span className="block text-sm font-normal text-soft">room {levelText(hearing.noise)}</span>
            </span>
          </span>
        ) : null}
      </div>
      {hearing.trouble ? (
        <p role="alert" className="mt-3 font-bold text-caution">
          {MICROPHONE_TROUBLE[hearing.trouble].what} {MICROPHONE_TROUBLE[hearing.trouble].then}
        </p>
      ) : (
        <p className="mt-3 text-[15px] text-soft">{stateText(hearing, settings.mic)}</p>
      )}
      <EntryLink
        entry={settings.mic === 'standing' ? 'microphone-place' : 'microphone'}
        className="text-[15px]"
      />
    </>
  )
}

/** How to tap is said until so many were heard. */
const HOW_SAID = 3

/** What to know or do while the microphone is closed, held back, open. */
function stateText(hearing: Hearing, mic: Mic): string {
  if (hearing.state === 'paused') {
    return 'The browser holds the sound back: a call, a locked screen, or another tab. It goes on by itself; what was read is kept.'
  }
  if (hearing.state !== 'on') {
    return 'The microphone opens when you press Listen, and nothing leaves this device.'
  }
  const advice = inputAdvice(hearing.peaks, hearing.noise)
  if (advice) return INPUT_ADVICE[advice]
  // Whoever has tapped a few knows how it goes, and needs the room for what is asked.
  const how = hearing.peaks.length < HOW_SAID ? 'Tap lug after lug; the next one is taken by itself. ' : ''
  const next = `${how}Nothing leaves this device.`
  return mic === 'standing'
    ? `${next} Keep the phone off the middle of the head: the edge tone is not heard there.`
    : next
}
