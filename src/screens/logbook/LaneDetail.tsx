'use client'

import { ringsText } from '@/text/strokes'
import { useMemo, useState } from 'react'
import { headLog, type KitState } from '@/core/log/fold'
import type { PastSitting } from '@/core/log/history'
import { drumLog } from '@/core/log/fold'
import { lugsThatTell } from '@/core/status/head'
import { patternSpreadCents } from '@/core/status/targets'
import { centsBetween } from '@/core/units/pitch'
import { bringBackThere } from '@/session/actions/logbook'
import { forecastsKept, type LaneView } from '@/session/logbookView'
import { useSelect } from '@/session/react'
import type { Session } from '@/session/session'
import { keptText } from '@/text/forecast'
import { hzText, offText } from '@/text/heads'
import { sittingTimeText, sittingWords, sourceText, whoText } from '@/text/logbook'
import { fixed } from '@/text/shown'
import { Button } from '@/ui/Button'
import { Sideways } from '@/ui/Sideways'
import { useGo } from '@/ui/useGo'
import { AsItWas } from './AsItWas'

const SHOWN = 12
/** Of so many sittings it is said whether the forecast held: each asks for all before it. */
const MOST_HELD = 60

/** Every sitting of one head, newest first; each leads to how the bench was then. */
export function LaneDetail({ session, kit, lane }: { session: Session; kit: KitState; lane: LaneView }) {
  const [all, setAll] = useState(false)
  const [looked, setLooked] = useState<PastSitting | null>(null)
  const go = useGo()
  const { drum, side, target } = lane
  const history = [...lane.history].reverse()
  const { nowMs, device } = useSelect(({ clockMs, settings }) => ({
    nowMs: clockMs,
    device: settings.device,
  }))
  const kept = useMemo(
    () => forecastsKept(kit, lane, nowMs, all ? MOST_HELD : SHOWN),
    [kit, lane, nowMs, all],
  )
  const shown = all ? history : history.slice(0, SHOWN)
  const struck = shown.some((past) => strokeWords(kit, lane, past) !== '')
  const there = (past: PastSitting) => {
    const hz = (past.left ?? past.found)?.hz
    if (!hz) return
    bringBackThere(session, drum, side, hz)
    go('/bench')
  }
  if (history.length === 0) return null
  return (
    <section aria-label={`Sittings of ${drum.name} ${side}`} className="mt-5">
      <h2 className="text-xl font-bold">
        {drum.name} {side}, sitting by sitting
      </h2>
      <Sideways label={`Sittings of ${drum.name} ${side}, table`}>
        <table className="mt-1 w-full text-left">
          <thead className="text-sm text-soft">
            <tr>
              {[
                'when',
                'found, Hz',
                'left, Hz',
                target ? 'off' : '',
                'spread',
                'forecast',
                'done',
                ...(struck ? ['centre, ring'] : []),
                'by',
                '',
              ].map((head, i) => (
                <th key={i} scope="col" className="py-1 pr-4 font-normal whitespace-nowrap">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {shown.map((past) => {
              const newest = past.left ?? past.found
              return (
                <tr key={past.from} className="border-t border-line align-baseline">
                  <th scope="row" className="py-1.5 pr-4 font-bold whitespace-nowrap">
                    {sittingTimeText(past.from, nowMs)}
                  </th>
                  <td className="pr-4">{past.found ? hzText(past.found.hz) : ''}</td>
                  <td className="pr-4">{past.left ? hzText(past.left.hz) : ''}</td>
                  <td className="pr-4 whitespace-nowrap">
                    {target && newest ? offText(centsBetween(target.meanHz, newest.hz)) : ''}
                  </td>
                  <td className="pr-4 whitespace-nowrap">
                    {newest && newest.lugs >= lugsThatTell(drum.lugs)
                      ? `${Math.round(patternSpreadCents(newest, drum.lugs))} c`
                      : ''}
                  </td>
                  <td className="pr-4 whitespace-nowrap">{keptText(kept.get(past.from))}</td>
                  <td className="min-w-44 pr-4">{sittingWords(past)}</td>
                  {struck ? <td className="pr-4 whitespace-nowrap">{strokeWords(kit, lane, past)}</td> : null}
                  <td className="pr-4">
                    {[sourceText(past.by), whoText(past.who, device)].filter(Boolean).join(', ')}
                  </td>
                  <td className="whitespace-nowrap">
                    <Button tone="quiet" className="underline" onClick={() => setLooked(past)}>
                      as it was
                    </Button>
                    {newest ? (
                      <Button tone="quiet" className="underline" onClick={() => there(past)}>
                        bring it back there
                      </Button>
                    ) : null}
                  </td>
                </tr>
              )
            })}
          </tbody>
        </table>
      </Sideways>
      {history.length > SHOWN && !all ? (
        <Button tone="quiet" className="underline" onClick={() => setAll(true)}>
          All {history.length} sittings
        </Button>
      ) : null}
      {headLog(kit, drum.id, side, kit.simulated).stints.length > 1 ? (
        <p className="text-sm text-soft">Of every head that was on, also those before.</p>
      ) : null}
      {looked ? (
        <AsItWas
          session={session}
          drum={drum}
          side={side}
          past={looked}
          onClose={() => setLooked(null)}
          onBack={there}
        />
      ) : null}
    </section>
  )
}

const NEAR_MS = 3 * 3600 * 1000

/** Centre pitch and ring of strokes in or near the sitting. */
function strokeWords(kit: KitState, { drum }: LaneView, { from, to }: PastSitting): string {
  const [first, last] = [Date.parse(from) - NEAR_MS, Date.parse(to) + NEAR_MS]
  const stroke = drumLog(kit, drum.id, kit.simulated).strokes.findLast(({ event: { at } }) => {
    const ms = Date.parse(at)
    return ms >= first && ms <= last
  })
  if (!stroke) return ''
  const { hz, decaySeconds } = stroke.event
  return `${fixed(hz, 1)} Hz${decaySeconds ? `, ${ringsText(decaySeconds)}` : ''}`
}
