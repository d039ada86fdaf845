'use client'

import type { MicrophoneTrouble } from '@/session/state'
import { useSessionState } from '@/session/react'
import { Button } from '@/ui/Button'
import { useCommander } from '../shell/CommandProvider'

const TROUBLE: Record<MicrophoneTrouble, string> = {
  refused:
    'The browser may not use the microphone for this page. Allow it in the address bar’s site settings and press Listen again, or read from a recording.',
  missing: 'No microphone was found. Plug one in and press Listen again, or read from a recording.',
  insecure:
    'Browsers open the microphone only on a secure address. Open Humbra over https, or on the machine it runs on as http://localhost; or record on the phone and read the recording.',
  busy: 'The microphone could not be opened: another program may be using it. Close that one and press Listen again.',
  lost: 'The microphone went away. What was read is kept. Plug it in and press Listen again.',
  unsupported: 'This browser cannot hand over raw sound. Read from a recording instead.',
}

const BARS = [0.02, 0.05, 0.11, 0.23, 0.45]

/** Opens and closes the microphone, and shows while it is open. */
export function MicrophonePart() {
  const { run } = useCommander()
  const { hearing } = useSessionState()
  const on = hearing.state === 'on'
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
            {hearing.ringing ? 'heard' : 'listening'}
          </span>
        ) : null}
      </div>
      {hearing.trouble ? (
        <p role="alert" className="mt-3 font-bold text-caution">
          {TROUBLE[hearing.trouble]}
        </p>
      ) : (
        <p className="mt-3 text-[15px] text-soft">
          {on
            ? 'Tap lug after lug; the next one is taken by itself. Nothing leaves this device.'
            : 'The microphone opens when you press Listen, and nothing leaves this device.'}
        </p>
      )}
    </>
  )
}
