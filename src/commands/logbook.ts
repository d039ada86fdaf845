import type { Session } from '@/session/session'
import type { Command } from './types'

const withKit = (session: Session) => session.kit() !== null

/** What is written down of the days round the drums: one key each. */
export const LOGBOOK_COMMANDS: Command[] = [
  {
    id: 'log.gig',
    label: 'Note a gig, played or to come',
    group: 'Logbook',
    shortcut: 'p',
    enabled: withKit,
    run: ({ open }) => open('note-gig'),
  },
  {
    id: 'log.rehearsal',
    label: 'Note a rehearsal',
    group: 'Logbook',
    shortcut: 'r',
    enabled: withKit,
    run: ({ open }) => open('note-rehearsal'),
  },
  {
    id: 'log.note',
    label: 'Write a note for a day',
    group: 'Logbook',
    shortcut: 'n',
    enabled: withKit,
    run: ({ open }) => open('note-day'),
  },
  {
    id: 'log.weather',
    label: 'Note the weather, or take in a table of it',
    group: 'Logbook',
    shortcut: 'w',
    enabled: withKit,
    run: ({ open }) => open('note-weather'),
  },
]
