'use client'

import { useEffect, useRef, useState } from 'react'
import type { CameraTrouble } from '@/session/actions/camera'
import { addPart, partsHere, takeChain, type Taken } from '@/session/actions/codes'
import type { Session } from '@/session/session'
import { Button } from '@/ui/Button'
import { useGo } from '@/ui/useGo'
import { Part } from './Part'

const TROUBLE: Record<CameraTrouble, string> = {
  refused:
    'The browser does not let this page open the camera. Allow it for this page and try again, or take a kit file.',
  missing: 'This device has no camera that the browser can open. Take a kit file instead.',
  insecure:
    'Without https a browser opens no camera: serve this network with make phone, or take a kit file.',
  busy: 'Another program has the camera. Close it there and try again.',
}

/** A kit from another device's screen: the codes that it shows one after the other are read by this one's camera, in one go. */
export function CodesIn({ session }: { session: Session }) {
  const go = useGo()
  const [taken, setTaken] = useState<Taken | null>(() => partsHere())
  const [open, setOpen] = useState(false)
  useEffect(() => {
    // A code that was read by the device's own camera opens this page with it.
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
  const text = taken?.text ?? null
  return (
    <Part title="From another device’s screen">
      {text !== null ? (
        <div role="status" className="flex flex-wrap items-center gap-4">
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
      ) : open ? (
        <CameraView
          taken={taken}
          onCode={(code) => {
            const part = addPart(hashOf(code))
            if (!part) return
            setTaken(part)
            if (part.text !== null) setOpen(false)
          }}
          onClose={() => setOpen(false)}
        />
      ) : (
        <>
          {taken ? <Progress taken={taken} /> : null}
          <p className="leading-snug">
            There, under the same heading, choose “Show the codes”, and hold this device’s camera before them.
            They are read one after the other, in any order; what is missing comes round again.
          </p>
          <Button className="mt-2" onClick={() => setOpen(true)}>
            {taken ? 'Go on with the camera' : 'Open the camera'}
          </Button>
        </>
      )}
    </Part>
  )
}

function Progress({ taken: { have, of } }: { taken: Taken }) {
  return (
    <p role="status" className="mb-2 text-xl">
      <b>
        {have} of {of}
      </b>{' '}
      codes read.
    </p>
  )
}

/** The camera, for as long as this is on screen and the page is looked at. */
function CameraView({
  taken,
  onCode,
  onClose,
}: {
  taken: Taken | null
  onCode: (code: string) => void
  onClose: () => void
}) {
  const video = useRef<HTMLVideoElement>(null)
  const [trouble, setTrouble] = useState<CameraTrouble | null>(null)
  const told = useRef({ onCode, onClose })
  useEffect(() => {
    told.current = { onCode, onClose }
  })
  useEffect(() => {
    let gone = false
    let close = () => undefined as void
    void import('@/session/actions/camera')
      .then(({ watchCodes }) => watchCodes(video.current!, (code) => told.current.onCode(code)))
      .then((opened) => {
        if (typeof opened === 'string') setTrouble(opened)
        else if (gone) opened.close()
        else close = opened.close
      })
    // Nobody looks: then the camera does not either.
    const hidden = () => document.visibilityState === 'hidden' && told.current.onClose()
    document.addEventListener('visibilitychange', hidden)
    return () => {
      gone = true
      close()
      document.removeEventListener('visibilitychange', hidden)
    }
  }, [])
  return (
    <>
      {taken ? <Progress taken={taken} /> : <p role="status">Looking for a code…</p>}
      {trouble ? (
        <p role="alert" className="font-bold text-caution">
          {TROUBLE[trouble]}
        </p>
      ) : (
        <video
          ref={video}
          muted
          playsInline
          aria-label="What the camera sees"
          className="mt-2 aspect-[4/3] w-full max-w-md bg-ink object-cover"
        />
      )}
      <p className="mt-1 text-[15px] text-soft">
        {trouble ? '' : 'The camera is open. Nothing of what it sees is kept or leaves this device.'}
      </p>
      <Button className="mt-2" onClick={onClose}>
        Close the camera
      </Button>
    </>
  )
}

const hashOf = (code: string) => (code.includes('#') ? code.slice(code.indexOf('#')) : '')
