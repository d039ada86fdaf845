import { filmAges } from '@/core/drift/films'
import type { KitState } from '@/core/log/fold'
import { sidesOf } from '@/core/records/plain'

/** How often each head was played, and how old it is. */
export function PlaysTable({ kit, nowMs }: { kit: KitState; nowMs: number }) {
  const ages = filmAges(kit, kit.simulated, nowMs)
  const of = (drum: string, side: string) => ages.find(({ on }) => on?.drum.id === drum && on.side === side)
  return (
    <table className="mt-5 w-full border-t border-line">
      <thead className="text-left text-[15px] text-soft">
        <tr>
          <th scope="col" className="pt-2 font-normal">
            plays and weeks
          </th>
          <th scope="col" className="pt-2 text-right font-normal">
            batter
          </th>
          <th scope="col" className="pt-2 text-right font-normal">
            resonant
          </th>
        </tr>
      </thead>
      <tbody>
        {kit.drums.map((drum) => (
          <tr key={drum.id}>
            <th scope="row" className="py-0.5 text-left text-[17px] font-normal">
              {drum.name}
            </th>
            {(['batter', 'resonant'] as const).map((side) => {
              const film = sidesOf(drum).includes(side) ? of(drum.id, side) : undefined
              return (
                <td key={side} className="text-right whitespace-nowrap">
                  {film ? (
                    <>
                      <span className="text-lg font-bold">{film.plays}</span>{' '}
                      <span className="inline-block w-12 text-soft">
                        {film.weeks === null ? '?' : Math.round(film.weeks)} w
                      </span>
                    </>
                  ) : null}
                </td>
              )
            })}
          </tr>
        ))}
      </tbody>
    </table>
  )
}
