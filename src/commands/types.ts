import type { Session } from '@/session/session'

export type Place = '/' | '/bench' | '/sheets'
export type DialogName =
  'add-drum' | 'new-kit' | 'rename-kit' | 'keep' | 'otherwise' | 'undo-turn' | 'shortcuts' | 'palette'

/** What a command may do besides the session: go somewhere, open a dialog, change the light. */
export interface CommandContext {
  session: Session
  go(place: Place): void
  open(dialog: DialogName): void
  toggleTheme(): void
  pickFile(kind: 'sound' | 'kit'): void
}

/** Everything a user can do: buttons, palette, shortcut sheet and tests read the same list. */
export interface Command {
  id: string
  label: string
  group: 'Places' | 'Bench' | 'Kit' | 'Sheets' | 'Anywhere'
  /** Key as tinykeys writes it: "t", "$mod+z", "g b". */
  shortcut?: string
  enabled(session: Session): boolean
  run(context: CommandContext): void | Promise<void>
}
