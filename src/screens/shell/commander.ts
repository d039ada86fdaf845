'use client'

import { createContext, useContext } from 'react'
import { knownCommand } from '@/commands/known'
import type { DialogName } from '@/commands/types'
import { useSelect, useSession } from '@/session/react'

export interface Commander {
  run(id: string): void
  open(dialog: DialogName): void
}

export const CommanderContext = createContext<Commander>({
  run: () => undefined,
  open: () => undefined,
})

/** Runs commands for buttons, keys and the palette alike. */
export function useCommander(): Commander {
  return useContext(CommanderContext)
}

/** Which of the commands can be run now; the component is drawn again only when one of these changed. */
export function useEnabled(ids: readonly string[]): (id: string) => boolean {
  const session = useSession()
  const enabled = useSelect(() => ids.map((id) => Boolean(session && knownCommand(id)?.enabled(session))))
  return (id) => enabled[ids.indexOf(id)] ?? false
}
