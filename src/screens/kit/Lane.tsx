'use client'

import type { CSSProperties, HTMLAttributes } from 'react'
import { GripVertical, Ellipsis } from 'lucide-react'
import { clsx } from 'clsx'
import { RailLaneChart, type LaneDoubts } from '@/charts/RailChart'
import type { RailLane, RailModel } from '@/charts/rail.model'
import type { Stop } from '@/core/status/steps'
import type { DrumInKit } from '@/core/status/kit'
import { filmText, hzText } from '@/text/heads'
import { findingText, statusText } from '@/text/status'
import { Tape } from '@/ui/Tape'
import { drumText } from './summaryText'
import dynamic from 'next/dynamic'
import type { Drum } from '@/core/records/kit'
import { duplicateDrum, moveDrum, removeDrum } from '@/session/actions/kits'
import { useSession } from '@/session/react'
import { Menu } from '@/ui/Menu'
import type { MenuParts } from '@/ui/MenuBody'
import { ITEM } from './menuItem'

/** The rail wants some 300 px to be read: on a tablet held upright the state goes under it. */
export const LANE_GRID =
  'grid grid-cols-1 md:grid-cols-[248px_minmax(0,1fr)] md:gap-x-4 lg:grid-cols-[248px_minmax(0,1fr)_190px]'

const LANE_HEIGHT = 104

const TONES = { good: 'text-good', act: 'text-act', soft: 'text-soft', caution: 'text-caution' }

export interface LaneProps {
  summary: DrumInKit
  lane: RailLane
  model: RailModel
  width: number
  first: boolean
  last: boolean
  onOpen: (stop: Stop) => void
  onEdit: () => void
  doubts: LaneDoubts
  /** While lanes are put in order; left out while they stand. */
  moving?: Moving
  /** The hand is near the grip: what moves lanes is wanted. */
  onReach?: () => void
}

/** What moves a lane, from whoever moves it. */
export interface Moving {
  ref: (node: HTMLElement | null) => void
  style: CSSProperties
  grip: HTMLAttributes<HTMLButtonElement>
  dragged: boolean
}

/** One drum of the rail: its name on tape, its marks, its state. */
export function Lane({
  summary,
  lane,
  model,
  width,
  first,
  last,
  onOpen,
  onEdit,
  doubts,
  moving,
  onReach,
}: LaneProps) {
  const { drum } = summary
  const status = drumText(summary)
  return (
    <li
      ref={moving?.ref}
      style={moving?.style}
      className={clsx(LANE_GRID, 'relative', moving?.dragged && 'z-10 opacity-80')}
    >
      <div className="flex items-start gap-0.5 pt-2">
        <button
          type="button"
          aria-label={`Move ${drum.name}`}
          data-grip={drum.id}
          className="flex h-[68px] w-11 shrink-0 cursor-grab touch-none items-center justify-center text-soft"
          // Only here: what moves lanes takes the place of all of them, and an open menu with it.
          onPointerEnter={onReach}
          onFocus={onReach}
          {...moving?.grip}
        >
          <GripVertical aria-hidden size={18} />
        </button>
        <div className="min-w-0 flex-1">
          <Tape seed={hash(drum.id)} className="flex items-center py-2 pr-1 pl-4">
            <button
              type="button"
              onClick={() => onOpen({ step: 'even', side: 'batter' })}
              className="min-w-0 flex-1 text-left"
            >
              <span className="block truncate text-[22px] leading-tight font-bold">{drum.name}</span>
              <span className="block truncate text-sm text-soft">
                {drum.lugs} rods, {filmText(drum.batter.pliesMils, drum.batter.coating).split(',')[0]}
              </span>
            </button>
            <LaneMenu drum={drum} first={first} last={last} onOpen={onOpen} onEdit={onEdit} />
          </Tape>
        </div>
      </div>
      <RailLaneChart
        lane={lane}
        model={model}
        width={width}
        height={LANE_HEIGHT}
        label={[laneText(summary), `${status.word}, ${status.detail}`, doubts.next, doubts.heads]
          .filter(Boolean)
          .join('; ')}
        doubts={doubts}
      />
      <button
        type="button"
        onClick={() => onOpen({ step: 'even', side: summary.worst?.side ?? 'batter' })}
        className="pt-3 pb-4 text-left md:max-lg:col-start-2 md:max-lg:pt-0 lg:pl-2"
      >
        <span className={clsx('block text-xl font-bold md:max-lg:mr-3 md:max-lg:inline', TONES[status.tone])}>
          {status.word}
        </span>
        <span className="block text-soft md:max-lg:inline">{status.detail}</span>
        {summary.findings.map((found) => (
          <span key={found.id} className="block truncate text-[15px] text-caution">
            {findingText(found)}
          </span>
        ))}
      </button>
    </li>
  )
}

/** The lane in words. */
function laneText({ drum, heads }: DrumInKit): string {
  const parts = (drum.oneHeaded ? [heads.batter] : [heads.batter, heads.resonant]).map((head) => {
    const says = statusText(head)
    const hz = head.pitch.hz === null || says.includes('Hz') ? '' : `${hzText(head.pitch.hz)} hertz, `
    return `${head.side} ${hz}${says}`
  })
  return `${drum.name}: ${parts.join('; ')}`
}

function hash(text: string): number {
  return [...text].reduce((sum, c) => (sum * 31 + c.charCodeAt(0)) | 0, 7) >>> 0
}

// A kit that is only looked at needs no drum's job.
const LaneSteps = dynamic(() => import('./LaneSteps').then((module) => module.LaneSteps))

interface LaneMenuProps {
  drum: Drum
  first: boolean
  last: boolean
  onOpen: (stop: Stop) => void
  onEdit: () => void
}

/** Every step of a drum's job, with how it stands, and what is done to the drum in the kit. */
function LaneMenu({ drum, first, last, onOpen, onEdit }: LaneMenuProps) {
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

interface OthersProps {
  drum: Drum
  first: boolean
  last: boolean
  onEdit: () => void
  parts: MenuParts
}

function Others({ drum, first, last, onEdit, parts: { Item } }: OthersProps) {
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
