'use client'

import { layersOn, ringsBy, sameTuning, strokesOf } from '@/core/bench/strokes'
import { LAYERS, layersFor, type LayerId } from '@/core/pair/layers'
import { setLayers } from '@/session/actions/stand'
import type { BenchView } from '@/session/benchView'
import { useSession } from '@/session/react'
import { decayText, hungText, layersText } from '@/text/strokes'

/** Muffling in layers, the lightest first, each with the ring that was measured under it. */
export function Muffling({ view }: { view: BenchView }) {
  const session = useSession()
  if (!session) return null
  const { kit, drum, practice } = view
  const on = layersOn(kit, drum, practice)
  const strokes = strokesOf(kit, drum, practice)
  // In the place of the newest stroke only: another place would be taken for a layer.
  const place = strokes.at(-1)?.hung
  const newest = strokes.at(-1)
  // and in its tuning: a turned rod changes the ring as well.
  const rings = ringsBy(strokes, (stroke) =>
    stroke.hung === place && newest && sameTuning(stroke, newest) ? layersText(stroke.layers) : null,
  )
  const toggle = (id: LayerId) =>
    setLayers(session, on.includes(id) ? on.filter((each) => each !== id) : [...on, id])
  return (
    <section aria-label="Muffling" className="max-md:mt-6">
      <p className="text-soft">On the drum now: {layersText(on)}</p>
      <ul>
        {layersFor(drum.kind).map((id) => (
          <li key={id} className="border-b border-line">
            <label className="flex min-h-11 cursor-pointer items-center gap-3 py-1">
              <input
                type="checkbox"
                checked={on.includes(id)}
                onChange={() => toggle(id)}
                className="size-5 accent-(--act)"
              />
              <span className="leading-snug">
                <span className="font-bold">{LAYERS[id].label}</span>
                <span className="block text-sm text-soft">{LAYERS[id].says}</span>
              </span>
            </label>
          </li>
        ))}
      </ul>
      <table className="mt-3 w-full text-left">
        <caption className="text-left text-soft">
          Rings measured in this tuning{place === undefined ? '' : `, ${hungText(place)}`}
        </caption>
        <tbody>
          {rings.map(({ name, ring, count }) => (
            <tr key={name} className="border-t border-line">
              <th scope="row" className="py-1 font-normal">
                {name}
              </th>
              <td className="text-right whitespace-nowrap">
                {decayText(ring)}
                <span className="text-soft"> ({count}×)</span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 leading-snug text-soft">
        None first, then a little, then more; stop one step earlier than you think: too much sounds like
        cardboard. All of it comes off while lugs are read.
      </p>
    </section>
  )
}
