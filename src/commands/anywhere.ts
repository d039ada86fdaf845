import { redoable, undoable } from '@/core/keeping/log'
import { exportKit } from '@/session/actions/files'
import type { Command } from './types'

export const ANYWHERE_COMMANDS: Command[] = [
  {
    id: 'undo',
    label: 'Undo',
    group: 'Anywhere',
    shortcut: '$mod+z',
    enabled: (session) => {
      const kit = session.kit()
      const event = kit && undoable(session.get().log, kit.id)
      return Boolean(event && !(event.kind === 'kitEdited' && event.change.what === 'kitMade'))
    },
    run: ({ session, open }) => {
      const kit = session.kit()
      const event = kit && undoable(session.get().log, kit.id)
      // A rod does not undo: the user says whether the turn was never made or was turned back.
      if (event?.kind === 'rodsTurned') open('undo-turn')
      else session.undo()
    },
  },
  {
    id: 'redo',
    label: 'Redo',
    group: 'Anywhere',
    shortcut: '$mod+Shift+z',
    enabled: (session) => {
      const kit = session.kit()
      return Boolean(kit && redoable(session.get().log, kit.id))
    },
    run: ({ session }) => void session.redo(),
  },
  {
    id: 'palette',
    label: 'Find a command',
    group: 'Anywhere',
    shortcut: '$mod+k',
    enabled: () => true,
    run: ({ open }) => open('palette'),
  },
  {
    id: 'shortcuts',
    label: 'Show the keys',
    group: 'Anywhere',
    shortcut: 'Shift+?',
    enabled: () => true,
    run: ({ open }) => open('shortcuts'),
  },
  {
    id: 'theme',
    label: 'Switch workshop and stage light',
    group: 'Anywhere',
    shortcut: 'l',
    enabled: () => true,
    run: ({ toggleTheme }) => toggleTheme(),
  },
  {
    id: 'export',
    label: 'Export the kit to a file',
    group: 'Anywhere',
    enabled: (session) => session.kit() !== null,
    run: ({ session }) => exportKit(session),
  },
  {
    id: 'import',
    label: 'Import a kit file',
    group: 'Anywhere',
    enabled: () => true,
    run: ({ pickFile }) => pickFile('kit'),
  },
]
