'use client'

import { useSyncExternalStore } from 'react'
import { lastPicture } from './lastPicture'

const never = () => () => undefined

/** The kit as it stood on screen last, until the log is read: a picture, nothing of it can be pressed. */
export function LastKnown() {
  const picture = useSyncExternalStore(never, lastPicture, () => null)
  if (!picture) return <p className="p-8 text-soft">Opening the log…</p>
  // Made by this page of its own elements, and kept on this device alone.
  return <div inert aria-hidden dangerouslySetInnerHTML={{ __html: picture }} />
}
