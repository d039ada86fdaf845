/** The order in which lugs are asked for. */
export type ReadOrder = 'around' | 'pairs' | 'fewest'

/**
 * Lug numbers from 1: once around, or each lug followed by the one opposite (most nearly, with an odd number). Where few
 * taps are wanted the estimate names the next lug; until it does, once around.
 */
export function readOrder(order: ReadOrder, lugs: number): number[] {
  const around = Array.from({ length: lugs }, (_, i) => i + 1)
  if (order !== 'pairs') return around
  const half = Math.floor(lugs / 2)
  const seen = new Set<number>()
  for (const lug of around) {
    seen.add(lug)
    seen.add(((lug - 1 + half) % lugs) + 1)
  }
  return [...seen]
}

/** The next lug that was not read, going on in the order from the last one read; the first one when all are. */
export function nextInOrder(order: ReadOrder, lugs: number, read: readonly number[]): number {
  const list = readOrder(order, lugs)
  const from = read.length ? list.indexOf(read[read.length - 1]) + 1 : 0
  for (let i = 0; i < lugs; i++) {
    const lug = list[(from + i) % lugs]
    if (!read.includes(lug)) return lug
  }
  return list[from % lugs]
}
