'use client'

import { useRouter } from 'next/navigation'
import { useTheme } from 'next-themes'
import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
} from 'react'
import { tinykeys } from 'tinykeys'
import { COMMANDS, commandById, hasModifier } from '@/commands'
import type { CommandContext, DialogName } from '@/commands/types'
import { importKit } from '@/session/actions/files'
import { readFile } from '@/session/actions/recording'
import { useSelect, useSession } from '@/session/react'
import { Dialogs } from './Dialogs'

interface Commander {
  run(id: string): void
  isEnabled(id: string): boolean
  open(dialog: DialogName): void
}

const CommanderContext = createContext<Commander>({
  run: () => undefined,
  isEnabled: () => false,
  open: () => undefined,
})

/** Runs commands for buttons, keys and the palette alike. */
export function useCommander(): Commander {
  return useContext(CommanderContext)
}

export function CommandProvider({ children }: { children: ReactNode }) {
  const session = useSession()
  const state = useSelect(({ settings }) => ({ settings }))
  const router = useRouter()
  const { resolvedTheme, setTheme } = useTheme()
  const [dialog, setDialog] = useState<DialogName | null>(null)
  // A dialog takes a moment to be there: what is typed meanwhile is meant for it, and is no single key.
  const opening = useRef(false)
  const open = useCallback((name: DialogName) => {
    opening.current = true
    setDialog(name)
  }, [])
  useEffect(() => {
    opening.current = dialog !== null
  }, [dialog])
  const soundInput = useRef<HTMLInputElement>(null)
  const kitInput = useRef<HTMLInputElement>(null)

  const context = useMemo<CommandContext | null>(
    () =>
      session && {
        session,
        go: (to) => router.push(to),
        open,
        toggleTheme: () => setTheme(resolvedTheme === 'dark' ? 'light' : 'dark'),
        pickFile: (kind) => (kind === 'sound' ? soundInput : kitInput).current?.click(),
      },
    [session, router, resolvedTheme, setTheme, open],
  )

  const run = useCallback(
    (id: string) => {
      const command = commandById(id)
      if (context && command.enabled(context.session)) void command.run(context)
    },
    [context],
  )

  const commander = useMemo<Commander>(
    () => ({
      run,
      isEnabled: (id) => Boolean(session && commandById(id).enabled(session)),
      open,
    }),
    [run, session, open],
  )

  const { singleKeys } = state.settings
  useEffect(() => {
    const bindings: Record<string, (event: KeyboardEvent) => void> = {}
    for (const { id, shortcut } of COMMANDS) {
      if (!shortcut || (!singleKeys && !hasModifier(shortcut))) continue
      bindings[shortcut] = (event) => {
        if (!hasModifier(shortcut) && (opening.current || isTyping(event))) return
        event.preventDefault()
        run(id)
      }
    }
    return tinykeys(window, bindings)
  }, [run, singleKeys])

  return (
    <CommanderContext value={commander}>
      {children}
      <Dialogs dialog={dialog} onClose={() => setDialog(null)} />
      <input
        ref={soundInput}
        type="file"
        accept="audio/*,.wav"
        aria-label="Recording to read"
        className="hidden"
        onChange={(event) => {
          const file = event.target.files?.[0]
          if (file && session) void readFile(session, file)
          event.target.value = ''
        }}
      />
      <input
        ref={kitInput}
        type="file"
        accept=".json,application/json"
        aria-label="Kit file to import"
        className="hidden"
        onChange={(event) => {
          const file = event.target.files?.[0]
          if (file && session) void importKit(session, file)
          event.target.value = ''
        }}
      />
    </CommanderContext>
  )
}

/** Single keys stay out of fields, dialogs and of controls that use the key themselves. */
function isTyping(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement | null
  if (!target?.closest) return false
  if (target.closest('input, textarea, select, [role="dialog"], [role="menu"], [role="listbox"]')) return true
  return (event.key === 'Enter' || event.key === ' ') && target.closest('button, a, [role="slider"]') !== null
}
