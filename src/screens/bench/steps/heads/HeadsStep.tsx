'use client'

import { useCallback, useMemo, useState } from 'react'
import { pairStands } from '@/core/bench/pairing'
import type { DrumPair } from '@/core/status/drum'
import type { PairBelief } from '@/core/pair/belief'
import type { PairWant } from '@/core/pair/types'
import { centsBetween } from '@/core/units/pitch'
import { askPair } from '@/session/actions/pair'
import { useBenchView } from '@/session/benchReact'
import { useSelect, useSession } from '@/session/react'
import { pairView } from '@/session/selectors'
import { useAsked } from '../../../useAsked'
import { Frame, Panel, Phrase } from '../../Frame'
import { HeadsPanel } from './HeadsPanel'
import { HeadsStrip } from './HeadsStrip'
import { PairFoot } from './PairFoot'
import { chooseHead } from '@/session/actions/kits'
import type { BenchView } from '@/session/benchView'
import { Button } from '@/ui/Button'
import { StrokePart } from '@/screens/bench/StrokePart'

const round = (value: number, digits: number) => Number(value.toFixed(digits))

/** What was asked of the two heads: of this pair, for this want. */
interface Question {
  pair: DrumPair
  wanted: PairWant
}

/** Two heads: what they do together, and both lug pitches for what is wanted of them; from whatever was read so far. */
export function HeadsStep() {
  const session = useSession()
  const view = useBenchView()
  const pair = useSelect(pairView)
  const [want, setWant] = useState<PairWant | null>(null)
  const stands = useMemo(() => pair && pairStands(pair), [pair])
  const question = useMemo<Question | null>(() => {
    const wanted = want ?? (stands && standing(stands))
    return pair && wanted ? { pair, wanted } : null
  }, [pair, want, stands])
  const ask = useCallback(({ wanted }: Question) => (session ? askPair(session, wanted) : null), [session])
  const answered = useAsked(question, ask)
  if (!session || !view || !pair) return null
  if (!stands || !question)
    return <Frame strip={<HeadsStrip pair={pair} />} panel={<UnreadPanel view={view} />} />
  const found = answered?.answer ?? null
  return (
    <Frame
      strip={<HeadsStrip pair={pair} stands={stands} found={found} onGoal={setWant} />}
      panel={
        <HeadsPanel
          view={view}
          pair={pair}
          stands={stands}
          want={question.wanted}
          found={found}
          fresh={answered?.question === question}
          onWant={setWant}
        />
      }
      foot={found ? <PairFoot pair={pair} stands={stands} found={found} onWant={setWant} /> : null}
    />
  )
}

/** Nothing wished for yet: the drum as it stands. */
function standing({ batterHz, resonantHz }: PairBelief): PairWant {
  const batter = { batterHz: round(batterHz, 1) }
  return resonantHz === null
    ? batter
    : { ...batter, resonantAboveCents: Math.round(centsBetween(batterHz, resonantHz)) }
}

/** Nothing was read of either head: where to begin. */
function UnreadPanel({ view }: { view: BenchView }) {
  const session = useSession()
  if (!session) return null
  const { drum } = view
  return (
    <Panel
      over="nothing was read yet"
      big={<Phrase>Read one head</Phrase>}
      next={null}
      acts={
        <>
          <Button tone="act" big onClick={() => chooseHead(session, drum.id, 'batter')}>
            Read the batter
          </Button>
          {drum.oneHeaded ? null : (
            <Button
              big
              className="px-4 text-base font-normal"
              onClick={() => chooseHead(session, drum.id, 'resonant')}
            >
              Read the resonant
            </Button>
          )}
        </>
      }
    >
      <p className="leading-snug">
        One lug pitch, or one stroke on the centre with both heads free, is enough to begin.
      </p>
      <StrokePart view={view} />
    </Panel>
  )
}
