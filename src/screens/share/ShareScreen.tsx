'use client'

import { useEffect } from 'react'
import { takeShared } from '@/session/shared'
import { useKit, useSelect, useSession } from '@/session/react'
import { useGo } from '@/ui/useGo'
import { InPart } from './InPart'
import { OutPart } from './OutPart'
import dynamic from 'next/dynamic'

// What draws and reads codes comes behind the rest.
const CodeChain = dynamic(() => import('./CodeChain').then((module) => module.CodeChain))
const CodeTaken = dynamic(() => import('./CodeTaken').then((module) => module.CodeTaken))
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
          <CodeTaken session={session} />
          <div className="mt-4 grid gap-x-12 gap-y-8 lg:grid-cols-2">
            <InPart session={session} />
            <OutPart session={session} kit={kit} />
            <PhonePart />
            <CodeChain session={session} kit={kit} />
          </div>
        </>
      ) : null}
    </div>
  )
}
