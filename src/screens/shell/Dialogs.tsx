'use client'

import dynamic from 'next/dynamic'
import type { DialogName } from '@/commands/types'
import { useSelect } from '@/session/react'

// Dialogs load when they are first opened: a page that is only looked at stays light.
const KeySheet = dynamic(() => import('./KeySheet').then((module) => module.KeySheet))
const Palette = dynamic(() => import('./Palette').then((module) => module.Palette))
const DrumDialog = dynamic(() => import('../kit/DrumDialog').then((module) => module.DrumDialog))
const KitNameDialog = dynamic(() => import('../kit/KitNameDialog').then((module) => module.KitNameDialog))
const BorrowedDialog = dynamic(() => import('../kit/BorrowedDialog').then((module) => module.BorrowedDialog))
const ImportDialog = dynamic(() => import('../kit/ImportDialog').then((module) => module.ImportDialog))
const KeepDialog = dynamic(() => import('../bench/KeepDialog').then((module) => module.KeepDialog))
const WhyDialog = dynamic(() => import('../bench/WhyDialog').then((module) => module.WhyDialog))
const FeelDialog = dynamic(() => import('../bench/FeelDialog').then((module) => module.FeelDialog))
const UnevenDialog = dynamic(() => import('../bench/UnevenDialog').then((module) => module.UnevenDialog))
const LookDialog = dynamic(() => import('../fitting/LookDialog').then((module) => module.LookDialog))
const FitDialog = dynamic(() => import('../fitting/FitDialog').then((module) => module.FitDialog))
const FastDialog = dynamic(() => import('../fitting/FastDialog').then((module) => module.FastDialog))
const FaultDialog = dynamic(() => import('../fitting/FaultDialog').then((module) => module.FaultDialog))
const HideFaultDialog = dynamic(() =>
  import('../fitting/HideFaultDialog').then((module) => module.HideFaultDialog),
)
const WrinklesDialog = dynamic(() =>
  import('../fitting/WrinklesDialog').then((module) => module.WrinklesDialog),
)
const PairDialog = dynamic(() => import('../pair/PairDialog').then((module) => module.PairDialog))
const CompareDialog = dynamic(() => import('../pair/CompareDialog').then((module) => module.CompareDialog))
const DrasticDialog = dynamic(() => import('../pair/DrasticDialog').then((module) => module.DrasticDialog))
const StandDialog = dynamic(() => import('../pair/StandDialog').then((module) => module.StandDialog))
const SnareDialog = dynamic(() => import('../pair/SnareDialog').then((module) => module.SnareDialog))
const KickDialog = dynamic(() => import('../pair/KickDialog').then((module) => module.KickDialog))
const OtherwiseDialog = dynamic(() =>
  import('../bench/OtherwiseDialog').then((module) => module.OtherwiseDialog),
)
const TwoTapsDialog = dynamic(() => import('../bench/TwoTapsDialog').then((module) => module.TwoTapsDialog))
const HeardDialog = dynamic(() => import('../bench/HeardDialog').then((module) => module.HeardDialog))
const ListeningDialog = dynamic(() =>
  import('../bench/ListeningDialog').then((module) => module.ListeningDialog),
)
const UndoTurnDialog = dynamic(() =>
  import('../bench/UndoTurnDialog').then((module) => module.UndoTurnDialog),
)

/** The dialog that a command opened, and the one that an import waits for. */
export function Dialogs({ dialog, onClose }: { dialog: DialogName | null; onClose: () => void }) {
  const waitingImport = useSelect((state) => state.waitingImport)
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
    case 'borrowed-kit':
      return <BorrowedDialog onClose={onClose} />
    case 'keep':
      return <KeepDialog onClose={onClose} />
    case 'why':
      return <WhyDialog onClose={onClose} />
    case 'feel':
      return <FeelDialog onClose={onClose} />
    case 'uneven':
      return <UnevenDialog onClose={onClose} />
    case 'look':
      return <LookDialog onClose={onClose} />
    case 'fit':
      return <FitDialog onClose={onClose} />
    case 'fast':
      return <FastDialog onClose={onClose} />
    case 'fault':
      return <FaultDialog onClose={onClose} />
    case 'hide-fault':
      return <HideFaultDialog onClose={onClose} />
    case 'wrinkles':
      return <WrinklesDialog onClose={onClose} />
    case 'pair':
      return <PairDialog onClose={onClose} />
    case 'compare':
      return <CompareDialog onClose={onClose} />
    case 'drastic':
      return <DrasticDialog onClose={onClose} />
    case 'stand':
      return <StandDialog onClose={onClose} />
    case 'snare':
      return <SnareDialog onClose={onClose} />
    case 'kick':
      return <KickDialog onClose={onClose} />
    case 'two-taps':
      return <TwoTapsDialog onClose={onClose} />
    case 'otherwise':
      return <OtherwiseDialog onClose={onClose} />
    case 'heard':
      return <HeardDialog onClose={onClose} />
    case 'listening':
      return <ListeningDialog onClose={onClose} />
    case 'undo-turn':
      return <UndoTurnDialog onClose={onClose} />
  }
}
