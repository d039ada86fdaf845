import { clsx } from 'clsx'
import type { WorkItem } from '@/core/status/worklist'
import { minutesText } from '@/text/minutes'
import { nameText, relationFirstText, standsText, wantedText } from '@/text/run'
import { Button } from '@/ui/Button'

interface Props {
  item: WorkItem
  word: string
  open: boolean
  noTime?: boolean
  onOpen?: () => void
  acts?: ReadonlyArray<{ label: string; run: () => void }>
}

/** One head of the list: where it stands, what to do, how long. Before the run is begun nothing can be done with it. */
export function WorkRow({ item, word, open, noTime = false, onOpen, acts = [] }: Props) {
  const name = clsx('min-h-11 w-52 text-left text-lg max-md:w-full', open && 'font-bold')
  return (
    <li className="flex flex-wrap items-center gap-x-4 border-b border-line py-1.5">
      {onOpen ? (
        <button type="button" onClick={onOpen} className={name}>
          {nameText(item)}
        </button>
      ) : (
        <span className={clsx(name, 'flex items-center')}>{nameText(item)}</span>
      )}
      <span className="min-w-0 flex-1 leading-snug max-md:basis-full">
        {word}
        <span className="block text-sm text-soft">
          {standsText(item)}; wanted {wantedText(item)}
          {item.relationHz ? `; ${relationFirstText(item.relationHz)}` : ''}
        </span>
      </span>
      <span className={clsx('w-32 text-sm', noTime ? 'text-caution' : 'text-soft')}>
        {open ? (noTime ? 'no time for it' : minutesText(item.minutes)) : ''}
      </span>
      {acts.map(({ label, run }) => (
        <Button
          key={label}
          tone="quiet"
          className="text-sm underline"
          aria-label={`${nameText(item)}: ${label}`}
          onClick={run}
        >
          {label}
        </Button>
      ))}
    </li>
  )
}
