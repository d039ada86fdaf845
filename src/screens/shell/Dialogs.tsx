'use client'

import dynamic from 'next/dynamic'
import type { DialogName } from '@/commands/types'
import { useSelect } from '@/session/react'
import type { ComponentType } from 'react'

const ImportDialog = dynamic(() => import('../kit/ImportDialog').then((module) => module.ImportDialog))

const TableDialog = dynamic(() => import('../share/TableDialog').then((module) => module.TableDialog))

/** The window that a command opened, and the one that an import waits for. */
export function Dialogs({ dialog, onClose }: { dialog: DialogName | null; onClose: () => void }) {
  const { waitingImport, waitingTable } = useSelect(({ waitingImport, waitingTable }) => ({
    waitingImport,
    waitingTable,
  }))
  if (waitingTable !== null) return <TableDialog text={waitingTable} />
  if (waitingImport) return <ImportDialog waiting={waitingImport} />
  if (dialog === null) return null
  const Window = WINDOWS[dialog]
  return <Window onClose={onClose} />
}

type Window = ComponentType<{ onClose: () => void }>

/** Every window with its loader: each loads when it is first opened, so that a page that is only looked at stays light. */
const WINDOWS: Record<DialogName, Window> = {
  shortcuts: dynamic(() => import('./KeySheet').then((module) => module.KeySheet)),
  palette: dynamic(() => import('./Palette').then((module) => module.Palette)),
  'note-gig': dynamic(() => import('../logbook/OccasionDialog').then((module) => module.GigDialog)),
  'note-rehearsal': dynamic(() =>
    import('../logbook/OccasionDialog').then((module) => module.RehearsalDialog),
  ),
  'note-day': dynamic(() => import('../logbook/NoteDialog').then((module) => module.NoteDialog)),
  'note-weather': dynamic(() => import('../logbook/WeatherDialog').then((module) => module.WeatherDialog)),
  'add-drum': dynamic(() => import('../kit/DrumDialog').then((module) => module.AddDrumDialog)),
  'rename-kit': dynamic(() => import('../kit/KitNameDialog').then((module) => module.RenameKitDialog)),
  kits: dynamic(() => import('../kit/KitsDialog').then((module) => module.KitsDialog)),
  'borrowed-kit': dynamic(() => import('../kit/BorrowedDialog').then((module) => module.BorrowedDialog)),
  why: dynamic(() => import('../bench/windows/WhyDialog').then((module) => module.WhyDialog)),
  feel: dynamic(() => import('../bench/windows/FeelDialog').then((module) => module.FeelDialog)),
  uneven: dynamic(() => import('../bench/windows/UnevenDialog').then((module) => module.UnevenDialog)),
  otherwise: dynamic(() =>
    import('../bench/windows/OtherwiseDialog').then((module) => module.OtherwiseDialog),
  ),
  'two-taps': dynamic(() => import('../bench/windows/TwoTapsDialog').then((module) => module.TwoTapsDialog)),
  'hide-fault': dynamic(() =>
    import('../bench/windows/HideFaultDialog').then((module) => module.HideFaultDialog),
  ),
  wrinkles: dynamic(() => import('../bench/windows/WrinklesDialog').then((module) => module.WrinklesDialog)),
  bed: dynamic(() => import('../bench/windows/BedDialog').then((module) => module.BedDialog)),
  heard: dynamic(() => import('../bench/windows/HeardDialog').then((module) => module.HeardDialog)),
  listening: dynamic(() =>
    import('../bench/windows/ListeningDialog').then((module) => module.ListeningDialog),
  ),
  'undo-turn': dynamic(() =>
    import('../bench/windows/UndoTurnDialog').then((module) => module.UndoTurnDialog),
  ),
}
