'use client'

import { useGo } from '@/ui/useGo'
import { Command } from 'cmdk'
import { usePathname } from 'next/navigation'
import { COMMANDS, worksAt } from '@/commands'
import { Modal } from '@/ui/Modal'
import { useCommander, useEnabled } from './commander'

const IDS = COMMANDS.map(({ id }) => id)

/** Every command by name. */
export function Palette({ onClose }: { onClose: () => void }) {
  const { run } = useCommander()
  const isEnabled = useEnabled(IDS)
  const path = usePathname()
  const go = useGo()
  return (
    <Modal open onClose={onClose} title="Find a command">
      <Command label="Commands">
        <Command.Input
          autoFocus
          placeholder="Type a word"
          className="min-h-12 w-full border-b-2 border-soft bg-tape px-3 text-lg"
        />
        <Command.List className="mt-3 max-h-[50dvh] overflow-y-auto">
          <Command.Empty className="py-4 text-soft">No command of that name.</Command.Empty>
          {COMMANDS.filter((command) => isEnabled(command.id) && command.id !== 'palette').map((command) => (
            <Command.Item
              key={command.id}
              value={command.label}
              onSelect={() => {
                onClose()
                // After the dialog has closed, so that a command may open another; where it belongs.
                if (command.at && !worksAt(command, path)) go(command.at[0])
                setTimeout(() => run(command.id), 0)
              }}
              className="flex min-h-11 cursor-pointer items-center px-3 data-[selected=true]:bg-tape data-[selected=true]:font-bold"
            >
              {command.label}
            </Command.Item>
          ))}
        </Command.List>
      </Command>
    </Modal>
  )
}
