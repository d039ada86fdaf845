'use client'

import dynamic from 'next/dynamic'
import { useEffect, useState } from 'react'
import { Part } from './Part'

const QrCode = dynamic(() => import('./QrCode').then((module) => module.QrCode))

interface Served {
  /** Addresses of this computer on the local network, where it serves phones. */
  addresses: string[]
}

/** How a phone at the kit comes to this Humbra, and what it can do without a secure connection. */
export function PhonePart() {
  const [served, setServed] = useState<Served>({ addresses: [] })
  const [secure, setSecure] = useState(true)
  useEffect(() => {
    let over = false
    void fetch('/api/start')
      .then((response) => response.json() as Promise<Served>)
      .then((answer) => {
        if (over) return
        setServed(answer)
        setSecure(window.isSecureContext)
      })
      .catch(() => undefined)
    return () => {
      over = true
    }
  }, [])
  const [first] = served.addresses
  return (
    <Part title="A phone at the kit">
      {first ? (
        <div className="flex flex-wrap items-start gap-5">
          <QrCode text={first} label={`Code of the address ${first}`} className="size-44" />
          <div className="min-w-56 flex-1 leading-snug">
            <p>Point the phone’s camera at the code, on the same network, or type:</p>
            <ul className="my-2 text-lg font-bold break-all">
              {served.addresses.map((address) => (
                <li key={address}>{address}</li>
              ))}
            </ul>
            <p className="text-soft">
              It will warn that it does not know this computer: the certificate was made here a moment ago and
              nobody vouches for it. Go on all the same; what you read stays on the phone. Then it asks for
              the microphone.
            </p>
          </div>
        </div>
      ) : (
        <p className="leading-snug">
          Stop Humbra and start it with <code className="bg-tape px-1.5 py-0.5">make phone</code>: it then
          serves this network over https, and shows here a code for the phone’s camera. A phone opens its
          microphone only over https.
        </p>
      )}
      {secure ? null : (
        <p className="mt-3 font-bold text-caution">
          This page came without https: the browser keeps the microphone shut and nothing is kept for use
          without a network. Everything else works. Record the taps with the phone’s own recorder and bring
          the file in, or type what a tuner says.
        </p>
      )}
    </Part>
  )
}
