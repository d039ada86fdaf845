'use client'

import { create } from 'qrcode'
import { useMemo } from 'react'

/** Quiet squares around a code, as its standard asks (ISO/IEC 18004: four). */
const QUIET = 4

/** A text as a code that a phone's camera reads: always dark on white, in either light. */
export function QrCode({ text, label, className }: { text: string; label: string; className?: string }) {
  const { size, path } = useMemo(() => drawn(text), [text])
  const side = size + 2 * QUIET
  return (
    <svg
      role="img"
      aria-label={label}
      data-code={text}
      viewBox={`${-QUIET} ${-QUIET} ${side} ${side}`}
      shapeRendering="crispEdges"
      className={className}
    >
      <rect x={-QUIET} y={-QUIET} width={side} height={side} fill="#fff" />
      <path d={path} fill="#000" />
    </svg>
  )
}

function drawn(text: string): { size: number; path: string } {
  const { modules } = create(text, { errorCorrectionLevel: 'L' })
  let path = ''
  for (let y = 0; y < modules.size; y++)
    for (let x = 0; x < modules.size; x++) if (modules.get(y, x)) path += `M${x} ${y}h1v1h-1z`
  return { size: modules.size, path }
}
