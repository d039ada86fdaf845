'use client'

import { useEffect, useState } from 'react'
import { useKit, useSelect, useSession } from '@/session/react'
import { useGo } from '@/ui/useGo'
import { OutPart } from './OutPart'
import dynamic from 'next/dynamic'
import type { Session } from '@/session/session'
import { Button } from '@/ui/Button'
import { FilesButton } from '@/ui/FilesButton'
import { Part } from './Part'

// What draws and reads codes comes behind the rest.
const CodeChain = dynamic(() => import('./CodeChain').then((module) => module.CodeChain))

const CodesIn = dynamic(() => import('./CodesIn').then((module) => module.CodesIn))

const PhonePart = dynamic(() => import('./PhonePart').then((module) => module.PhonePart))

/** How kits, sheets and sounds come in and go out: by file, by paste, by another app, by a phone's camera. */
export function ShareScreen() {
  const session = useSession()
  const kit = useKit()
  // A backup that is made while the log is still being read would miss what was not read yet.
  const ready = useSelect((state) => state.phase !== 'starting')
  const go = useGo()
  // What another app shared was laid aside for this page by the service worker.
  useEffect(() => {
    if (!session || !ready) return
    void takeShared()
      .then(async (files) =>
        files.length ? (await import('@/session/actions/incoming')).takeIn(session, files) : null,
      )
      .then((taken) => taken?.sounds && go('/bench'))
  }, [session, ready, go])
  return (
    <div className="px-5 pt-3 pb-12 md:px-7 md:pt-5">
      <h1 className="text-3xl font-bold max-md:pr-14 md:text-4xl">In and out</h1>
      <p className="mt-1 max-w-2xl text-soft">
        Nothing leaves this device unless you send it. Files are open formats; the kit file’s form is{' '}
        <a className="underline" href="/kit-file.schema.json" download>
          published as a JSON Schema
        </a>
        .
      </p>
      {session && ready ? (
        <>
          <div className="mt-4 grid gap-x-12 gap-y-8 lg:grid-cols-2">
            <InPart session={session} />
            <OutPart session={session} kit={kit} />
            <div className="space-y-8">
              <CodesIn session={session} />
              <PhonePart />
            </div>
            <CodeChain session={session} kit={kit} />
          </div>
        </>
      ) : null}
    </div>
  )
}

/** Where the service worker lays what another app shares with this one; src/sw/sw.ts writes it. */
const SHARED_CACHE = 'humbra-shared'

/** Files that another app handed over, once; none where nothing was shared. */
async function takeShared(): Promise<File[]> {
  if (typeof caches === 'undefined') return []
  try {
    const cache = await caches.open(SHARED_CACHE)
    const kept = await cache.keys()
    const files = await Promise.all(
      kept.map(async (request) => {
        const response = await cache.match(request)
        const blob = (await response?.blob()) ?? new Blob()
        const name = decodeURIComponent(new URL(request.url).searchParams.get('name') ?? 'shared')
        return new File([blob], name, { type: blob.type })
      }),
    )
    await caches.delete(SHARED_CACHE)
    return files
  } catch {
    return []
  }
}

/** A longer text is not laid out in the field: a browser takes minutes over ten thousand lines. */
const LONGEST_SHOWN = 20_000

/** Files of any kind, several at once, and a table that is pasted. */
function InPart({ session }: { session: Session }) {
  const go = useGo()
  const [text, setText] = useState('')
  const [wrong, setWrong] = useState(false)
  const take = async (files: File[]) => {
    const { takeIn } = await import('@/session/actions/incoming')
    const { sounds } = await takeIn(session, files)
    if (sounds) go('/bench')
  }
  const lookAt = async (table: string) => {
    const { takeTable } = await import('@/session/actions/incoming')
    const taken = takeTable(session, table)
    setWrong(!taken)
    if (taken) setText('')
  }
  return (
    <Part title="In">
      <FilesButton
        label="Choose files"
        accept=".json,.csv,.tsv,.txt,audio/*,.wav,.flac,.aif,.aiff"
        onFiles={(files) => void take(files)}
      />
      <p className="mt-2 leading-snug text-soft">
        Kit files, a backup, recordings of taps (WAV, FLAC, AIFF, OGG, MP3, M4A), tables. Several at once;
        they may also be dropped anywhere in Humbra, or shared to it from another app where it is installed.
      </p>
      <label className="mt-5 block">
        <span className="mb-1 block font-bold">A table of drums and pitches</span>
        <textarea
          rows={4}
          value={text}
          placeholder={'drum\tbatter\tresonant\nTom 12\t146.8\tF#3+12'}
          onChange={(event) => {
            setText(event.target.value)
            setWrong(false)
          }}
          onPaste={(event) => {
            const pasted = event.clipboardData.getData('text/plain')
            if (pasted.length <= LONGEST_SHOWN) return
            event.preventDefault()
            void lookAt(pasted)
          }}
          className="w-full border-b-2 border-soft bg-tape px-3 py-2 text-lg"
        />
      </label>
      {wrong ? (
        <p role="alert" className="font-bold text-caution">
          No drums with pitches in that: a drum a line, its batter and resonant beside it, in Hz or as notes.
        </p>
      ) : (
        <p className="text-[15px] text-soft">
          Copied from a spreadsheet: a drum a line. You see what was understood before anything is made of it.
        </p>
      )}
      <Button className="mt-2" disabled={!text.trim()} onClick={() => void lookAt(text)}>
        Look at it
      </Button>
    </Part>
  )
}
