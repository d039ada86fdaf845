'use client'

import dynamic from 'next/dynamic'
import type { DialogName } from '@/commands/types'
import { useSelect } from '@/session/react'
import { WINDOWS } from './windows'

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
