'use client'

import { DropdownMenu } from 'radix-ui'
import { ChevronDown } from 'lucide-react'
import { chooseKit } from '@/session/actions/kits'
import { useKit, useSelect, useSession } from '@/session/react'
import { useCommander, useEnabled } from '../shell/commander'

const COMMANDS = [
  { id: 'kit.new', label: 'Start a new kit' },
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
  const item =
    'flex min-h-11 cursor-pointer items-center px-4 outline-none data-[highlighted]:bg-case data-[highlighted]:font-bold'
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className="flex min-h-11 items-center gap-1 px-2 text-soft hover:text-ink">
        Kits <ChevronDown aria-hidden size={18} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="start" className="z-50 min-w-64 bg-tape py-2 text-ink shadow-xl">
          {kits
            .filter(({ id }) => id !== kit?.id)
            .map(({ id, name }) => (
              <DropdownMenu.Item key={id} className={item} onSelect={() => session && chooseKit(session, id)}>
                Open {name}
              </DropdownMenu.Item>
            ))}
          {COMMANDS.filter(({ id }) => isEnabled(id)).map(({ id, label }) => (
            <DropdownMenu.Item key={id} className={item} onSelect={() => run(id)}>
              {label}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
