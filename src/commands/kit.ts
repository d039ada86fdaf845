import { demoKit, ownKit } from '@/session/whichKit'
import type { Command } from './types'

// What changes kits is loaded when it is asked for: the frame needs none of it.
const kits = () => import('@/session/actions/kits')
const demo = () => import('@/session/actions/demo')

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
    run: ({ go }) => go('/welcome'),
  },
  {
    id: 'kit.own',
    label: 'My own kit',
    group: 'Kit',
    enabled: () => true,
    run: async ({ session, go }) => {
      const own = ownKit(session.get())
      if (own) (await kits()).chooseKit(session, own.id)
      go(own ? '/' : '/welcome')
    },
  },
  {
    id: 'kit.demo',
    label: 'Look round the demo kit',
    group: 'Kit',
    enabled: (session) => session.kit()?.simulated !== true,
    run: async ({ session, go }) => {
      await (await demo()).openDemo(session)
      go('/')
    },
  },
  {
    id: 'kit.leaveDemo',
    label: 'Put the demo away',
    group: 'Kit',
    enabled: (session) => demoKit(session.get()) !== null,
    run: async ({ session, go }) => {
      ;(await demo()).leaveDemo(session)
      go('/')
    },
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
    label: 'Name, owner and job of this kit',
    group: 'Kit',
    enabled: (session) => session.kit() !== null,
    run: ({ open }) => open('rename-kit'),
  },
  {
    id: 'kit.all',
    label: 'All kits',
    group: 'Kit',
    enabled: (session) => session.get().kits.length > 0,
    run: ({ open }) => open('kits'),
  },
  {
    id: 'kit.away',
    label: 'Put this kit away',
    group: 'Kit',
    enabled: (session) => session.kit()?.archived === false,
    run: async ({ session }) => {
      const kit = session.kit()
      if (kit) (await kits()).archiveKit(session, kit.id, true)
    },
  },
  {
    id: 'kit.remove',
    label: 'Remove this kit',
    group: 'Kit',
    enabled: (session) => session.kit() !== null,
    run: async ({ session }) => (await kits()).removeKit(session),
  },
  {
    id: 'kit.restore',
    label: 'Bring back the kit removed last',
    group: 'Kit',
    enabled: (session) => [...session.get().logs.values()].some(({ kit }) => kit === null),
    run: async ({ session }) => void (await (await kits()).restoreKit(session)),
  },
]
