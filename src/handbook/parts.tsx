import type { ComponentType, ReactNode } from 'react'
import type { MDXComponents } from 'mdx/types'
import { BeatChart } from './charts/BeatChart'
import { CentreChart } from './charts/CentreChart'
import { HandChart } from './charts/HandChart'
import { LimenChart } from './charts/LimenChart'
import { NoiseChart } from './charts/NoiseChart'
import { PairsChart } from './charts/PairsChart'
import { SchemeChart } from './charts/SchemeChart'
import { TurnChart } from './charts/TurnChart'
import { ENTRIES, type EntryId } from './entries'
import { useOpenEntry } from './openEntry'

/** A caution, with the way to its entry. */
function Caution({ entry, children }: { entry: EntryId; children: ReactNode }) {
  const open = useOpenEntry()
  return (
    <aside className="my-4 border-l-4 border-caution pl-3">
      <div className="font-bold">{children}</div>
      <button type="button" onClick={() => open(entry)} className="min-h-11 text-soft underline">
        {ENTRIES[entry].title}
      </button>
    </aside>
  )
}

const Source = ({ children }: { children: ReactNode }) => (
  <div className="mt-4 text-sm text-soft">Source: {children}</div>
)

const Schools = ({ children }: { children: ReactNode }) => (
  <div
    role="group"
    aria-label="What people say"
    className="my-3 [&_li]:border-t [&_li]:border-line [&_li]:py-1.5"
  >
    {children}
  </div>
)

export const PARTS = {
  Caution,
  Source,
  Schools,
  BeatChart,
  CentreChart,
  HandChart,
  LimenChart,
  NoiseChart,
  PairsChart,
  SchemeChart,
  TurnChart,
  p: ({ children }: { children?: ReactNode }) => <p className="my-3 first:mt-0">{children}</p>,
} satisfies MDXComponents & Record<string, ComponentType<never>>
