import { createStore } from 'zustand/vanilla'
import type { EntryId } from '@/handbook/entries'

/** The entry that stands open beside the work, where the focus came from, and the entries one came through. */
export interface Beside {
  trail: readonly EntryId[]
  from: HTMLElement | null
}

export const beside = createStore<Beside>(() => ({ trail: [], from: null }))

/** Opens an entry beside the work. @param from what is focused again when it closes */
export function openBeside(id: EntryId, from: HTMLElement | null = null): void {
  beside.setState({ trail: [id], from: from ?? (document.activeElement as HTMLElement | null) })
}

/** From one entry to the next, with a way back. */
export function followBeside(id: EntryId): void {
  const { trail } = beside.getState()
  beside.setState({ trail: [...trail.filter((each) => each !== id), id] })
}

export function backBeside(): void {
  beside.setState({ trail: beside.getState().trail.slice(0, -1) })
}

export function closeBeside(): void {
  const { from } = beside.getState()
  beside.setState({ trail: [], from: null })
  if (from?.isConnected) from.focus()
}
