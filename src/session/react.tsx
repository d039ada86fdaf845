'use client'

import { createContext, useContext, useSyncExternalStore, type ReactNode } from 'react'
import type { KitState } from '@/core/keeping/log'
import { browserSession } from './browser'
import { INITIAL_STATE, type Session } from './session'
import type { SessionState } from './state'

/** Exported for tests, which bring a session on stand-ins. */
export const SessionContext = createContext<Session | null>(null)

const nothing = () => () => undefined
const initial = () => INITIAL_STATE
const none = () => null

/** Gives the page its session. The server renders the state before anything is known. */
export function SessionProvider({ children }: { children: ReactNode }) {
  const session = useSyncExternalStore<Session | null>(nothing, browserSession, none)
  return <SessionContext value={session}>{children}</SessionContext>
}

/** The session, null on the server and before the first effect. */
export function useSession(): Session | null {
  return useContext(SessionContext)
}

export function useSessionState(): SessionState {
  const session = useSession()
  return useSyncExternalStore(session?.subscribe ?? nothing, session?.get ?? initial, initial)
}

/** The kit on screen. */
export function useKit(): KitState | null {
  const state = useSessionState()
  return useSession()?.kit() ?? state.kits[0] ?? null
}
