'use client'

import { useEffect, useState } from 'react'
import { sayAloud } from '@/session/actions/speak'
import { announcedOf } from '@/session/announced'
import { useSession } from '@/session/react'

/** The one voice of the Bench for who does not see it: each reading once, then what is asked for; aloud where that is wanted. */
export function Announcer() {
  const session = useSession()
  const [said, setSaid] = useState('')
  useEffect(() => {
    if (!session) return
    let before = announcedOf(session.get())
    return session.store.subscribe(() => {
      const now = announcedOf(session.get())
      if (now === before) return
      const read = now.tap !== before.tap && now.reading !== ''
      const asks = now.asked !== '' && (read || now.asked !== before.asked)
      // While the next move is worked out nothing is asked: it is told when it is there.
      before = now.asked === '' ? { ...now, asked: before.asked } : now
      if (!read && !asks) return
      setSaid([read ? now.reading : '', asks ? now.asked : ''].filter(Boolean).join('; '))
      // A tap's own words are spoken where it was heard.
      if (!read) void sayAloud(session, now.asked)
    })
  }, [session])
  return (
    <p role="status" aria-live="polite" aria-label="What was read, and what comes next" className="sr-only">
      {said}
    </p>
  )
}
