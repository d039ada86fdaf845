'use client'

import { Ellipsis } from 'lucide-react'
import dynamic from 'next/dynamic'
import type { Stop } from '@/core/status/steps'
import type { Drum } from '@/core/records/kit'
import { duplicateDrum, moveDrum, removeDrum } from '@/session/actions/kits'
import { useSession } from '@/session/react'
import { Menu } from '@/ui/Menu'
import type { MenuParts } from '@/ui/MenuBody'
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
    <Menu
      label={`More for ${drum.name}`}
      button={<Ellipsis aria-hidden size={20} />}
      className="flex size-11 shrink-0 items-center justify-center text-soft"
      contentClass="max-h-(--radix-dropdown-menu-content-available-height) w-[420px] max-w-[96vw] overflow-y-auto"
    >
      {(parts) => (
        <>
          <LaneSteps drum={drum} onOpen={onOpen} />
          <parts.Separator className="my-2 h-px bg-line" />
          <Others drum={drum} first={first} last={last} onEdit={onEdit} parts={parts} />
        </>
      )}
    </Menu>
  )
}

function Others({
  drum,
  first,
  last,
  onEdit,
  parts: { Item },
}: {
  drum: Drum
  first: boolean
  last: boolean
  onEdit: () => void
  parts: MenuParts
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
        <Item key={item.label} onSelect={item.run} className={`${ITEM} flex items-center px-4`}>
          {item.label}
        </Item>
      ))}
    </div>
  )
}
