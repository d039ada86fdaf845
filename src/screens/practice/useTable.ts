'use client'

import { useEffect, useRef, useState } from 'react'
import { play } from '@/session/actions/playing'
import {
  otherOf,
  pressed,
  seedOf,
  tapped,
  turned,
  wantedHead,
  type Table,
  type TableHead,
} from '@/core/ear/table'
import type { Session } from '@/session/session'

const NOT_TAPPED = 'That tap could not be made. Tap again; if that does not help, reload the page.'

export interface TableNow {
  table: Table
  head: number
  lug: number
  busy: boolean
  /** Why the last tap could not be made or measured. */
  trouble: string | null
  choose(head: number): void
  tap(lug: number | 'centre'): Promise<void>
  /** Sounds the wanted pitch at the chosen lug of the same drum; it counts as no tap. */
  hearWanted(): Promise<void>
  turn(turns: readonly number[]): void
  press(): void
  change(next: Table): void
}

/** A practice drum on the table: taps sound and are measured as on the Bench, by the same ear; nothing of it enters a log. */
export function useTable(session: Session, start: Table): TableNow {
  const [table, setTable] = useState(start)
  const [head, choose] = useState(0)
  const [lug, setLug] = useState(1)
  const [busy, setBusy] = useState(false)
  const [trouble, setTrouble] = useState<string | null>(null)
  const gone = useRef(false)
  const wanted = useRef<number | 'centre' | null>(null)
  useEffect(() => {
    gone.current = false
    return () => void (gone.current = true)
  }, [])

  const sound = async (
    struckHead: Pick<TableHead, 'drum' | 'rods'>,
    other: { lugHz: number; muted: boolean },
    where: number | 'centre',
    onStruck: () => void = () => undefined,
  ) => {
    setBusy(true)
    try {
      const struck = await strike(session, struckHead, other, where, table.acts.length)
      if (gone.current) return
      setTrouble(null)
      play(struck.samples, struck.rateHz)
      onStruck()
    } catch {
      if (!gone.current) setTrouble(NOT_TAPPED)
    } finally {
      setBusy(false)
    }
  }

  const tap = async (where: number | 'centre') => {
    // A tap while another is made is made after it, from where the head then stands.
    if (busy) return void (wanted.current = where)
    if (where !== 'centre') setLug(where)
    await sound(table.heads[head], otherOf(table, head, where !== 'centre'), where, () =>
      setTable((now) => tapped(now, head, where)),
    )
  }

  const hearWanted = async () => {
    const { targetHz } = table.heads[head]
    if (busy || targetHz === null) return
    const wanted = { ...table.heads[head], ...wantedHead(table.heads[head], targetHz, lug), other: null }
    await sound(wanted, otherOf({ heads: [wanted], acts: [] }, 0, true), lug)
  }

  useEffect(() => {
    if (busy || wanted.current === null) return
    const next = wanted.current
    wanted.current = null
    void tap(next)
  })

  return {
    ...{ table, head, lug, busy, trouble, choose },
    tap,
    hearWanted,
    turn: (turns) => setTable((now) => turned(now, head, turns)),
    press: () => setTable((now) => pressed(now, head)),
    change: setTable,
  }
}

function strike(
  session: Session,
  { drum, rods }: Pick<TableHead, 'drum' | 'rods'>,
  other: { lugHz: number; muted: boolean },
  lug: number | 'centre',
  count: number,
) {
  const tap = lug === 'centre' ? ('centre' as const) : ('lug' as const)
  return session.deps.ear().practiceTap({
    ...{ drum, rods, other, lug, seed: seedOf(drum.seedText, count), mic: 'with-tap' },
    options: { diameterInches: drum.diameterInches, tap, side: 'batter' },
  })
}
