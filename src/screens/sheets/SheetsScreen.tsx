'use client'

import { useRouter } from 'next/navigation'
import { SIDES, type Drum, type Side } from '@/core/records/kit'
import { headKey, type KitState, type Sheet } from '@/core/keeping/log'
import { chooseHead } from '@/session/actions/kits'
import { chooseSheet } from '@/session/actions/sheets'
import { headSummary } from '@/session/kitView'
import { useKit, useSession, useSessionState } from '@/session/react'
import { hzText, noteText, offText } from '@/text/heads'
import { Button } from '@/ui/Button'
import { Tape } from '@/ui/Tape'
import { SheetMenu } from './SheetMenu'

/** Stored targets, a strip of tape a sheet. */
export function SheetsScreen() {
  const session = useSession()
  const state = useSessionState()
  const kit = useKit()
  if (!session || (state.phase === 'starting' && !kit))
    return <p className="p-8 text-soft">Opening the log…</p>
  return (
    <div className="px-4 pb-10 md:px-7">
      <h1 className="pt-3 text-3xl font-bold md:pt-5 md:text-4xl">Sheets</h1>
      {!kit || kit.sheets.length === 0 ? (
        <p className="mt-4 max-w-xl text-lg">
          No sheet yet. Even a head on the bench and keep it: a sheet holds what each head should read, for a
          room, a song or a show.
        </p>
      ) : (
        <ul className="mt-5 space-y-7">
          {kit.sheets.map((sheet, i) => (
            <li key={sheet.id}>
              <SheetStrip kit={kit} sheet={sheet} seed={i + 60} />
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}

function SheetStrip({ kit, sheet, seed }: { kit: KitState; sheet: Sheet; seed: number }) {
  const session = useSession()
  const router = useRouter()
  const chosen = kit.sheet === sheet.id
  if (!session) return null
  const retune = (drum: Drum, side: Side) => {
    if (!chosen) chooseSheet(session, sheet.id)
    chooseHead(session, drum.id, side)
    router.push('/bench')
  }
  const drums = kit.drums.filter((drum) => SIDES.some((side) => sheet.targets.has(headKey(drum.id, side))))
  return (
    <Tape seed={seed} teeth={24} className="px-6 py-4 md:px-8">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h2 className="text-2xl font-bold">{sheet.name}</h2>
        <div className="flex items-center gap-2">
          {chosen ? (
            <span className="font-bold text-good">the kit is held against this</span>
          ) : (
            <Button onClick={() => chooseSheet(session, sheet.id)}>Hold the kit against it</Button>
          )}
          <SheetMenu sheet={sheet} />
        </div>
      </div>
      <table className="mt-2 w-full text-left">
        <thead>
          <tr className="text-sm text-soft">
            <th className="py-1 font-normal">drum</th>
            <th className="font-normal">batter</th>
            <th className="font-normal">resonant</th>
          </tr>
        </thead>
        <tbody>
          {drums.map((drum) => (
            <tr key={drum.id} className="border-t border-line">
              <th className="py-2 pr-2 text-lg font-bold">{drum.name}</th>
              {SIDES.map((side) => (
                <td key={side}>
                  <TargetCell
                    kit={chosen ? kit : { ...kit, sheet: sheet.id }}
                    drum={drum}
                    side={side}
                    onOpen={() => retune(drum, side)}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </Tape>
  )
}

function TargetCell({
  kit,
  drum,
  side,
  onOpen,
}: {
  kit: KitState
  drum: Drum
  side: Side
  onOpen: () => void
}) {
  const state = useSessionState()
  const head = headSummary(kit, drum, side, state.settings.source === 'practice', state.clockMs)
  if (!head.target) return <span className="text-soft">–</span>
  const out = head.state === 'off' || head.state === 'uneven'
  return (
    <button
      type="button"
      onClick={onOpen}
      aria-label={`${drum.name} ${side}: bring it to ${hzText(head.target.meanHz)} Hz`}
      className="min-h-11 text-left"
    >
      <span className="font-bold">{hzText(head.target.meanHz)} Hz</span>{' '}
      <span className="whitespace-nowrap text-soft">{noteText(head.target.meanHz, state.settings.a4Hz)}</span>
      <span className={`block text-sm ${out ? 'text-act' : 'text-soft'}`}>
        {head.offCents === null
          ? 'not read yet'
          : head.state === 'uneven'
            ? `spread ${Math.round(head.spreadCents ?? 0)} c`
            : `last read ${offText(head.offCents)}`}
      </span>
    </button>
  )
}
