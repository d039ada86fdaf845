import { removeKit, restoreKit } from '@/session/actions/kits'
import type { Command } from './types'

export const KIT_COMMANDS: Command[] = [
  {
    id: 'kit.addDrum',
    label: 'Add a drum',
    group: 'Kit',
    shortcut: 'd',
    enabled: (session) => session.kit() !== null,
    run: ({ open }) => open('add-drum'),
  },
  {
    id: 'kit.new',
    label: 'Start a new kit',
    group: 'Kit',
    enabled: () => true,
    run: ({ open }) => open('new-kit'),
  },
  {
    id: 'kit.borrowed',
    label: 'A borrowed kit, from sizes only',
    group: 'Kit',
    enabled: () => true,
    run: ({ open }) => open('borrowed-kit'),
  },
  {
    id: 'kit.rename',
    label: 'Rename this kit',
    group: 'Kit',
    enabled: (session) => session.kit() !== null,
    run: ({ open }) => open('rename-kit'),
  },
  {
    id: 'kit.remove',
    label: 'Remove this kit',
    group: 'Kit',
    enabled: (session) => session.kit() !== null,
    run: ({ session }) => removeKit(session),
  },
  {
    id: 'kit.restore',
    label: 'Bring back the kit removed last',
    group: 'Kit',
    enabled: (session) => [...session.get().logs.values()].some(({ kit }) => kit === null),
    run: async ({ session }) => void (await restoreKit(session)),
  },
]
