import { exportKit } from '@/session/actions/files'
import { redoable, undoable } from '@/session/undo'
import type { Command } from './types'

export const ANYWHERE_COMMANDS: Command[] = [
  {
    id: 'undo',
    label: 'Undo',
    group: 'Anywhere',
    shortcut: '$mod+z',
    enabled: (session) => undoable(session.get().acts, session.deps.nowMs()) !== null,
    run: ({ session, open }) => {
      // A rod does not undo: the user says whether the turn was never made or was turned back.
      if (undoable(session.get().acts, session.deps.nowMs())?.turns) return open('undo-turn')
      const act = session.undo()
      if (act) session.notify(`Taken back: ${act.what}.`)
    },
  },
  {
    id: 'redo',
    label: 'Redo',
    group: 'Anywhere',
    shortcut: '$mod+Shift+z',
    enabled: (session) => redoable(session.get().acts) !== null,
    run: ({ session }) => {
      const act = session.redo()
      if (act) session.notify(`Done again: ${act.what}.`)
    },
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
