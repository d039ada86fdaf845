'use client'

import dynamic from 'next/dynamic'
import { LastKnown } from './kit/LastKnown'

/**
 * Every place with its loader. The server sends the frame alone, which paints at once; what reads the log, and the place with it,
 * come behind. Until then Kit shows what it showed last.
 */
const Opening = () => <p className="p-8 text-soft">Opening the log…</p>

export const KitPlace = dynamic(() => import('./kit/KitScreen').then((module) => module.KitScreen), {
  ssr: false,
  loading: LastKnown,
})
export const BenchPlace = dynamic(() => import('./bench/BenchScreen').then((module) => module.BenchScreen), {
  ssr: false,
  loading: Opening,
})
export const SpacingPlace = dynamic(
  () => import('./spacing/SpacingScreen').then((module) => module.SpacingScreen),
  { ssr: false, loading: Opening },
)
export const SheetsPlace = dynamic(
  () => import('./sheets/SheetsScreen').then((module) => module.SheetsScreen),
  { ssr: false, loading: Opening },
)
export const PrintPlace = dynamic(() => import('./sheets/PrintScreen').then((module) => module.PrintScreen), {
  ssr: false,
  loading: Opening,
})
export const RunPlace = dynamic(() => import('./run/RunScreen').then((module) => module.RunScreen), {
  ssr: false,
  loading: Opening,
})
export const WelcomePlace = dynamic(
  () => import('./welcome/WelcomeScreen').then((module) => module.WelcomeScreen),
  { ssr: false, loading: Opening },
)
export const SettingsPlace = dynamic(
  () => import('./settings/SettingsScreen').then((module) => module.SettingsScreen),
  { ssr: false, loading: Opening },
)
export const SharePlace = dynamic(() => import('./share/ShareScreen').then((module) => module.ShareScreen), {
  ssr: false,
  loading: Opening,
})
export const LogbookPlace = dynamic(
  () => import('./logbook/LogbookScreen').then((module) => module.LogbookScreen),
  { ssr: false, loading: Opening },
)
export const PracticePlace = dynamic(
  () => import('./practice/PracticeScreen').then((module) => module.PracticeScreen),
  { ssr: false, loading: Opening },
)
export const HandbookPlace = dynamic(
  () => import('./handbook/HandbookScreen').then((module) => module.HandbookScreen),
  { ssr: false, loading: Opening },
)
