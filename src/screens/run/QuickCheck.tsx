'use client'

import { hereOf } from '@/session/here'
import { useEffect, useRef, useState } from 'react'
import { checkDrum, type DrumCheck } from '@/core/runs/quickCheck'
import { drumLog, type KitState } from '@/core/log/fold'
import { chooseHead } from '@/session/actions/kits'
import { listenForCentre } from '@/session/actions/pair'
import { useBenchView } from '@/session/benchReact'
import { useSelect, useSession } from '@/session/react'
import { checkText, unreadText } from '@/text/quickCheck'
import { Button } from '@/ui/Button'
import { StrokePart } from '../bench/StrokePart'
import { EntryLink } from '../handbook/EntryLink'
import { NUMBER_ENTRY } from '@/handbook/links'

/** One stroke on the centre of each drum, one after the other without a hand on the screen: which heads have moved. */
export function QuickCheck({ kit, nowMs, onClose }: { kit: KitState; nowMs: number; onClose: () => void }) {
  const session = useSession()
  const view = useBenchView()
  const source = useSelect((state) => state.source)
  const [at, setAt] = useState(0)
  /** By drum: the stroke of this check. */
  const [strokes, setStrokes] = useState<ReadonlyMap<string, string>>(new Map())
  const before = useRef<string | undefined>(undefined)
  const drum = kit.drums[at]
  const newest = drum && drumLog(kit, drum.id, kit.simulated).strokes.at(-1)?.event.id
  const drumId = drum?.id

  // The drum to be struck is the one on the bench; what was struck on it before is not of this check.
  useEffect(() => {
    if (!session || !drumId) return
    before.current = newestStroke(session.kit(), drumId)
    chooseHead(session, drumId, 'batter')
    const { source: by, hearing } = session.get()
    if (by === 'microphone' && hearing.state === 'on') void listenForCentre(session)
  }, [session, drumId])
  useEffect(() => {
    if (!drumId || !newest || newest === before.current) return
    before.current = newest
    setStrokes((known) => new Map(known).set(drumId, newest))
    setAt((now) => now + 1)
  }, [newest, drumId])

  if (!session) return null
  const checks = kit.drums.flatMap((each) => {
    const stroke = strokes.get(each.id)
    const check = stroke ? checkDrum({ ...hereOf(session.get(), kit), nowMs }, each, stroke) : null
    return stroke ? [{ drum: each, check }] : []
  })
  return (
    <section aria-label="Quick check" className="mt-4 max-w-3xl">
      <p className="text-soft">
        One stroke on the centre of each drum, both heads free. Strike, wait until it is heard, go on to the
        next. <EntryLink entry={NUMBER_ENTRY.quickCheck} />
      </p>
      {drum ? (
        <div className="mt-3">
          <p aria-live="polite" className="text-5xl font-extrabold md:text-6xl">
            {drum.name}
          </p>
          <p className="mb-2 text-lg text-soft">
            drum {at + 1} of {kit.drums.length}
          </p>
          {view && view.drum.id === drum.id ? (
            <StrokePart view={view} main label={`Strike ${drum.name}`} />
          ) : null}
          <Button tone="quiet" className="underline" onClick={() => setAt(at + 1)}>
            pass it over
          </Button>
        </div>
      ) : (
        <Verdict checks={checks.flatMap(({ check }) => (check ? [check] : []))} onClose={onClose} />
      )}
      <ul aria-label="What the strokes say" className="mt-3">
        {checks.map(({ drum: each, check }) => (
          <li key={each.id} className="border-b border-line py-1.5 text-lg">
            {check ? checkText(check) : unreadText(each)}
          </li>
        ))}
      </ul>
      {source === 'ask' ? <p className="mt-2">Say on the bench first where readings come from.</p> : null}
    </section>
  )
}

const newestStroke = (kit: KitState | null, drum: string) =>
  kit ? drumLog(kit, drum, kit.simulated).strokes.at(-1)?.event.id : undefined

function Verdict({ checks, onClose }: { checks: readonly DrumCheck[]; onClose: () => void }) {
  const moved = checks.filter(({ named }) => named.length > 0)
  return (
    <div className="mt-3">
      <p role="status" className="text-3xl font-bold">
        {checks.length === 0
          ? 'No drum could be checked.'
          : moved.length === 0
            ? 'Nothing has moved, as far as one stroke tells.'
            : `Look at ${moved.map(({ drum }) => drum.name).join(', ')}.`}
      </p>
      <Button tone="act" className="mt-3" onClick={onClose}>
        On to the run
      </Button>
    </div>
  )
}
