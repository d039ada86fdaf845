'use client'

import dynamic from 'next/dynamic'
import type { DialogName } from '@/commands/types'
import { useSessionState } from '@/session/react'

// Dialogs load when they are first opened: a page that is only looked at stays light.
const KeySheet = dynamic(() => import('./KeySheet').then((module) => module.KeySheet))
const Palette = dynamic(() => import('./Palette').then((module) => module.Palette))
const DrumDialog = dynamic(() => import('../kit/DrumDialog').then((module) => module.DrumDialog))
const KitNameDialog = dynamic(() => import('../kit/KitNameDialog').then((module) => module.KitNameDialog))
const ImportDialog = dynamic(() => import('../kit/ImportDialog').then((module) => module.ImportDialog))
const KeepDialog = dynamic(() => import('../bench/KeepDialog').then((module) => module.KeepDialog))
const OtherwiseDialog = dynamic(() =>
  import('../bench/OtherwiseDialog').then((module) => module.OtherwiseDialog),
)
const UndoTurnDialog = dynamic(() =>
  import('../bench/UndoTurnDialog').then((module) => module.UndoTurnDialog),
)

/** The dialog that a command opened, and the one that an import waits for. */
export function Dialogs({ dialog, onClose }: { dialog: DialogName | null; onClose: () => void }) {
  const { waitingImport } = useSessionState()
  if (waitingImport) return <ImportDialog waiting={waitingImport} />
  switch (dialog) {
    case null:
      return null
    case 'shortcuts':
      return <KeySheet onClose={onClose} />
    case 'palette':
      return <Palette onClose={onClose} />
    case 'add-drum':
      return <DrumDialog drum={null} onClose={onClose} />
    case 'new-kit':
      return <KitNameDialog mode="new" onClose={onClose} />
    case 'rename-kit':
      return <KitNameDialog mode="rename" onClose={onClose} />
    case 'keep':
      return <KeepDialog onClose={onClose} />
    case 'otherwise':
      return <OtherwiseDialog onClose={onClose} />
    case 'undo-turn':
      return <UndoTurnDialog onClose={onClose} />
  }
}
