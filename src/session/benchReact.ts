'use client'

import { benchView, type BenchView } from './benchView'
import { useSelect } from './react'

/** Everything that the Bench shows of the head on it. */
export function useBenchView(): BenchView | null {
  return useSelect(benchView)
}
