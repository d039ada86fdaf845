'use client'

import { DropdownMenu } from 'radix-ui'
import { ChevronDown } from 'lucide-react'
import { clsx } from 'clsx'
import { AREA_IDS, AREAS } from '@/core/fitting/lookOver'
import { lookedAt, openSearch } from '@/core/log/findings'
import type { BenchView } from '@/session/benchView'
import { useBenchView } from '@/session/react'
import { findingText } from '@/text/fitting'
import { useCommander, useEnabled } from '../shell/commander'

/** The work around evening: looking over, fitting, coming up, finding the fault, each with how it stands. */
export function WorkMenu({ found }: { found: readonly string[] }) {
  const word = found.length ? (found.length === 1 ? found[0] : `${found.length} found`) : 'Work'
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        aria-label={`Work on this head${found.length ? `: ${found.join('; ')}` : ''}`}
        className={clsx(
          'flex min-h-11 max-w-80 max-md:max-w-40 items-center gap-1 px-2 text-base',
          found.length ? 'font-bold text-caution' : 'text-soft hover:text-ink',
        )}
      >
        <span className="truncate">{word}</span>
        <ChevronDown aria-hidden size={18} className="shrink-0" />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="start" className="z-50 w-80 bg-tape py-2 text-ink shadow-xl">
          <Items />
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

/** There while the menu is open: only then its words are worked out. */
function Items() {
  const { run } = useCommander()
  const isEnabled = useEnabled(['bench.best', 'bench.hideFault', 'bench.kick', 'bench.snare'] as const)
  const view = useBenchView()
  if (!view) return null
  const items = [
    { id: 'bench.look', label: 'Look it over', state: lookedText(view) },
    { id: 'bench.fit', label: 'Fit a head, or start from slack', state: fittedText(view) },
    { id: 'bench.pair', label: 'Both heads', state: 'relation, centre pitch, what to turn' },
    ...(isEnabled('bench.snare')
      ? [{ id: 'bench.snare', label: 'Snare', state: 'snare side, wires, bed' }]
      : []),
    ...(isEnabled('bench.kick') ? [{ id: 'bench.kick', label: 'Kick', state: 'feel, tone, muffling' }] : []),
    { id: 'bench.stand', label: 'On the stand', state: 'ring held and hung, muffling' },
    { id: 'bench.fast', label: 'Fast routine', state: 'about five minutes a drum' },
    {
      id: 'bench.fault',
      label: 'Find what is wrong',
      state: searching(view) ? 'under way' : 'from complaint to cause',
    },
    ...(isEnabled('bench.hideFault')
      ? [{ id: 'bench.hideFault', label: 'Hide a fault', state: 'in the practice drum' }]
      : []),
  ]
  return (
    <>
      {items.map(({ id, label, state }) => (
        <DropdownMenu.Item
          key={id}
          onSelect={() => run(id)}
          className="cursor-pointer px-4 py-2 outline-none data-[highlighted]:bg-case"
        >
          <span className="block text-lg leading-tight font-bold">{label}</span>
          <span className="block text-[15px] text-soft">{state}</span>
        </DropdownMenu.Item>
      ))}
      {isEnabled('bench.best') ? (
        <div className="flex items-center gap-1 border-t border-line px-4 pt-1">
          <span className="text-[15px] text-soft">here it</span>
          {(
            [
              ['growls', 'growls'],
              ['best', 'is best'],
              ['chokes', 'chokes'],
            ] as const
          ).map(([mark, label]) => (
            <DropdownMenu.Item
              key={mark}
              onSelect={() => run(`bench.${mark}`)}
              className="flex min-h-11 cursor-pointer items-center px-2 font-bold outline-none data-[highlighted]:bg-case"
            >
              {label}
            </DropdownMenu.Item>
          ))}
        </div>
      ) : null}
    </>
  )
}

function lookedText({ kit, drum, side, practice, head }: BenchView): string {
  if (head.findings.length) return head.findings.map(findingText).join('; ')
  const seen = lookedAt(kit, drum.id, side, practice)
  const areas = AREA_IDS.filter((id) => drum.kind === 'snare' || !AREAS[id].snareOnly)
  if (seen.size === 0) return 'not looked over yet'
  return seen.size >= areas.length ? 'all well' : `${seen.size} of ${areas.length} parts looked at`
}

function fittedText({ drum, side, sitting }: BenchView): string {
  if (sitting?.slack) return 'begun from slack'
  const { fittedOn } = drum[side]
  return fittedOn ? `this head since ${fittedOn}` : 'age of this head not known'
}

const searching = ({ kit, drum, side, practice }: BenchView) =>
  openSearch(kit, drum.id, side, practice) !== null
