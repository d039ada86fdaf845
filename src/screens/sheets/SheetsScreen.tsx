'use client'

import { relationText } from '@/text/relation'
import { useGo } from '@/ui/useGo'
import { judgedAsKept } from '@/session/selectors'
import type { Sheet } from '@/core/log/sheets'
import { format } from 'date-fns'
import { useState } from 'react'
import { SIDES } from '@/core/records/plain'
import type { Drum, Side } from '@/core/records/kit'
import type { SheetDrum } from '@/core/records/sheet'
import { centsBetween } from '@/core/units/pitch'
import type { KitState } from '@/core/log/fold'
import { sheetSays } from '@/core/status/worklist'
import { chooseHead } from '@/session/actions/kits'
import { fileName, saveBlob } from '@/files/save'
import { keepKit } from '@/session/actions/sheets'
import { chooseSheet } from '@/session/actions/edits'
import { headIn } from '@/core/status/drum'
import { hereOf } from '@/session/here'
import { handText } from '@/text/hand'
import { statusText } from '@/text/status'
import { useKit, useSelect, useSession } from '@/session/react'
import { hzText, noteText } from '@/text/heads'
import { readingsCsv } from '@/text/csv'
import { layersText } from '@/text/strokes'
import { verdictText } from '@/text/verdict'
import { AsFarAsSeen } from '@/ui/AsFarAsSeen'
import { Button } from '@/ui/Button'
import { Tape } from '@/ui/Tape'
import { KeepForm } from './KeepForm'
import { WalkNote } from '../WalkNote'
import { SheetMenu } from './SheetMenu'
import { EntryLink } from '../handbook/EntryLink'
import { VERDICT_ENTRY } from '@/handbook/links'
import { NumbersHere } from '../handbook/NumbersHere'

/** Stored targets of the whole kit, a strip of tape a sheet. */
export function SheetsScreen() {
  const session = useSession()
  const state = useSelect(({ phase }) => ({ phase }))
  const kit = useKit()
  const go = useGo()
  const [keeping, setKeeping] = useState(false)
  if (!session || (state.phase === 'starting' && !kit))
    return <p className="p-8 text-soft">Opening the log…</p>
  const shown = kit?.sheets.filter(({ archived }) => !archived) ?? []
  const archived = kit?.sheets.filter((sheet) => sheet.archived) ?? []
  return (
    <div className="px-4 pb-10 md:px-7">
      <div className="flex flex-wrap items-center justify-between gap-3 pt-3 md:pt-5">
        <h1 className="text-3xl font-bold md:text-4xl">Sheets</h1>
        {kit && kit.drums.length > 0 ? (
          <div className="flex flex-wrap gap-3">
            {shown.length ? (
              <Button tone="act" onClick={() => go('/run')}>
                Retune run
              </Button>
            ) : null}
            <Button onClick={() => setKeeping(true)}>Keep the kit as it is</Button>
            <Button
              onClick={async () =>
                saveBlob(
                  new Blob([readingsCsv(kit, await session.wholeLog(kit.id))], { type: 'text/csv' }),
                  fileName(`${kit.name} readings`, 'csv'),
                )
              }
            >
              Readings as CSV
            </Button>
          </div>
        ) : null}
      </div>
      <WalkNote id="sheet" className="mt-3" />
      {!kit || kit.sheets.length === 0 ? (
        <p className="mt-4 max-w-xl text-lg">
          No sheet yet. Even a head on the bench and keep it, or keep a plan from Spacing: a sheet holds what
          the kit should read, for a room, a song or a show.
        </p>
      ) : (
        <ul className="mt-5 space-y-7">
          <AsFarAsSeen items={shown} step={8}>
            {(sheet, i) => (
              <li key={sheet.id}>
                <SheetStrip kit={kit} sheet={sheet} seed={i + 60} />
              </li>
            )}
          </AsFarAsSeen>
        </ul>
      )}
      {kit && shown.length ? (
        <NumbersHere of={['mean', 'spread', 'relation', 'centre', 'tolerance']} className="mt-3" />
      ) : null}
      {kit && archived.length ? (
        <section aria-label="Archive" className="mt-8">
          <h2 className="text-xl font-bold">Archive</h2>
          <ul>
            <AsFarAsSeen items={archived} step={40}>
              {(sheet) => (
                <li key={sheet.id} className="flex items-center gap-3 border-b border-line">
                  <span className="flex-1 text-soft">{sheet.name}</span>
                  <SheetMenu kit={kit} sheet={sheet} />
                </li>
              )}
            </AsFarAsSeen>
          </ul>
        </section>
      ) : null}
      {keeping ? (
        <KeepForm
          title="Keep the kit as it is"
          description="Every head as it was last read, with relation, centre, muffling, wires and what is fitted."
          onClose={() => setKeeping(false)}
          onKeep={(name, notes) => {
            const open = keepKit(session, name, notes)
            const left = `${open} ${open === 1 ? 'head was' : 'heads were'} never read and left open.`
            session.notify(open ? `Kept. ${left}` : 'Kept.')
          }}
        />
      ) : null}
    </div>
  )
}

function SheetStrip({ kit, sheet, seed }: { kit: KitState; sheet: Sheet; seed: number }) {
  const session = useSession()
  const go = useGo()
  const chosen = kit.sheet === sheet.id
  const version = sheet.versions.at(-1)
  if (!session) return null
  const retune = (drum: Drum, side: Side) => {
    if (!chosen) chooseSheet(session, sheet.id)
    chooseHead(session, drum.id, side)
    go('/bench')
  }
  const drums = kit.drums.filter((drum) => SIDES.some((side) => sheetSays(sheet, drum, side)))
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
          <SheetMenu kit={kit} sheet={sheet} />
        </div>
      </div>
      <p className="text-soft">
        {version ? format(new Date(version.at), 'd MMM yyyy') : ''}
        {sheet.versions.length > 1 ? `, version ${sheet.versions.length}` : ''}
        {version?.notes ? `: ${version.notes}` : ''}
      </p>
      <table className="mt-2 w-full text-left">
        <thead>
          <tr className="text-sm text-soft">
            <th className="py-1 font-normal">drum</th>
            <th className="font-normal">batter</th>
            <th className="font-normal">resonant</th>
            <th className="font-normal max-md:hidden">and</th>
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
              <td className="text-sm leading-snug text-soft max-md:hidden">
                {besideText(version?.drums.get(drum.id)).map((line) => (
                  <span key={line} className="block">
                    {line}
                  </span>
                ))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <SheetVerdict sheet={sheet} names={new Map(kit.drums.map(({ id, name }) => [id, name]))} />
    </Tape>
  )
}

/** What would not fit together in the kit as a sheet has it, each with the one change of the sheet that mends it. */
function SheetVerdict({ sheet, names }: { sheet: Sheet; names: ReadonlyMap<string, string> }) {
  const go = useGo()
  const { verdicts, moves } = useSelect((state) => judgedAsKept(state, sheet))
  if (verdicts.length === 0) return null
  return (
    <div className="mt-3 border-t border-line pt-2 leading-snug">
      <ul>
        {verdicts.map((verdict, i) => {
          const move = moves[i]
          return (
            <li key={i}>
              <span className="font-bold text-caution">{verdictText(verdict, names)}.</span>{' '}
              {move
                ? `Mended by ${names.get(move.drum) ?? move.drum}, ${move.head === 'resonant' ? 'resonant' : 'batter'} at ${hzText(move.toHz)} instead of ${hzText(move.fromHz)} Hz${move.resonant ? `, its resonant with it at ${hzText(move.resonant.toHz)}` : ''}.`
                : 'No one drum mends it.'}{' '}
              <EntryLink entry={VERDICT_ENTRY[verdict.what]} className="text-[15px]" />
            </li>
          )
        })}
      </ul>
      <Button tone="quiet" className="-ml-2 underline" onClick={() => go('/spacing')}>
        Plan it anew
      </Button>
    </div>
  )
}

/** Relation, centre, muffling and wires of a drum on a sheet. */
function besideText(says: SheetDrum | undefined): string[] {
  if (!says) return []
  const { batter, resonant, centreHz, layers, wires } = says
  return [
    ...(batter && resonant ? [relationText(centsBetween(batter.meanHz, resonant.meanHz))] : []),
    ...(centreHz === null ? [] : [`centre ${hzText(centreHz)} Hz`]),
    ...(layers.length ? [layersText(layers)] : []),
    ...(wires ? [`wires ${wires.knob} ${wires.unit}`] : []),
  ]
}

interface Props {
  kit: KitState
  drum: Drum
  side: Side
  onOpen: () => void
}

function TargetCell({ kit, drum, side, onOpen }: Props) {
  const state = useSelect(({ clockMs, settings }) => ({ clockMs, settings }))
  const head = headIn(hereOf(state, kit), drum, side)
  const { kept, keptHand } = head
  if (!kept && !keptHand) return <span className="text-soft">–</span>
  const hand = keptHand ? handText(keptHand) : ''
  const out = head.verdict === 'off' || head.verdict === 'uneven'
  return (
    <button
      type="button"
      onClick={onOpen}
      aria-label={`${drum.name} ${side}: bring it to ${kept ? `${hzText(kept.meanHz)} Hz` : hand}`}
      className="min-h-11 text-left"
    >
      {kept ? (
        <>
          <span className="font-bold">{hzText(kept.meanHz)} Hz</span>{' '}
          <span className="whitespace-nowrap text-soft">{noteText(kept.meanHz, state.settings.a4Hz)}</span>
        </>
      ) : null}
      {hand ? <span className={kept ? 'block text-sm' : 'font-bold'}>{hand}</span> : null}
      <span className={`block text-sm ${out ? 'text-act' : 'text-soft'}`}>{statusText(head)}</span>
    </button>
  )
}
