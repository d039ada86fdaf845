import dynamic from 'next/dynamic'
import type { ComponentType } from 'react'
import { STEP_IDS, type StepId } from '@/core/status/steps'
import { EvenStep } from './even/EvenStep'

/** Every step's own code; evening is what the Bench opens with and comes with it. */
const LOADERS: Record<Exclude<StepId, 'even'>, () => Promise<ComponentType>> = {
  look: () => import('./look/LookStep').then((module) => module.LookStep),
  fit: () => import('./fit/FitStep').then((module) => module.FitStep),
  heads: () => import('./heads/HeadsStep').then((module) => module.HeadsStep),
  ring: () => import('./ring/RingStep').then((module) => module.RingStep),
  snare: () => import('./snare/SnareStep').then((module) => module.SnareStep),
  kick: () => import('./kick/KickStep').then((module) => module.KickStep),
  stand: () => import('./stand/StandStep').then((module) => module.StandStep),
  keep: () => import('./keep/KeepStep').then((module) => module.KeepStep),
  fault: () => import('./fault/FaultStep').then((module) => module.FaultStep),
  compare: () => import('./compare/CompareStep').then((module) => module.CompareStep),
  drastic: () => import('./drastic/DrasticStep').then((module) => module.DrasticStep),
  fast: () => import('./fast/FastStep').then((module) => module.FastStep),
}

const LATE = Object.keys(LOADERS) as Array<keyof typeof LOADERS>

export const STEP_SCREENS: Record<StepId, ComponentType> = {
  even: EvenStep,
  ...(Object.fromEntries(LATE.map((id) => [id, dynamic(LOADERS[id])])) as Record<
    keyof typeof LOADERS,
    ComponentType
  >),
}

const WAIT_MS = 1500

/** Fetches every step's code once the page has nothing else to do: at a kit the network may be gone by then. */
export function fetchSteps(): () => void {
  const fetchAll = () => {
    for (const id of STEP_IDS) if (id !== 'even') void LOADERS[id]().catch(() => undefined)
  }
  // Safari has no idle callback.
  if ('requestIdleCallback' in window) {
    const asked = window.requestIdleCallback(fetchAll, { timeout: 4 * WAIT_MS })
    return () => window.cancelIdleCallback(asked)
  }
  const asked = setTimeout(fetchAll, WAIT_MS)
  return () => clearTimeout(asked)
}
