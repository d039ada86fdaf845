/** Value below which a part `q` of the values lie; NaN without values. */
export function quantile(values: readonly number[], q: number): number {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted.length ? sorted[Math.min(sorted.length - 1, Math.floor(q * sorted.length))] : NaN
}

export const median = (values: readonly number[]) => quantile(values, 0.5)

/** Median time in ms of `run` over `times` calls, after a few to warm up. */
export function medianMs(run: () => void, times = 15, warmUp = 5): number {
  for (let i = 0; i < warmUp; i++) run()
  const each: number[] = []
  for (let i = 0; i < times; i++) {
    const start = performance.now()
    run()
    each.push(performance.now() - start)
  }
  return median(each)
}

/** Prints rows as a table, first column to the left. */
export function printTable(
  title: string,
  head: readonly string[],
  rows: ReadonlyArray<readonly string[]>,
): void {
  console.log(`\n${title}`)
  const widths = head.map((cell, i) => Math.max(cell.length, ...rows.map((row) => row[i].length)))
  const line = (row: readonly string[]) =>
    row.map((cell, i) => (i === 0 ? cell.padEnd(widths[i]) : cell.padStart(widths[i]))).join('  ')
  console.log(line(head))
  rows.forEach((row) => console.log(line(row)))
}
