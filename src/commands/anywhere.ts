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
    id: 'explain',
    label: 'Handbook: what this is about',
    group: 'Anywhere',
    shortcut: 'Shift+H',
    enabled: () => true,
    run: ({ explain }) => explain(),
  },
  {
    id: 'palette',
    label: 'Find anything: drum, sheet, step, command',
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
    id: 'walk.again',
    label: 'Show the first walk again',
    group: 'Anywhere',
    enabled: () => true,
    run: ({ session }) => {
      session.setSettings({ walked: [] })
      session.notify('The notes of the first walk are back at their things.')
    },
  },
  {
    id: 'backup',
    label: 'Back up this device to one file',
    group: 'Anywhere',
    enabled: (session) => session.get().phase !== 'starting',
    run: async ({ session }) => (await import('@/session/actions/backup')).saveBackup(session),
  },
  {
    id: 'export',
    label: 'Export the kit to a file',
    group: 'Anywhere',
    enabled: (session) => session.kit() !== null,
    run: async ({ session }) => (await import('@/session/actions/files')).exportKit(session),
  },
  {
    id: 'import',
    label: 'Import a kit file',
    group: 'Anywhere',
    enabled: () => true,
    run: ({ pickFile }) => pickFile('kit'),
  },
]
