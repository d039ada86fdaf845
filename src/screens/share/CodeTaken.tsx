'use client'

import { useEffect, useState } from 'react'
import { addPart, takeChain } from '@/session/actions/codes'
import type { Session } from '@/session/session'
import { Button } from '@/ui/Button'
import { useGo } from '@/ui/useGo'

/** What a code that opened this page brought: how many are still missing, or the kit, to be taken. */
export function CodeTaken({ session }: { session: Session }) {
  const go = useGo()
  const [taken, setTaken] = useState<ReturnType<typeof addPart>>(null)
  useEffect(() => {
    const look = () => {
      const part = addPart(window.location.hash)
      if (!part) return
      setTaken(part)
      // So that a reload does not take it again.
      window.history.replaceState(window.history.state, '', window.location.pathname)
    }
    look()
    window.addEventListener('hashchange', look)
    return () => window.removeEventListener('hashchange', look)
  }, [])
  if (!taken) return null
  const { have, of, text } = taken
  return (
    <section role="status" className="mt-4 bg-tape px-4 py-3">
      {text === null ? (
        <p className="text-xl">
          <b>
            {have} of {of}
          </b>{' '}
          codes read. Read the next one with the camera.
        </p>
      ) : (
        <div className="flex flex-wrap items-center gap-4">
          <p className="text-xl font-bold">The kit is here.</p>
          <Button
            tone="act"
            onClick={() => {
              setTaken(null)
              void takeChain(session, text).then(() => session.get().waitingImport === null && go('/'))
            }}
          >
            Take it
          </Button>
          <Button onClick={() => setTaken(null)}>Leave it</Button>
        </div>
      )}
    </section>
  )
}
