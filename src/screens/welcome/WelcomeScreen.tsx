'use client'

import { useEffect, useMemo, useState } from 'react'
import { speaksModel } from '@/charts/speaks.model'
import { drumRange } from '@/core/kit/range'
import type { Drum } from '@/core/records/kit'
import { openDemo } from '@/session/actions/demo'
import { makeOwnKit, type SourceOfOwn } from '@/session/actions/kits'
import type { Session } from '@/session/session'
import { useSelect, useSession } from '@/session/react'
import { parseSizes } from '@/text/sizes'
import { Button } from '@/ui/Button'
import { useGo } from '@/ui/useGo'
import { useCommander } from '../shell/commander'
import { DrumRows } from './DrumRows'
import { guessedDrums, type Changed } from './guess'
import { SizesLine } from './SizesLine'

/** The first hour begins: one's own kit from a line of sizes, or a look round the demo. */
export function WelcomeScreen() {
  const session = useSession()
  // What was being written is known only to the browser.
  return session ? <Welcome session={session} /> : <h1 className="p-5 text-6xl font-black">My kit</h1>
}

function Welcome({ session }: { session: Session }) {
  const go = useGo()
  const [text, setText, forget] = useDraft()
  const [changed, setChanged] = useState<Changed>({})
  const a4Hz = useSelect(({ settings }) => settings.a4Hz)
  const said = useMemo(() => parseSizes(text), [text])
  const drums = useMemo(() => guessedDrums(said.drums, changed), [said, changed])
  const speaks = useMemo(
    () =>
      speaksModel(
        drums.map(({ drum }) => drumRange({ ...drum, batterMils: drum.batter.pliesMils }, [], [])),
        a4Hz,
      ),
    [drums, a4Hz],
  )
  const change = (key: string, by: Partial<Drum>) =>
    setChanged((before) => ({ ...before, [key]: { ...before[key], ...by } }))
  const begin = (source: SourceOfOwn) => {
    if (drums.length === 0) return
    makeOwnKit(
      session,
      drums.map(({ drum }) => ({ ...drum, id: session.deps.newId() })),
      source,
    )
    forget()
    session.set({ step: 'even' })
    go('/bench')
    if (source === 'microphone')
      void import('@/session/actions/listening').then(({ startListening }) => startListening(session))
  }
  const [asked, setAsked] = useState(false)
  useEffect(() => {
    if (asked) document.getElementById('first-source')?.focus()
  }, [asked])
  return (
    <div className="flex min-h-dvh flex-col">
      <div className="flex-1 px-2 pt-3 md:px-7 md:pt-4">
        <div className="flex items-start justify-between gap-4 px-3 max-md:pr-14 md:px-0">
          <h1 className="text-6xl leading-none font-black tracking-tight md:text-[104px]">My kit</h1>
          <DemoDoor />
        </div>
        <div className="mt-3 md:mt-5">
          <SizesLine text={text} said={said} onChange={setText} onDone={() => setAsked(true)} />
          <div className="mt-2 px-1">
            <DrumRows drums={drums} speaks={speaks} onChange={change} />
          </div>
        </div>
        {drums.length === 0 ? <OtherDoors /> : null}
      </div>
      <SourceFoot first={drums[0]?.drum.name ?? null} onBegin={begin} />
    </div>
  )
}

function DemoDoor() {
  const session = useSession()
  const go = useGo()
  return (
    <div className="border-line md:flex md:items-end md:gap-5 md:border-l md:py-1 md:pl-8">
      <div>
        <p className="text-base text-soft md:text-3xl md:font-light">or look round</p>
        <button
          type="button"
          className="min-h-11 border-b-2 border-ink text-xl md:text-3xl"
          onClick={() => session && void openDemo(session).then(() => go('/'))}
        >
          the demo
        </button>
      </div>
      <p className="hidden max-w-44 text-sm leading-snug text-soft md:block">
        a ferry lounge’s kit, eight weeks of it, apart from yours
      </p>
    </div>
  )
}

/** Ways in for those who have a kit in a file already, or somebody else's for a night. */
function OtherDoors() {
  const { run } = useCommander()
  return (
    <p className="flex flex-wrap items-center gap-x-2 px-2 text-soft">
      <span className="mb-3 block w-full max-w-xl text-lg text-ink">
        Write the drums you have. Each is drawn here as you write it, with what is usual for its size; change
        what is different.
      </span>
      or
      <Button tone="quiet" className="underline" onClick={() => run('import')}>
        a kit file
      </Button>
      <Button tone="quiet" className="underline" onClick={() => run('kit.borrowed')}>
        a borrowed kit for a night
      </Button>
    </p>
  )
}

const KEY = 'humbra-sizes'

/** The line as it was written, through a reload of this tab. */
function useDraft(): [text: string, write: (text: string) => void, forget: () => void] {
  const [text, setText] = useState(() => tried((kept) => kept.getItem(KEY)))
  const write = (next: string) => {
    setText(next)
    tried((kept) => kept.setItem(KEY, next))
  }
  return [text, write, () => tried((kept) => kept.removeItem(KEY))]
}

/** Storage may be forbidden: then the line lives as long as the page. */
function tried(task: (kept: Storage) => string | null | void): string {
  try {
    return task(window.sessionStorage) ?? ''
  } catch {
    return ''
  }
}

const OTHERS: ReadonlyArray<{ source: SourceOfOwn; label: string; says: string }> = [
  { source: 'file', label: 'recording', says: 'taps in a file' },
  { source: 'typed', label: 'typed', says: 'Hz or notes' },
  { source: 'ear', label: 'ear', says: 'match a tone' },
  { source: 'gauge', label: 'gauge', says: 'tension, silent' },
]

/** One question, asked once: where readings come from. Its answer makes the kit and goes to the first head. */
function SourceFoot({ first, onBegin }: { first: string | null; onBegin: (source: SourceOfOwn) => void }) {
  const off = first === null
  return (
    <section
      aria-label="Where do readings come from?"
      className="border-t border-line px-5 py-4 md:flex md:items-center md:gap-6 md:px-7 md:py-6"
    >
      <h2 className="text-2xl leading-tight font-light text-soft md:text-3xl">
        Where do <b className="font-bold text-ink">readings</b> <br className="max-md:hidden" />
        come from?
      </h2>
      <div className="flex flex-1 flex-col-reverse gap-3 max-md:mt-3 md:flex-row md:items-center">
        <button
          id="first-source"
          type="button"
          disabled={off}
          onClick={() => onBegin('microphone')}
          className="min-h-20 rounded-sm bg-act px-6 py-2 text-on-act disabled:opacity-45 md:min-w-64 forced-colors:border-4"
        >
          <span className="block text-3xl font-bold">microphone</span>
          <span className="block text-base">{first ? `and tap ${first}` : 'and tap'}</span>
        </button>
        <div className="grid grid-cols-4 gap-2 md:flex md:flex-1 md:gap-3">
          {OTHERS.map(({ source, label, says }) => (
            <button
              key={source}
              type="button"
              disabled={off}
              onClick={() => onBegin(source)}
              className="min-h-12 rounded-sm border border-soft/60 px-1 py-2 disabled:opacity-45 md:flex-1 md:px-3"
            >
              <span className="block text-base md:text-lg">{label}</span>
              <span className="block text-sm leading-tight text-soft max-md:hidden">{says}</span>
            </button>
          ))}
        </div>
      </div>
    </section>
  )
}
