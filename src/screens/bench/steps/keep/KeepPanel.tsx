'use client'

import { useState, type FormEvent } from 'react'
import { drumLog } from '@/core/log/fold'
import type { Side } from '@/core/records/kit'
import type { SheetDrum } from '@/core/records/sheet'
import { goToStop } from '@/session/actions/kits'
import { keepDrum } from '@/session/actions/sheets'
import type { BenchView } from '@/session/benchView'
import { useSelect, useSession } from '@/session/react'
import { holdText, missingOf, OLD_SAYS, readText, targetText, type Missing } from '@/text/keep'
import { handText } from '@/text/hand'
import { Button } from '@/ui/Button'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { Panel, Phrase } from '../../Frame'
import type { Keepable } from './KeepStep'

const NAME_LENGTH = 60

interface KeepPanelProps {
  view: BenchView
  says: SheetDrum
  kept: SheetDrum | null
  heads: readonly Keepable[]
  name: string
  sheets: readonly string[]
  held: string | null
  onName: (name: string) => void
}

/** Which heads, on which sheet, and what is missing; one button keeps it all. */
export function KeepPanel({ view, says, kept, heads, name, sheets, held, onName }: KeepPanelProps) {
  const session = useSession()
  // A head that was read long ago does not overwrite what the sheet has, unless it is asked to.
  const [chosen, setChosen] = useState<Partial<Record<Side, boolean>>>({})
  const [uneven, setUneven] = useState<Partial<Record<Side, boolean>>>({})
  const [asked, setHold] = useState<boolean | null>(null)
  if (!session) return null
  const hold = asked ?? held === null
  const clean = name.trim().slice(0, NAME_LENGTH)
  const takes = ({ side, at, old }: Keepable) =>
    at !== null && (chosen[side] ?? (!old || !(kept?.[side] ?? kept?.hand?.[side])))
  const taken = heads.filter(takes)
  const simulated = view.practice && !view.kit.simulated
  const submit = (event: FormEvent) => {
    event.preventDefault()
    if (!clean || taken.length === 0 || simulated) return
    const kept = taken.map(({ side, rough }) => ({ side, uneven: rough && uneven[side] === true }))
    if (keepDrum(session, { name: clean, heads: kept, hold })) setHold(null)
  }
  const same = kept !== null && clean === held
  return (
    <form onSubmit={submit} className="flex min-h-0 flex-1 flex-col">
      <Panel
        over={
          same
            ? 'on the sheet already, from before'
            : clean && !sheets.includes(clean)
              ? 'a new sheet'
              : 'keep it on'
        }
        big={<Phrase>{clean || 'Name a sheet'}</Phrase>}
        acts={
          <Button
            tone="act"
            big
            type="submit"
            className="max-md:grow"
            disabled={!clean || taken.length === 0 || simulated}
          >
            {taken.length === 1 && heads.length > 1 ? `Keep the ${taken[0].side} head` : 'Keep it'}
          </Button>
        }
      >
        {simulated ? (
          <p className="mb-2 font-bold text-caution">Simulated: nothing of it is kept for this drum.</p>
        ) : null}
        <Field
          label="Sheet"
          hint="The name of a room, a song, a show. A known name keeps this drum on that sheet."
        >
          <input
            list="sheet-names"
            value={name}
            maxLength={NAME_LENGTH}
            onChange={(event) => onName(event.target.value)}
            className={INPUT_CLASS}
          />
        </Field>
        <datalist id="sheet-names">
          {sheets.map((each) => (
            <option key={each} value={each} />
          ))}
        </datalist>
        {clean && clean !== held ? (
          held === null ? (
            <p className="mt-2 leading-snug">{holdText(clean, held)}</p>
          ) : (
            <Tick label={holdText(clean, held)} checked={hold} onChange={setHold} />
          )
        ) : null}
        <Heads
          says={says}
          heads={heads}
          takes={takes}
          onTake={setChosen}
          chosen={chosen}
          uneven={uneven}
          onUneven={setUneven}
        />
        <MissingPart view={view} says={says} />
      </Panel>
    </form>
  )
}

interface HeadsProps {
  says: SheetDrum
  heads: readonly Keepable[]
  takes: (head: Keepable) => boolean
  chosen: Partial<Record<Side, boolean>>
  onTake: (chosen: Partial<Record<Side, boolean>>) => void
  uneven: Partial<Record<Side, boolean>>
  onUneven: (uneven: Partial<Record<Side, boolean>>) => void
}

function Heads({ says, heads, takes, chosen, onTake, uneven, onUneven }: HeadsProps) {
  const a4Hz = useSelect((state) => state.settings.a4Hz)
  return (
    <div className="mt-2">
      {heads.map((head) => {
        const [target, hand] = [says[head.side], says.hand?.[head.side]]
        const what = [target ? targetText(target, head.spreadCents, a4Hz) : '', hand ? handText(hand) : '']
          .filter(Boolean)
          .join('; ')
        if (!what) return null
        return (
          <div key={head.side}>
            <Tick
              label={`${head.side}: ${what}${head.disagree ? ', readings disagree' : ''}${head.old ? `, ${readText(head.at)}` : ''}`}
              checked={takes(head)}
              onChange={(on) => onTake({ ...chosen, [head.side]: on })}
            />
            {head.rough ? (
              <Tick
                label={`the ${head.side}’s unevenness is meant: keep it in the target`}
                checked={uneven[head.side] === true}
                onChange={(on) => onUneven({ ...uneven, [head.side]: on })}
              />
            ) : null}
          </div>
        )
      })}
      {heads.some((head) => head.old && !takes(head)) ? (
        <p className="mt-1 leading-snug font-bold">{OLD_SAYS}</p>
      ) : null}
      <p className="mt-1 text-[15px] leading-snug text-soft">
        What is kept is the fit through all readings, not the readings with their noise.
      </p>
    </div>
  )
}

/** What nobody knows of the drum yet, each with the step that tells. */
function MissingPart({ view, says }: { view: BenchView; says: SheetDrum }) {
  const session = useSession()
  const layersSaid = drumLog(view.kit, view.drum.id, view.practice).layers !== null
  const missing = missingOf(view.drum, says, layersSaid)
  if (!session || missing.length === 0) return null
  const go = ({ step }: Missing) =>
    goToStop(session, { step, side: step === 'even' && says.batter ? 'resonant' : 'batter' })
  return (
    <section aria-label="Missing" className="mt-3 border-t border-line pt-2">
      <h2 className="font-bold">Missing</h2>
      <ul>
        {missing.map((each) => (
          <li key={each.says}>
            <Button tone="quiet" className="-ml-2 underline" onClick={() => go(each)}>
              {each.says}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  )
}

interface TickProps {
  label: string
  checked: boolean
  onChange: (checked: boolean) => void
}

function Tick({ label, checked, onChange }: TickProps) {
  return (
    <label className="flex min-h-11 cursor-pointer items-center gap-3 leading-snug">
      <input
        type="checkbox"
        className="size-6 shrink-0 accent-(--act)"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
      />
      {label}
    </label>
  )
}
