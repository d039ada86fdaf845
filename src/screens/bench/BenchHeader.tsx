'use client'

import type { Settings } from '@/core/records/settings'
import { ChevronDown, SlidersHorizontal } from 'lucide-react'
import { memo, useState } from 'react'
import { clsx } from 'clsx'
import { STEPS } from '@/core/status/steps'
import type { OtherHead } from '@/core/records/event'
import type { Side } from '@/core/records/kit'
import { chooseHead } from '@/session/actions/kits'
import { stopListening } from '@/session/actions/listening'
import { setOtherHead } from '@/session/actions/readings'
import { chooseSource } from '@/session/actions/said'
import { chooseSheet } from '@/session/actions/edits'
import { benchView } from '@/session/benchView'
import { stepOf } from '@/session/jobView'
import { useSelect, useSession } from '@/session/react'
import type { SessionState } from '@/session/state'
import { Choice } from '@/ui/Choice'
import { Menu, MENU_ITEM } from '@/ui/Menu'
import { Pick } from '@/ui/Pick'
import { OTHER_HEAD } from './steps/even/HeardLines'

const SIDES = [
  { value: 'batter', label: 'batter' },
  { value: 'resonant', label: 'resonant' },
] as const

const SOURCES = [
  { value: 'practice', label: 'practice drum' },
  { value: 'microphone', label: 'microphone' },
  { value: 'file', label: 'a recording' },
  { value: 'typed', label: 'typed numbers' },
  { value: 'gauge', label: 'a dial gauge' },
  { value: 'ear', label: 'my own ears' },
]

/** What the header shows of the state: a reading changes none of it. */
function headerOf(state: SessionState) {
  const view = benchView(state)
  if (!view) return { source: state.source, drum: null }
  const { kit, drum, side, practice, otherHead } = view
  return {
    ...{ source: state.source, drum, side, practice, otherHead },
    ...{ drums: kit.drums, sheets: kit.sheets, sheet: kit.sheet },
    both: STEPS[stepOf(drum, state.step)].heads === 'both',
    step: stepOf(drum, state.step),
  }
}

/** Which drum and head, against what, read how. */
export const BenchHeader = memo(function BenchHeader() {
  const session = useSession()
  const shown = useSelect(headerOf)
  const [picking, setPicking] = useState(false)
  if (!session || !shown.drum) return null
  const { drums, sheets, sheet, drum, side, source } = shown
  const changeSource = (next: string) => {
    if (next !== 'microphone') stopListening(session)
    if (next !== 'ask') chooseSource(session, next as Settings['source'])
  }
  return (
    <div className="flex flex-wrap items-center justify-between gap-x-6 border-b border-line px-4 md:min-h-[68px] md:px-7 md:py-1">
      <div className="flex flex-wrap items-center gap-x-2 max-md:w-full max-md:pr-12">
        <Menu
          label={`${drum.name}: choose a drum`}
          className="flex min-h-11 items-center gap-1.5"
          contentClass="min-w-52"
          button={
            <>
              <h1 className="text-xl font-bold md:text-4xl">{drum.name}</h1>
              <ChevronDown aria-hidden size={22} className="text-soft" />
            </>
          }
        >
          {({ Item }) =>
            drums.map(({ id, name }) => (
              <Item
                key={id}
                onSelect={() => chooseHead(session, id, side, shown.step)}
                className={clsx(MENU_ITEM, 'text-lg')}
              >
                {name}
              </Item>
            ))
          }
        </Menu>
        {drum.oneHeaded ? null : (
          <Choice<Side>
            label="Head"
            // On a phone the line below has both heads already.
            className={clsx((shown.both || shown.step === 'even') && 'max-md:hidden')}
            value={shown.both ? null : side}
            items={SIDES}
            // A step of both heads has no one head: choosing one evens it.
            onChange={(next) => chooseHead(session, drum.id, next, shown.both ? 'even' : shown.step)}
          />
        )}
        {shown.practice ? <span className="font-bold text-caution">simulated</span> : null}
        <button
          type="button"
          aria-expanded={picking}
          aria-label="Sheet, other head and source"
          onClick={() => setPicking(!picking)}
          className="flex size-11 items-center justify-center text-soft md:hidden"
        >
          <SlidersHorizontal aria-hidden size={20} />
        </button>
      </div>
      <div className={clsx('flex-wrap items-center gap-x-5 md:flex', picking ? 'flex' : 'hidden')}>
        {sheets.length > 0 ? (
          <Pick
            label="sheet"
            className="max-w-60"
            value={sheet ?? ''}
            items={[
              ...sheets.map(({ id, name }) => ({ value: id, label: name })),
              { value: '', label: 'none' },
            ]}
            onChange={(value) => chooseSheet(session, value || null)}
          />
        ) : null}
        {shown.both || drum.oneHeaded ? null : (
          <Pick
            label="other head"
            value={shown.otherHead}
            items={OTHER_HEAD}
            onChange={(value) => setOtherHead(session, value as OtherHead)}
          />
        )}
        <Pick
          label="read from"
          value={source}
          items={source === 'ask' ? [{ value: 'ask', label: 'not said yet' }, ...SOURCES] : SOURCES}
          onChange={changeSource}
        />
      </div>
    </div>
  )
})
