import { act, render, waitFor } from '@testing-library/react'
import type { ReactNode } from 'react'
import type { Session } from '@/session/session'
import { SessionContext } from '@/session/react'
import '@/commands'
import { CommandProvider } from './shell/CommandProvider'
import { pushed } from './testRouter'

/** Shows a place with its session and commands, for tests in jsdom, which lacks what the screens ask of a browser. */
export function showScreen(session: Session, place: ReactNode): Promise<void> {
  window.ResizeObserver ??= class {
    observe() {}
    unobserve() {}
    disconnect() {}
  }
  return act(async () => {
    render(
      <SessionContext value={session}>
        <CommandProvider>{place}</CommandProvider>
      </SessionContext>,
    )
  })
}

/** Lets everything that was asked for answer: workers, the disk, what is loaded late. */
export const settled = () =>
  act(async () => {
    for (let i = 0; i < 30; i++) await new Promise((resolve) => setTimeout(resolve, 0))
  })

/** Waits until these places were gone to, one after the other: behind a window its entry of the history is gone first. */
export const wentTo = (...paths: string[]) => waitFor(() => expect(pushed).toEqual(paths))

/** The server says how it was started. */
export function servedAt(...addresses: string[]): void {
  const answer = { json: () => Promise.resolve({ demo: false, addresses }) }
  globalThis.fetch = () => Promise.resolve(answer as Response)
}
