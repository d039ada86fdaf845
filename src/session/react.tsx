'use client'

import { createContext, useContext, useSyncExternalStore, type ReactNode } from 'react'
import { useStore } from 'zustand'
import { useShallow } from 'zustand/react/shallow'
import { createStore } from 'zustand/vanilla'
import type { KitState } from '@/core/log/fold'
import type { Settings } from '@/core/records/settings'
import type { Session } from './session'
import { INITIAL_STATE, kitOf, type SessionState } from './state'

/** Exported for tests, which bring a session on stand-ins. */
export const SessionContext = createContext<Session | null>(null)

const none = () => null
/** What is shown before there is a session, and by the server. */
const before = createStore<SessionState>(() => INITIAL_STATE)

let session: Session | null = null

/** The page's session comes behind the frame: what reads the log and folds it is not needed to paint that. */
function onSession(listener: () => void): () => void {
  let left = false
  if (session === null)
    void import('./browser').then(({ browserSession }) => {
      session = browserSession()
      if (!left) listener()
    })
  return () => {
    left = true
  }
}

/** Gives the page its session. The server renders the state before anything is known. */
export function SessionProvider({ children }: { children: ReactNode }) {
  const own = useSyncExternalStore<Session | null>(onSession, () => session, none)
  return <SessionContext value={own}>{children}</SessionContext>
}

/** The session, null on the server and before the first effect. */
export function useSession(): Session | null {
  return useContext(SessionContext)
}

/** What a component shows of the state: it is drawn again when that changed (compared by its parts), and else not. */
export function useSelect<Selected>(select: (state: SessionState) => Selected): Selected {
  return useStore(useSession()?.store ?? before, useShallow(select))
}

/** The kit on screen. */
export function useKit(): KitState | null {
  return useSelect(kitOf)
}

/** What a typed note means on this device. */
export function useTuning(): Pick<Settings, 'a4Hz' | 'noteNames'> {
  return useSelect(({ settings: { a4Hz, noteNames } }) => ({ a4Hz, noteNames }))
}
