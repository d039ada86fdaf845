'use client'

import { useGo } from '@/ui/useGo'
import type { KitVerdict, Move } from '@/core/spacing/verdict'
import type { Side } from '@/core/records/kit'
import { chooseHead } from '@/session/actions/kits'
import { setAim } from '@/session/actions/sheets'
import { useKit, useSession } from '@/session/react'
import { mendsText, moveText, verdictText } from '@/text/verdict'
import { Button } from '@/ui/Button'
import { EntryLink } from '../handbook/EntryLink'
import { VERDICT_ENTRY } from '@/handbook/links'

/** What does not fit together in the kit, each with the one move that mends it; the move that mends most first and large. */
export function VerdictPart({ judged, names }: { judged: KitVerdict; names: ReadonlyMap<string, string> }) {
  const session = useSession()
  const kit = useKit()
  const go = useGo()
  const { verdicts, moves, best } = judged
  if (!session || !kit || verdicts.length === 0) return null
  const take = ({ drum: id, head, toHz, resonant }: Move) => {
    const drum = kit.drums.find((each) => each.id === id)
    if (!drum) return
    const aim = (side: Side, hz: number) =>
      setAim(session, drum, side, { kind: 'hz', hz: Math.round(10 * hz) / 10 })
    const first = head === 'resonant' ? 'resonant' : 'batter'
    aim(first, toHz)
    if (resonant) aim('resonant', resonant.toHz)
    chooseHead(session, id, first)
    go('/bench')
  }
  return (
    <section aria-label="What does not fit together" className="mt-5 border-t border-line pt-3">
      {best ? (
        <div className="flex flex-wrap items-center justify-between gap-x-8 gap-y-2">
          <p className="min-w-0">
            <span className="block text-3xl leading-tight font-extrabold">{moveText(best, names)}</span>
            <span className="text-soft">{mendsText(best)}</span>
          </p>
          <Button big onClick={() => take(best)}>
            Take it to the bench
          </Button>
        </div>
      ) : null}
      <ul className="mt-2">
        {verdicts.map((verdict, i) => {
          const move = moves[i]
          return (
            <li
              key={i}
              className="flex flex-wrap items-baseline gap-x-3 border-t border-line py-1 leading-snug"
            >
              <span className="font-bold text-caution">{verdictText(verdict, names)}</span>
              <EntryLink entry={VERDICT_ENTRY[verdict.what]} className="text-[15px]" />
              {move && best?.mends.includes(i) !== true ? (
                <Button tone="quiet" className="underline" onClick={() => take(move)}>
                  {moveText(move, names)}
                </Button>
              ) : move ? null : (
                <span className="text-soft">
                  No one drum mends it without another fault: plan the kit anew under Spacing.
                </span>
              )}
            </li>
          )
        })}
      </ul>
    </section>
  )
}
