import type { Command, Place } from './types'

const place = (id: string, label: string, to: Place, shortcut: string): Command => ({
  id: `go.${id}`,
  label: `Go to ${label}`,
  group: 'Places',
  shortcut,
  enabled: () => true,
  run: ({ go }) => go(to),
})

export const PLACE_COMMANDS: Command[] = [
  place('kit', 'the kit', '/', 'g k'),
  place('bench', 'the bench', '/bench', 'g b'),
  place('spacing', 'the spacing of the kit', '/spacing', 'g p'),
  place('sheets', 'the sheets', '/sheets', 'g s'),
  place('run', 'the retune run', '/run', 'g r'),
  place('logbook', 'the logbook', '/logbook', 'g l'),
  place('practice', 'practice: the ear, the practice drum, lessons', '/practice', 'g d'),
  place('handbook', 'the handbook', '/handbook', 'g h'),
  place('share', 'in and out: files, backup, phone', '/share', 'g i'),
  place('settings', 'the settings', '/settings', 'g e'),
]
