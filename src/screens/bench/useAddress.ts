'use client'

import { useSearchParams } from 'next/navigation'
import { useEffect, useMemo, useReducer, useRef } from 'react'
import { isStep, type StepId } from '@/core/status/steps'
import type { KitState } from '@/core/log/fold'
import type { Side } from '@/core/records/kit'
import { chooseHead } from '@/session/actions/kits'
import { benchView } from '@/session/benchView'
import { stepOf } from '@/session/jobView'
import { useSelect, useSession } from '@/session/react'
import { kitOf, type SessionState } from '@/session/state'
import { historyAtRest } from '@/ui/windowHistory'

/** An address whose drum is not in the kit on screen. */
export interface Elsewhere {
  drum: string
  side: Side
  step: StepId
  /** The kit on this device that has it; null where none does. */
  kit: { id: string; name: string; drum: string } | null
}

/** Drum, head and step as the address says them: "drum=…&head=batter&step=even". */
function addressOf(state: SessionState): string | null {
  const view = benchView(state)
  if (!view || state.phase === 'starting') return null
  const step = stepOf(view.drum, state.step)
  return new URLSearchParams({ drum: view.drum.id, head: view.side, step }).toString()
}

/**
 * Keeps the address and the Bench together: an address that is opened, reloaded or gone back to puts its drum, head and step on the
 * Bench; going to another step writes its own.
 * @returns the address's drum where it is of another kit, or gone; and how to go on with the kit on screen instead
 */
export function useAddress(): { elsewhere: Elsewhere | null; stay: () => void } {
  const session = useSession()
  const params = useSearchParams().toString()
  const at = useSelect(addressOf)
  const kits = useSelect((state) => state.kits)
  const kit = useSelect(kitOf)
  const elsewhere = useMemo(() => elsewhereOf(params, kits, kit), [params, kits, kit])
  /** The address as it was last read or written here. */
  const known = useRef<string | null>(null)
  /** What is on the Bench by an address takes no entry of its own. */
  const replaces = useRef(true)
  /** What was on the Bench when an address of another kit came: as long as that stays, the address does. */
  const behind = useRef<string | null>(null)
  /** How often one went back or on: on a slow machine the router may tell neither the step nor the way back from it. */
  const [went, goes] = useReducer((times: number) => times + 1, 0)
  useEffect(() => {
    window.addEventListener('popstate', goes)
    return () => window.removeEventListener('popstate', goes)
  }, [])
  useEffect(() => {
    // An address that is overtaken already says nothing any more.
    if (!session || at === null || params !== new URLSearchParams(window.location.search).toString()) return
    if (params !== known.current && params !== '') {
      known.current = params
      replaces.current = true
      behind.current = at
    }
    if (elsewhere && behind.current === at) return
    if (at === params) {
      known.current = at
      replaces.current = false
      return
    }
    const said = read(params)
    const drum = said.drum === null ? undefined : kit?.drums.find(({ id }) => id === said.drum)
    // The address was opened, and the Bench does not show it yet.
    if (drum && replaces.current && behind.current === at) {
      behind.current = null
      return chooseHead(session, drum.id, drum.oneHeaded ? 'batter' : said.side, stepOf(drum, said.step))
    }
    // Written, and on its way.
    if (at === known.current) return
    const replace = replaces.current || params === ''
    replaces.current = false
    known.current = at
    write(at, replace)
  }, [session, params, at, kit, elsewhere, went])
  return { elsewhere, stay: () => at !== null && write(at, true) }
}

function write(at: string, replace: boolean): void {
  void historyAtRest().then(() => {
    const url = `${window.location.pathname}?${at}`
    if (replace) window.history.replaceState(null, '', url)
    else window.history.pushState(null, '', url)
  })
}

function elsewhereOf(params: string, kits: readonly KitState[], kit: KitState | null): Elsewhere | null {
  const { drum, side, step } = read(params)
  if (drum === null || !kit || kit.drums.some(({ id }) => id === drum)) return null
  const other = kits.find(({ drums }) => drums.some(({ id }) => id === drum))
  const named = other?.drums.find(({ id }) => id === drum)
  return {
    ...{ drum, side, step },
    kit: other && named ? { id: other.id, name: other.name, drum: named.name } : null,
  }
}

function read(params: string): { drum: string | null; side: Side; step: StepId } {
  const said = new URLSearchParams(params)
  const step = said.get('step')
  return {
    drum: said.get('drum'),
    side: said.get('head') === 'resonant' ? 'resonant' : 'batter',
    step: isStep(step) ? step : 'even',
  }
}
