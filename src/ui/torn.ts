/** A torn end of tape: how far each tooth reaches in, in px, made from a seed so that a strip always tears alike. */
export function tornEdge(seed: number, teeth: number, depth: number): number[] {
  let state = (seed * 2654435761) >>> 0
  return Array.from({ length: teeth }, () => {
    state = (state * 1664525 + 1013904223) >>> 0
    return (state / 4294967296) * depth
  })
}

/** CSS polygon of a strip torn left and right, straight above and below. */
export function tornPolygon(seed: number, { left = true, right = true, teeth = 14, depth = 6 } = {}): string {
  const points: string[] = []
  const at = (i: number) => ((100 * i) / teeth).toFixed(1)
  const rightEdge = right ? tornEdge(seed + 1, teeth + 1, depth) : null
  const leftEdge = left ? tornEdge(seed + 2, teeth + 1, depth) : null
  for (let i = 0; i <= teeth; i++) points.push(`calc(100% - ${(rightEdge?.[i] ?? 0).toFixed(1)}px) ${at(i)}%`)
  for (let i = teeth; i >= 0; i--) points.push(`${(leftEdge?.[i] ?? 0).toFixed(1)}px ${at(i)}%`)
  return `polygon(${points.join(', ')})`
}
