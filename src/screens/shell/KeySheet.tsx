'use client'

import { COMMANDS } from '@/commands'
import { shortcutText } from '@/commands/keys'
import { useSelect, useSession } from '@/session/react'
import { Modal } from '@/ui/Modal'

/** All keys, from the same list that the keys themselves are read from. */
export function KeySheet({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const settings = useSelect((state) => state.settings)
  const mac = typeof navigator !== 'undefined' && /Mac|iPhone|iPad/.test(navigator.userAgent)
  const groups = [...new Set(COMMANDS.map((command) => command.group))]
  return (
    <Modal
      open
      onClose={onClose}
      title="Keys"
      description="On the bench the digits 1 to 9 and 0 choose a lug."
    >
      <label className="mb-4 flex min-h-11 items-center gap-3">
        <input
          type="checkbox"
          className="size-5"
          checked={settings.singleKeys}
          onChange={(event) => session?.setSettings({ singleKeys: event.target.checked })}
        />
        Single keys work (switch off when a voice or switch control types by itself)
      </label>
      {groups.map((group) => (
        <section key={group} className="mb-4">
          <h3 className="mb-1 text-sm text-soft">{group}</h3>
          <dl>
            {COMMANDS.filter((command) => command.group === group && command.shortcut).map((command) => (
              <div key={command.id} className="flex justify-between gap-4 border-b border-line py-1.5">
                <dt>{command.label}</dt>
                <dd className="font-bold whitespace-nowrap">{shortcutText(command.shortcut!, mac)}</dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
    </Modal>
  )
}
