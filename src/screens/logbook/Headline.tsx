'use client'

import { useState } from 'react'
import type { KitState } from '@/core/log/fold'
import { chooseHead } from '@/session/actions/kits'
import { WORTH_TURNS } from '@/core/drift/rods'
import { firstOut, type Forecasts } from '@/session/forecasts'
import { hereOf } from '@/session/here'
import { useSession } from '@/session/react'
import { rodsOf, type LaneView } from '@/session/logbookView'
import type { Session } from '@/session/session'
import { dayText, lockText, rangeText, rodLossText, whyThatDay } from '@/text/forecast'
import { Button } from '@/ui/Button'
import { useGo } from '@/ui/useGo'
import { EntryLink } from '../handbook/EntryLink'
import { DRIFT_ENTRY, NUMBER_ENTRY } from '@/handbook/links'

interface Props {
  session: Session
  kit: KitState
  lanes: readonly LaneView[]
  forecasts: Forecasts
  opened: string | null
  nowMs: number
}

/** What comes next: the first head out of its band, or the one that stands open, with its reasons. */
export function Headline({ session, kit, lanes, forecasts, opened, nowMs }: Props) {
  const go = useGo()
  const [why, setWhy] = useState(false)
  const order = firstOut(kit, forecasts)
  const chosen = lanes.find(({ key }) => key === (opened ?? order[0]?.key))
  const forecast = chosen && forecasts.get(chosen.key)
  if (!chosen) return <Quiet lanes={lanes} ready={forecasts.size > 0} />
  const name = `${chosen.drum.name} ${chosen.side}`
  const toBench = () => {
    chooseHead(session, chosen.drum.id, chosen.side)
    go('/bench')
  }
  const after = order.find(({ key }) => key !== chosen.key)
  const leaves = forecast?.leavesMs ?? null
  const out = forecast ? forecast.outNow > 0.5 : false
  return (
    <section aria-label="What comes next">
      <h2 className="text-2xl leading-tight font-bold">{name}</h2>
      {!forecast ? (
        <p className="text-lg text-soft">
          {chosen.points.length ? 'No sheet holds it, or it is being worked on.' : 'Never read.'}
        </p>
      ) : leaves === null && !out ? (
        <p className="text-xl text-soft">stays in its band for half a year, as far as anyone can say</p>
      ) : (
        <>
          <p className="text-xl text-soft">
            {forecast.readOut
              ? 'was read out of its band'
              : out
                ? 'is likely out of its band'
                : 'leaves its band'}
          </p>
          <p className="text-[56px] leading-[1.05] font-extrabold tracking-tight first-letter:uppercase lg:text-[58px]">
            {forecast.readOut
              ? dayText(Date.parse(forecast.known.at), nowMs)
              : out
                ? 'now'
                : dayText(leaves!, nowMs)}
          </p>
          {out ? null : (
            <p className="text-xl text-soft first-letter:uppercase">{rangeText(forecast, nowMs)}, 8 in 10</p>
          )}
        </>
      )}
      <div className="mt-4 flex flex-wrap items-center gap-x-4 gap-y-2">
        <Button tone="act" big onClick={toBench}>
          Take it to the bench
        </Button>
        {forecast && !forecast.readOut && (leaves !== null || out) ? (
          <Button tone="quiet" className="underline" aria-expanded={why} onClick={() => setWhy(!why)}>
            Why {out ? 'now' : dayText(leaves!, nowMs)}?
          </Button>
        ) : null}
      </div>
      {forecast && !forecast.readOut ? (
        <div className="mt-3 text-lg leading-snug">
          <p>{whyThatDay(forecast)}</p>
          <p className="flex flex-wrap gap-x-4 text-base">
            {forecast.cause ? <EntryLink entry={DRIFT_ENTRY[forecast.cause]} /> : null}
            <EntryLink entry={NUMBER_ENTRY.forecast} />
          </p>
        </div>
      ) : null}
      {why || forecast?.readOut ? <Rods kit={kit} lane={chosen} /> : null}
      {after ? (
        <p className="mt-2 text-soft">
          After it {after.drum.name} {after.side},{' '}
          {after.forecast.leavesMs === null ? 'now' : `about ${dayText(after.forecast.leavesMs, nowMs)}`}.
        </p>
      ) : null}
    </section>
  )
}

function Quiet({ lanes, ready }: { lanes: readonly LaneView[]; ready: boolean }) {
  const read = lanes.some(({ points, byHand }) => points.length + byHand.length > 0)
  const held = lanes.some(({ target }) => target)
  const says = !read
    ? 'Nothing was read yet. What is read on the bench stands here from then on, a lane a head.'
    : !held
      ? 'Keep the kit as a sheet: then each head has a band, and this place says when it leaves it.'
      : ready
        ? 'No head leaves its band within half a year, as far as anyone can say.'
        : 'Working out how long it holds…'
  return (
    <p role="status" className="text-xl leading-snug">
      {says}
    </p>
  )
}

/** Which rods back off between sessions, and which to lock. */
function Rods({ kit, lane }: { kit: KitState; lane: LaneView }) {
  const session = useSession()
  if (!session) return null
  const { losses, lock } = rodsOf(hereOf(session.get(), kit), lane)
  const words = lockText(lock)
  return (
    <div className="mt-2 border-l-2 border-line pl-3">
      {losses.length === 0 ? (
        <p>Too few sittings to tell which rods back off: two spans with all lugs read are the least.</p>
      ) : losses[0].turns < WORTH_TURNS ? (
        <p>No rod falls behind the others by more than a hair.</p>
      ) : (
        <ul>
          {losses
            .filter(({ turns }) => turns >= WORTH_TURNS)
            .slice(0, 2)
            .map((loss) => (
              <li key={loss.rods.join()} className="first-letter:uppercase">
                {rodLossText(loss)}
              </li>
            ))}
        </ul>
      )}
      {words ? <p className="mt-1 font-bold">{words}</p> : null}
    </div>
  )
}
