'use client'

import { useGo } from '@/ui/useGo'
import { usePathname } from 'next/navigation'
import { useTheme } from 'next-themes'
import {
  useCallback,
  useEffect,
  useMemo,
  useRef,
  useState,
  useSyncExternalStore,
  type ReactNode,
  type RefObject,
} from 'react'
import { tinykeys } from 'tinykeys'
import { hasModifier, worksAt } from '@/commands/keys'
import { knownCommand, knownCommands, LIGHT_COMMANDS, onKnown } from '@/commands/known'
import type { CommandContext, DialogName } from '@/commands/types'
import { useSelect, useSession } from '@/session/react'
import type { Session } from '@/session/session'
import { CommanderContext, type Commander } from './commander'
import { Dialogs } from './Dialogs'
import { Incoming } from './Incoming'

/** Keys that begin a sequence (they go to places), and how long the next key belongs to it: as tinykeys has it. */
const PREFIXES = new Set(
  LIGHT_COMMANDS.flatMap(({ shortcut }) => (shortcut?.includes(' ') ? [shortcut.split(' ')[0]] : [])),
)
const SEQUENCE_MS = 1000

export function CommandProvider({ children }: { children: ReactNode }) {
  const session = useSession()
  const singleKeys = useSelect(({ settings }) => settings.singleKeys)
  const go = useGo()
  const { resolvedTheme, setTheme } = useTheme()
  const [dialog, setDialog] = useState<DialogName | null>(null)
  // A dialog takes a moment to be there: what is typed meanwhile is meant for it, and is no single key.
  const opening = useRef(false)
  const prefixAt = useRef(-Infinity)
  const path = usePathname()
  const known = useSyncExternalStore(onKnown, knownCommands, () => LIGHT_COMMANDS)
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
        go,
        open,
        toggleTheme: () => setTheme(resolvedTheme === 'dark' ? 'light' : 'dark'),
        explain: () => void explain(window.location.pathname, session),
        pickFile: (kind) => (kind === 'sound' ? soundInput : kitInput).current?.click(),
      },
    [session, go, resolvedTheme, setTheme, open],
  )

  const run = useCallback(
    (id: string) => {
      if (!context) return
      const now = knownCommand(id)
      if (now) {
        if (now.enabled(context.session)) void now.run(context)
        return
      }
      // Of a place that was not loaded yet.
      void import('@/commands').then(({ commandById }) => {
        const command = commandById(id)
        if (command.enabled(context.session)) void command.run(context)
      })
    },
    [context],
  )

  /** By a key nobody aims: what it wrote is said, and can be taken back. */
  const runByKey = useCallback(
    async (id: string) => {
      const command = knownCommand(id)
      if (!context || !command?.enabled(context.session)) return
      const { session } = context
      const before = session.get()
      await command.run(context)
      const { acts, notice } = session.get()
      const made = acts.done.at(-1)
      const told = notice !== before.notice
      if (made && made !== before.acts.done.at(-1) && acts.undone.length === 0 && !told)
        session.notify(`Noted: ${made.what}.`, { undo: true, by: 'key' })
    },
    [context],
  )

  const commander = useMemo<Commander>(
    () => ({
      run,
      open,
    }),
    [run, open],
  )

  useEffect(() => {
    const bindings: Record<string, (event: KeyboardEvent) => void> = {}
    for (const command of known) {
      const { id, shortcut } = command
      if (!shortcut || (!singleKeys && !hasModifier(shortcut))) continue
      if (!worksAt(command, path)) continue
      bindings[shortcut] = (event) => {
        if (!hasModifier(shortcut) && (opening.current || isTyping(event))) return
        // The second key of a sequence is no key of its own.
        if (!shortcut.includes(' ') && event.timeStamp - prefixAt.current < SEQUENCE_MS) return
        event.preventDefault()
        void runByKey(id)
      }
    }
    // After the bindings: the key itself is not yet behind its own prefix.
    const seen = (event: KeyboardEvent) => {
      const starts = PREFIXES.has(event.key) && !event.ctrlKey && !event.metaKey && !isTyping(event)
      prefixAt.current = starts ? event.timeStamp : -Infinity
    }
    const unbind = tinykeys(window, bindings)
    window.addEventListener('keydown', seen)
    return () => {
      unbind()
      window.removeEventListener('keydown', seen)
    }
  }, [runByKey, singleKeys, path, known])

  return (
    <CommanderContext value={commander}>
      {children}
      {session ? <Incoming session={session} /> : null}
      <Dialogs dialog={dialog} onClose={() => setDialog(null)} />
      {session ? <FileInputs session={session} sound={soundInput} kit={kitInput} /> : null}
    </CommanderContext>
  )
}

/** The entry on the place, on the Bench on its step. */
async function explain(path: string, session: Session): Promise<void> {
  const [{ PLACE_ENTRY, STEP_ENTRY }, { openBeside }] = await Promise.all([
    import('@/handbook/links'),
    import('../handbook/beside'),
  ])
  const place = PLACE_ENTRY[path as keyof typeof PLACE_ENTRY] ?? PLACE_ENTRY['/bench']
  openBeside(path === '/bench' ? STEP_ENTRY[session.get().step] : place)
}

/** Chosen as recordings: whatever they are called, they are tried as such, one after the other. */
async function readChosen(session: Session, files: readonly File[]): Promise<void> {
  const { readFile } = await import('@/session/actions/recording')
  for (const file of files) await readFile(session, file)
}

const takeChosen = async (session: Session, files: readonly File[]) =>
  (await import('@/session/actions/incoming')).takeIn(session, files)

interface FileInputsProps {
  session: Session
  sound: RefObject<HTMLInputElement | null>
  kit: RefObject<HTMLInputElement | null>
}

/** What the commands that ask for a file open. */
function FileInputs({ session, sound, kit }: FileInputsProps) {
  return (
    <>
      <FileInput
        ref={sound}
        accept="audio/*,.wav"
        label="Recording to read"
        onFiles={(files) => void readChosen(session, files)}
      />
      <FileInput
        ref={kit}
        accept=".json,application/json"
        label="Kit file to import"
        onFiles={(files) => void takeChosen(session, files)}
      />
    </>
  )
}

interface FileInputProps {
  ref: RefObject<HTMLInputElement | null>
  accept: string
  label: string
  onFiles: (files: File[]) => void
}

/** Opens the system's own choice of files; the same file can be chosen again. */
function FileInput({ ref, accept, label, onFiles }: FileInputProps) {
  return (
    <input
      ref={ref}
      type="file"
      multiple
      accept={accept}
      aria-label={label}
      className="hidden"
      onChange={(event) => {
        const files = [...(event.target.files ?? [])]
        event.target.value = ''
        if (files.length) onFiles(files)
      }}
    />
  )
}

/** Single keys stay out of fields, dialogs and of controls that use the key themselves. */
function isTyping(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement | null
  if (!target?.closest) return false
  if (target.closest('input, textarea, select, [role="dialog"], [role="menu"], [role="listbox"]')) return true
  return (event.key === 'Enter' || event.key === ' ') && target.closest('button, a, [role="slider"]') !== null
}
