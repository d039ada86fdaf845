'use client'

import { useMemo, useState } from 'react'
import { archiveKit, chooseKit } from '@/session/actions/kits'
import { kitsListed } from '@/session/kitsListed'
import { useKit, useSelect, useSession } from '@/session/react'
import { dateTimeText } from '@/text/logbook'
import { useGo } from '@/ui/useGo'
import { AsFarAsSeen } from '@/ui/AsFarAsSeen'
import { Button } from '@/ui/Button'
import { Modal } from '@/ui/Modal'
import { Pick } from '@/ui/Pick'
import { TextField } from '@/ui/TextField'

const ALL = 'all kits'

/** Every kit on this device, the one touched last first: found by name, owner or job; drawn only as far as it is seen. */
export function KitsDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const go = useGo()
  const logs = useSelect((state) => state.logs)
  const here = useKit()
  const [wanted, setWanted] = useState('')
  const [whose, setWhose] = useState(ALL)
  const [archived, setArchived] = useState(false)
  const all = useMemo(() => kitsListed(logs), [logs])
  const shown = useMemo(
    () =>
      all.filter(
        ({ kit, words }) =>
          kit.archived === archived &&
          (whose === ALL || kit.owner === whose || kit.job === whose) &&
          wanted
            .toLowerCase()
            .split(/\s+/)
            .every((word) => words.includes(word)),
      ),
    [all, archived, whose, wanted],
  )
  if (!session) return null
  const groups = [...new Set(all.flatMap(({ kit }) => [kit.owner, kit.job].filter(Boolean)))].sort()
  const away = all.filter(({ kit }) => kit.archived).length
  const open = (id: string) => {
    chooseKit(session, id)
    onClose()
    go('/')
  }
  return (
    <Modal open wide onClose={onClose} title="Kits on this device">
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <div className="min-w-56 flex-1">
          <TextField
            label="Find by name, owner or job"
            type="search"
            autoFocus
            value={wanted}
            onText={setWanted}
          />
        </div>
        {groups.length ? (
          <Pick
            label="of"
            value={whose}
            items={[ALL, ...groups].map((value) => ({ value, label: value }))}
            onChange={setWhose}
          />
        ) : null}
        {away || archived ? (
          <Button tone="quiet" className="underline" onClick={() => setArchived(!archived)}>
            {archived ? 'kits in use' : `put away: ${away}`}
          </Button>
        ) : null}
      </div>
      <p role="status" className="mt-2 text-soft">
        {shown.length === 1 ? 'One kit' : `${shown.length} kits`}
        {shown.length > 1 ? ', the one touched last first' : ''}
      </p>
      <ul aria-label="Kits" tabIndex={0} className="max-h-[52dvh] overflow-y-auto">
        <AsFarAsSeen items={shown} step={30} key={`${wanted} ${whose} ${archived}`}>
          {({ kit, touchedAt }) => (
            <li key={kit.id} className="flex items-center gap-2 border-b border-line py-1">
              <button
                type="button"
                onClick={() => open(kit.id)}
                className="min-h-11 min-w-0 flex-1 px-1 text-left hover:bg-tape"
              >
                <span className="block truncate text-lg leading-tight font-bold">
                  {kit.name}
                  {kit.id === here?.id ? <span className="font-normal text-soft"> on screen</span> : null}
                </span>
                <span className="block truncate text-sm text-soft">
                  {[kit.owner, kit.job].filter(Boolean).join(', ')}
                  {kit.owner || kit.job ? '; ' : ''}
                  {kit.drums.length === 1 ? 'one drum' : `${kit.drums.length} drums`}, touched{' '}
                  {dateTimeText(touchedAt)}
                </span>
              </button>
              <Button
                tone="quiet"
                className="underline"
                onClick={() => archiveKit(session, kit.id, !kit.archived)}
              >
                {kit.archived ? 'take out' : 'put away'}
                <span className="sr-only"> {kit.name}</span>
              </Button>
            </li>
          )}
        </AsFarAsSeen>
      </ul>
    </Modal>
  )
}
