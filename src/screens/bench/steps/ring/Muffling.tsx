'use client'

import { layersOn } from '@/core/status/strokes'
import { LAYERS, layersFor, type LayerId } from '@/core/pair/layers'
import { setLayers } from '@/session/actions/stand'
import type { BenchView } from '@/session/benchView'
import { useSession } from '@/session/react'
import { layersText } from '@/text/strokes'

/** Muffling in layers, the lightest first: what is on the drum now. */
export function Muffling({ view }: { view: BenchView }) {
  const session = useSession()
  if (!session) return null
  const { kit, drum, practice } = view
  const on = layersOn(kit, drum, practice)
  const toggle = (id: LayerId) =>
    setLayers(session, on.includes(id) ? on.filter((each) => each !== id) : [...on, id])
  return (
    <section aria-label="Muffling" className="mt-3">
      <h2 className="font-bold">On the drum now: {layersText(on)}</h2>
      <ul>
        {layersFor(drum.kind).map((id) => (
          <li key={id} className="border-b border-line">
            <label className="flex min-h-11 cursor-pointer items-center gap-3 py-1">
              <input
                type="checkbox"
                checked={on.includes(id)}
                onChange={() => toggle(id)}
                className="size-6 shrink-0 accent-(--act)"
              />
              <span className="leading-snug">
                <span className="font-bold">{LAYERS[id].label}</span>
                <span className="block text-sm text-soft">{LAYERS[id].says}</span>
              </span>
            </label>
          </li>
        ))}
      </ul>
      <p className="mt-2 leading-snug text-soft">
        None first, then a little, then more; stop one step earlier than you think: too much sounds like
        cardboard. All of it comes off while lugs are read.
      </p>
    </section>
  )
}
