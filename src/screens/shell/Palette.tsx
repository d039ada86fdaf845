'use client'

import { Command as List, defaultFilter } from 'cmdk'
import { usePathname } from 'next/navigation'
import { COMMANDS } from '@/commands'
import { shortcutText, worksAt } from '@/commands/keys'
import { useKit, useSelect, useSession } from '@/session/react'
import { Modal } from '@/ui/Modal'
import { useGo } from '@/ui/useGo'
import { useCommander, useEnabled } from './commander'
import type { KitState } from '@/core/log/fold'
import { sidesOf } from '@/core/records/plain'
import { chooseHead, chooseKit } from '@/session/actions/kits'
import type { Session } from '@/session/session'
import { ENTRIES, ENTRY_IDS } from '@/handbook/entries'
import { WORDS } from '@/handbook/words'

const IDS = COMMANDS.map(({ id }) => id)

const RECENT = 5

interface Entry {
  id: string
  label: string
  /** What it is, or the key that does it. */
  says: string
  /** Other words that find it. */
  words?: string[]
  run: () => void
}

/** What can be done comes before what can be read of it. */
const rank = (value: string, search: string, keywords?: string[]) =>
  defaultFilter(value, search, keywords) * (keywords?.[0] === 'handbook' ? 0.3 : 1)

/** Drums, sheets, steps, kits, commands and entries by name; what was run last comes first. */
export function Palette({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const kit = useKit()
  const { recent, kits } = useSelect(({ settings, kits }) => ({ recent: settings.recent, kits }))
  const { run } = useCommander()
  const isEnabled = useEnabled(IDS)
  const path = usePathname()
  const go = useGo()
  if (!session) return null
  const mac = /Mac|iPhone|iPad/.test(navigator.userAgent)
  const usable = COMMANDS.filter(({ id }) => isEnabled(id) && id !== 'palette')
  const commands = usable.map((command): Entry => ({
    id: command.id,
    label: command.label,
    says: command.shortcut ? shortcutText(command.shortcut, mac) : command.group.toLowerCase(),
    run: () => {
      // Where it belongs; and after the window has closed, so that a command may open another.
      if (command.at && !worksAt(command, path)) go(command.at[0])
      setTimeout(() => run(command.id), 0)
      const others = recent.filter((id) => id !== command.id)
      session.setSettings({ recent: [command.id, ...others].slice(0, RECENT) })
    },
  }))
  const lately = recent.flatMap((id) => commands.filter((entry) => entry.id === id))
  const rest = commands.filter(({ id }) => !recent.includes(id))
  return (
    <Modal open onClose={onClose} title="Find">
      <List label="Find" filter={rank}>
        <List.Input
          autoFocus
          placeholder="Type a word"
          className="min-h-12 w-full border-b-2 border-soft bg-tape px-3 text-lg"
        />
        <List.List className="mt-3 max-h-[50dvh] overflow-y-auto">
          <List.Empty className="py-4 text-soft">
            Nothing of that name: no drum, sheet, step, command or entry.
          </List.Empty>
          <Group title="lately" entries={lately} onClose={onClose} />
          <Group title="to do" entries={rest} onClose={onClose} />
          <Group title="to go to" entries={thingsOf(session, kit, kits, go)} onClose={onClose} />
        </List.List>
      </List>
    </Modal>
  )
}

function Group({ title, entries, onClose }: { title: string; entries: Entry[]; onClose: () => void }) {
  if (entries.length === 0) return null
  return (
    <List.Group
      heading={title}
      className="[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-3 [&_[cmdk-group-heading]]:text-sm [&_[cmdk-group-heading]]:text-soft"
    >
      {entries.map(({ id, label, says, words, run }) => (
        <List.Item
          key={id}
          value={label}
          {...(words ? { keywords: words } : {})}
          onSelect={() => {
            onClose()
            run()
          }}
          className="flex min-h-11 cursor-pointer items-center justify-between gap-4 px-3 data-[selected=true]:bg-tape data-[selected=true]:font-bold"
        >
          <span>{label}</span> <span className="text-sm font-normal whitespace-nowrap text-soft">{says}</span>
        </List.Item>
      ))}
    </List.Group>
  )
}

/** A drum's head, a step of it, a sheet or a kit, and how one comes there. */
interface Thing {
  id: string
  label: string
  says: string
  words: string[]
  run: () => void
}

/** Everything that has a name: of this device, and in the Handbook. */
function thingsOf(
  session: Session,
  kit: KitState | null,
  kits: readonly KitState[],
  go: (to: string) => void,
): Thing[] {
  const heads = (kit?.drums ?? []).flatMap((drum) =>
    sidesOf(drum).map((side) => ({
      id: `${drum.id}/${side}`,
      label: `${drum.name} ${side}`,
      says: 'head',
      words: [drum.kind, 'drum', 'bench'],
      run: () => {
        chooseHead(session, drum.id, side)
        go('/bench')
      },
    })),
  )
  const sheets = (kit?.sheets ?? []).map(({ id, name }) => ({
    ...{ id, label: name, says: 'sheet', words: ['sheet', 'target', 'print'] },
    run: () => go(`/print?sheet=${encodeURIComponent(id)}`),
  }))
  const others = kits
    .filter(({ id }) => id !== kit?.id)
    .map(({ id, name }) => ({
      ...{ id, label: name, says: 'kit', words: ['kit', 'open'] },
      run: () => {
        chooseKit(session, id)
        go('/')
      },
    }))
  const entries = ENTRY_IDS.map((id) => ({
    ...{
      id: `entry/${id}`,
      label: ENTRIES[id].title,
      says: 'handbook',
      words: ['handbook', ...WORDS[id].split(' ')],
    },
    run: () => go(`/handbook?entry=${id}`),
  }))
  return [...heads, ...sheets, ...others, ...entries]
}
