'use client'

import type { Drum } from '@/core/records/kit'
import type { SheetDrum } from '@/core/records/sheet'
import { keepRows, readText } from '@/text/keep'
import { Sideways } from '@/ui/Sideways'
import { StripFrame } from '../../Frame'
import type { Keepable } from './KeepStep'

interface Props {
  drum: Drum
  says: SheetDrum
  kept: SheetDrum | null
  heads: readonly Keepable[]
  sheet: string | null
}

/** The drum's line of the sheet on tape: what is known of it now, what the sheet says, and how they differ. */
export function KeepStrip({ drum, says, kept, heads, sheet }: Props) {
  const when = new Map<string, string>(
    heads.filter(({ at, old }) => at === null || old).map(({ side, at }) => [side, readText(at)]),
  )
  return (
    <StripFrame
      label="What is kept"
      seed={82}
      over={
        <>
          <span className="text-xl font-bold">{drum.name}</span>
          <span className="text-soft">{kept ? `as it stands, beside ${sheet}` : 'as it stands'}</span>
        </>
      }
    >
      <Sideways label="What is kept, figure by figure">
        <table className="w-full text-left">
          <thead className="text-soft">
            <tr>
              <th scope="col" className="font-normal">
                <span className="sr-only">what</span>
              </th>
              <th scope="col" className="font-normal">
                now
              </th>
              {kept ? (
                <>
                  <th scope="col" className="font-normal">
                    {sheet}
                  </th>
                  <th scope="col" className="font-normal">
                    differs
                  </th>
                </>
              ) : null}
            </tr>
          </thead>
          <tbody>
            {keepRows(drum, says, kept).map(([label, now, was, differ]) => (
              <tr key={label} className="border-t border-line">
                <th scope="row" className="py-2.5 pr-4 font-normal text-soft">
                  {label}
                </th>
                <td className="pr-4 text-2xl font-bold whitespace-nowrap">
                  {now}
                  {when.has(label) ? (
                    <span className="block text-sm font-normal text-soft">{when.get(label)}</span>
                  ) : null}
                </td>
                {kept ? (
                  <>
                    <td className="pr-4 text-lg whitespace-nowrap text-soft">{was}</td>
                    <td className="text-lg whitespace-nowrap">{differ}</td>
                  </>
                ) : null}
              </tr>
            ))}
          </tbody>
        </table>
      </Sideways>
    </StripFrame>
  )
}
