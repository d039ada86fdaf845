'use client'

import { useEffect, useState } from 'react'
import type { KitState } from '@/core/log/fold'
import type { Session } from '@/session/session'
import { bytesText } from '@/text/heard'
import { Button } from '@/ui/Button'
import { useGo } from '@/ui/useGo'
import { Part } from './Part'

// What writes files is loaded when one is asked for.
const files = () => import('@/session/actions/files')
const out = () => import('@/session/actions/out')
const backup = () => import('@/session/actions/backup')

/** What goes out: the kit, its tables, its sounds, and the whole device as one file. */
export function OutPart({ session, kit }: { session: Session; kit: KitState | null }) {
  const go = useGo()
  const sounds = useSounds(session, kit)
  const rows = kit
    ? [
        {
          label: 'Kit file',
          says: `${kit.name}, whole: drums, sheets, log, kept sounds`,
          run: async () => (await files()).exportKit(session),
        },
        {
          label: 'Share the kit',
          says: 'by the device’s own sharing, else saved',
          run: async () => (await files()).shareKit(session),
        },
        {
          label: 'Readings',
          says: 'CSV, a row a reading',
          run: async () => (await out()).tableOut(session, 'readings'),
        },
        {
          label: 'Sheets',
          says: 'CSV, a row a head; one by one as SVG, PNG or print',
          run: async () => (await out()).tableOut(session, 'sheets'),
        },
        {
          label: 'Log',
          says: 'CSV, everything that was done',
          run: async () => (await out()).tableOut(session, 'log'),
        },
        {
          label: 'Sounds of taps',
          says: `WAV files in one ZIP; ${sounds}`,
          run: async () => (await out()).soundsOut(session),
        },
      ]
    : []
  return (
    <Part title="Out">
      <ul>
        {rows.map(({ label, says, run }) => (
          <Row key={label} label={label} says={says} onRun={() => void run()} />
        ))}
        {kit?.sheets.length ? (
          <Row label="A sheet on paper" says="print, SVG, PNG, share" onRun={() => go('/print')} />
        ) : null}
      </ul>
      <div className="mt-4 flex flex-wrap items-center gap-x-4 gap-y-1">
        <Button tone="act" onClick={() => void backup().then(({ saveBackup }) => saveBackup(session))}>
          Back up this device
        </Button>
        <span className="text-[15px] text-soft">
          All kits, logs, sounds and settings in one file; drop it here to bring it back.
        </span>
      </div>
    </Part>
  )
}

function Row({ label, says, onRun }: { label: string; says: string; onRun: () => void }) {
  return (
    <li className="border-b border-line">
      <Button tone="quiet" className="-ml-2 w-full justify-start gap-3" onClick={onRun}>
        <span className="w-36 shrink-0 text-lg font-bold text-ink">{label}</span>
        <span className="min-w-0 text-[15px] leading-tight">{says}</span>
      </Button>
    </li>
  )
}

/** How many sounds are kept with the kit, in words. */
function useSounds(session: Session, kit: KitState | null): string {
  const [text, setText] = useState('none kept')
  useEffect(() => {
    let over = false
    const asked = kit ? session.takes()?.sizeOf(kit.id) : null
    void asked
      ?.then(
        ({ takes, bytes }) => !over && setText(takes ? `${takes} kept, ${bytesText(bytes)}` : 'none kept'),
      )
      .catch(() => undefined)
    return () => {
      over = true
    }
  }, [session, kit])
  return text
}
