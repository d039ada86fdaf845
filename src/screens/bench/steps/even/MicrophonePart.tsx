'use client'

import type { Mic } from '@/core/records/event'
import type { Hearing, MicrophoneTrouble } from '@/session/state'
import { inputAdvice } from '@/core/measurement/input'
import { useSelect } from '@/session/react'
import { INPUT_ADVICE, levelText } from '@/text/heard'
import { Button } from '@/ui/Button'
import { useCommander } from '../../../shell/commander'
import { EntryLink } from '../../../handbook/EntryLink'

const TROUBLE: Record<MicrophoneTrouble, string> = {
  refused:
    'The browser may not use the microphone for this page. Allow it in the address bar’s site settings and press Listen again, or read from a recording.',
  missing: 'No microphone was found. Plug one in and press Listen again, or read from a recording.',
  insecure:
    'Browsers open the microphone only on a secure address. Open Humbra over https, or on the machine it runs on as http://localhost; or record on the phone and read the recording.',
  busy: 'The microphone could not be opened: another program may be using it. Close that one and press Listen again.',
  lost: 'The microphone went away. What was read is kept. Plug it in and press Listen again.',
  silent:
    'The microphone is open and sends nothing at all: muted at its switch or in the system? What was read is kept.',
  unsupported: 'This browser cannot hand over raw sound. Read from a recording instead.',
}

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
          {TROUBLE[hearing.trouble]}
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
