'use client'

import { ChevronDown } from 'lucide-react'
import { chooseKit } from '@/session/actions/kits'
import { useKit, useSelect, useSession } from '@/session/react'
import { Menu, MENU_ITEM } from '@/ui/Menu'
import { useCommander, useEnabled } from '../shell/commander'

const COMMANDS = [
  { id: 'kit.new', label: 'Start a new kit' },
  { id: 'kit.demo', label: 'Look round the demo' },
  { id: 'kit.leaveDemo', label: 'Put the demo away' },
  { id: 'kit.borrowed', label: 'A borrowed kit, from sizes' },
  { id: 'kit.rename', label: 'Rename this kit' },
  { id: 'export', label: 'Export to a file' },
  { id: 'import', label: 'Import a file' },
  { id: 'kit.remove', label: 'Remove this kit' },
  { id: 'kit.restore', label: 'Bring back the kit removed last' },
]

const IDS = COMMANDS.map(({ id }) => id)

/** Other kits, and what can be done with this one. */
export function KitMenu() {
  const session = useSession()
  const kits = useSelect((state) => state.kits)
  const kit = useKit()
  const { run } = useCommander()
  const isEnabled = useEnabled(IDS)
  return (
    <Menu
      className="flex min-h-11 items-center gap-1 px-2 text-soft hover:text-ink"
      contentClass="min-w-64"
      button={
        <>
          Kits <ChevronDown aria-hidden size={18} />
        </>
      }
    >
      {({ Item }) => (
        <>
          {kits
            .filter(({ id }) => id !== kit?.id)
            .map(({ id, name }) => (
              <Item key={id} className={MENU_ITEM} onSelect={() => session && chooseKit(session, id)}>
                Open {name}
              </Item>
            ))}
          {COMMANDS.filter(({ id }) => isEnabled(id)).map(({ id, label }) => (
            <Item key={id} className={MENU_ITEM} onSelect={() => run(id)}>
              {label}
            </Item>
          ))}
        </>
      )}
    </Menu>
  )
}
