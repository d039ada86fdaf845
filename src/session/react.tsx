'use client'

import { createContext, useContext, useSyncExternalStore, type ReactNode } from 'react'
import { useStore } from 'zustand'
import { useShallow } from 'zustand/react/shallow'
import { createStore } from 'zustand/vanilla'
import type { KitState } from '@/core/log/fold'
import { benchView, type BenchView } from './benchView'
import { browserSession } from './browser'
import type { Session } from './session'
import { INITIAL_STATE, kitOf, type SessionState } from './state'

/** Exported for tests, which bring a session on stand-ins. */
export const SessionContext = createContext<Session | null>(null)

const nothing = () => () => undefined
const none = () => null
/** What is shown before there is a session, and by the server. */
const before = createStore<SessionState>(() => INITIAL_STATE)

/** Gives the page its session. The server renders the state before anything is known. */
export function SessionProvider({ children }: { children: ReactNode }) {
  const session = useSyncExternalStore<Session | null>(nothing, browserSession, none)
  return <SessionContext value={session}>{children}</SessionContext>
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

/** Everything that the Bench shows of the head on it. */
export function useBenchView(): BenchView | null {
  return useSelect(benchView)
}
