import type { KitState } from '@/core/log/fold'
import { sidesOf } from '@/core/records/plain'
import { chooseHead, chooseKit } from '@/session/actions/kits'
import type { Session } from '@/session/session'
import { ENTRIES, ENTRY_IDS } from '@/handbook/entries'
import { WORDS } from '@/handbook/words'

/** A drum's head, a step of it, a sheet or a kit, and how one comes there. */
export interface Thing {
  id: string
  label: string
  says: string
  words: string[]
  run: () => void
}

/** Everything that has a name: of this device, and in the Handbook. */
export function thingsOf(
  session: Session,
  kit: KitState | null,
  kits: readonly KitState[],
  go: (to: string) => void,
): Thing[] {
  const heads = (kit?.drums ?? []).flatMap((drum) =>
    sidesOf(drum).map((side) => ({
      id: `${drum.id}/${side}`,
      label: `${drum.name} ${side}`,
      says: 'head',
      words: [drum.kind, 'drum', 'bench'],
      run: () => {
        chooseHead(session, drum.id, side)
        go('/bench')
      },
    })),
  )
  const sheets = (kit?.sheets ?? []).map(({ id, name }) => ({
    ...{ id, label: name, says: 'sheet', words: ['sheet', 'target', 'print'] },
    run: () => go(`/print?sheet=${encodeURIComponent(id)}`),
  }))
  const others = kits
    .filter(({ id }) => id !== kit?.id)
    .map(({ id, name }) => ({
      ...{ id, label: name, says: 'kit', words: ['kit', 'open'] },
      run: () => {
        chooseKit(session, id)
        go('/')
      },
    }))
  const entries = ENTRY_IDS.map((id) => ({
    ...{
      id: `entry/${id}`,
      label: ENTRIES[id].title,
      says: 'handbook',
      words: ['handbook', ...WORDS[id].split(' ')],
    },
    run: () => go(`/handbook?entry=${id}`),
  }))
  return [...heads, ...sheets, ...others, ...entries]
}
