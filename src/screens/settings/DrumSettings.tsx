import { toleranceOf } from '@/core/status/targets'
import { usualHz } from '@/core/records/usualDrum'
import type { Drum } from '@/core/records/kit'
import { numberWithin } from '@/core/units/number'
import { changeDrum } from '@/session/actions/kits'
import { useKit } from '@/session/react'
import type { Session } from '@/session/session'
import { ValueField } from '@/ui/ValueField'
import { Group } from './Group'

const LEAST_CENTS = 1
const MOST_CENTS = 100

/** How near each drum of this kit is to be: part of the kit, and of its file. */
export function DrumSettings({ session }: { session: Session }) {
  const kit = useKit()
  if (!kit || kit.drums.length === 0) return null
  const set = (drum: Drum, toleranceCents: number | undefined) => {
    const changed = { ...drum }
    if (toleranceCents === undefined) delete changed.toleranceCents
    else changed.toleranceCents = toleranceCents
    changeDrum(session, drum, changed)
  }
  return (
    <Group title="Tolerance" kept={`with ${kit.name}, in its file`}>
      <p className="py-2 text-[15px] text-soft">
        How even and how near its pitch a head is to be before it counts as done, in cents. Empty: as usual
        for its kind, its size and what a hand can do there. A kept sheet keeps the tolerance it was kept
        with.
      </p>
      <ul>
        {kit.drums.map((drum) => {
          const usual = Math.round(
            toleranceOf({ ...drum, toleranceCents: undefined }, 'batter', usualHz(drum, 'batter')),
          )
          return (
            <li key={drum.id} className="flex items-center justify-between gap-3 border-b border-line py-1.5">
              <span className="font-bold">{drum.name}</span>
              <span className="flex items-center gap-3">
                <span className="text-sm text-soft">
                  {drum.toleranceCents ? 'set by you' : `usual ${usual}`}
                </span>
                <ValueField<number | 'usual'>
                  label={`Tolerance of ${drum.name}, cents`}
                  text={drum.toleranceCents ? String(drum.toleranceCents) : ''}
                  read={(text) => (text.trim() ? numberWithin(LEAST_CENTS, MOST_CENTS)(text) : 'usual')}
                  wrong={`${LEAST_CENTS} to ${MOST_CENTS} cents, or empty for the usual.`}
                  onTake={(value) => set(drum, value === 'usual' ? undefined : value)}
                  className="w-24"
                />
              </span>
            </li>
          )
        })}
      </ul>
    </Group>
  )
}
