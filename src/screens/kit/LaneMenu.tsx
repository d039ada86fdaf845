'use client'

import { DropdownMenu } from 'radix-ui'
import { Ellipsis } from 'lucide-react'
import dynamic from 'next/dynamic'
import type { Stop } from '@/core/bench/steps'
import type { Drum } from '@/core/records/kit'
import { duplicateDrum, moveDrum, removeDrum } from '@/session/actions/kits'
import { useSession } from '@/session/react'
import { ITEM } from './menuItem'

// A kit that is only looked at needs no drum's job.
const LaneSteps = dynamic(() => import('./LaneSteps').then((module) => module.LaneSteps))

/** Every step of a drum's job, with how it stands, and what is done to the drum in the kit. */
export function LaneMenu({
  drum,
  first,
  last,
  onOpen,
  onEdit,
}: {
  drum: Drum
  first: boolean
  last: boolean
  onOpen: (stop: Stop) => void
  onEdit: () => void
}) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        aria-label={`More for ${drum.name}`}
        className="flex size-11 shrink-0 items-center justify-center text-soft"
      >
        <Ellipsis aria-hidden size={20} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="start"
          collisionPadding={8}
          className="z-50 max-h-(--radix-dropdown-menu-content-available-height) w-[420px] max-w-[96vw] overflow-y-auto bg-tape py-2 text-ink shadow-xl"
        >
          <LaneSteps drum={drum} onOpen={onOpen} />
          <DropdownMenu.Separator className="my-2 h-px bg-line" />
          <Others drum={drum} first={first} last={last} onEdit={onEdit} />
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

function Others({
  drum,
  first,
  last,
  onEdit,
}: {
  drum: Drum
  first: boolean
  last: boolean
  onEdit: () => void
}) {
  const session = useSession()
  if (!session) return null
  const items = [
    { label: 'Edit', run: onEdit },
    { label: 'Duplicate', run: () => duplicateDrum(session, drum) },
    ...(first ? [] : [{ label: 'Move up', run: () => moveDrum(session, drum, -1) }]),
    ...(last ? [] : [{ label: 'Move down', run: () => moveDrum(session, drum, 1) }]),
    { label: 'Delete', run: () => removeDrum(session, drum) },
  ]
  return (
    <div className="grid grid-cols-2">
      {items.map((item) => (
        <DropdownMenu.Item key={item.label} onSelect={item.run} className={`${ITEM} flex items-center px-4`}>
          {item.label}
        </DropdownMenu.Item>
      ))}
    </div>
  )
}
