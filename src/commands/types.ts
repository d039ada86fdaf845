import type { Session } from '@/session/session'

export type Place =
  | '/'
  | '/bench'
  | '/spacing'
  | '/sheets'
  | '/run'
  | '/logbook'
  | '/practice'
  | '/handbook'
  | '/welcome'
  | '/settings'
  | '/share'
export type DialogName =
  | 'add-drum'
  | 'rename-kit'
  | 'kits'
  | 'borrowed-kit'
  | 'why'
  | 'feel'
  | 'uneven'
  | 'otherwise'
  | 'two-taps'
  | 'hide-fault'
  | 'wrinkles'
  | 'bed'
  | 'undo-turn'
  | 'heard'
  | 'listening'
  | 'note-gig'
  | 'note-rehearsal'
  | 'note-day'
  | 'note-weather'
  | 'shortcuts'
  | 'palette'

/** What a command may do besides the session: go somewhere, open a dialog, change the light. */
export interface CommandContext {
  session: Session
  go(place: Place): void
  open(dialog: DialogName): void
  toggleTheme(): void
  /** Opens the Handbook's entry on what is on screen, beside it. */
  explain(): void
  pickFile(kind: 'sound' | 'kit'): void
}

/** Everything a user can do: buttons, palette, shortcut sheet and tests read the same list. */
export interface Command {
  id: string
  label: string
  group: 'Places' | 'Bench' | 'Kit' | 'Sheets' | 'Logbook' | 'Anywhere'
  /** Places at which its key works, the first the one that it belongs to; left out: everywhere. */
  at?: readonly Place[]
  /** Key as tinykeys writes it: "t", "$mod+z", "g b". */
  shortcut?: string
  enabled(session: Session): boolean
  run(context: CommandContext): void | Promise<void>
}
