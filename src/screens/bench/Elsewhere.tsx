'use client'

import { chooseHead, chooseKit } from '@/session/actions/kits'
import { useKit, useSession } from '@/session/react'
import { elsewhereText } from '@/text/address'
import { Button } from '@/ui/Button'
import type { Elsewhere } from './useAddress'

/** An address whose drum is of another kit, or gone: said, with the ways on. Nothing is changed before one is taken. */
export function ElsewherePart({ drum, side, step, kit, onStay }: Elsewhere & { onStay: () => void }) {
  const session = useSession()
  const here = useKit()
  if (!session) return null
  const first = here?.drums[0]
  return (
    <div className="max-w-2xl p-8">
      <h1 className="text-4xl font-bold">{kit ? kit.drum : 'No such drum'}</h1>
      <p className="mt-3 text-lg leading-snug">{elsewhereText(kit, here?.name ?? null)}</p>
      <div className="mt-6 flex flex-wrap gap-3">
        {kit ? (
          <Button
            tone="act"
            big
            onClick={() => {
              chooseKit(session, kit.id)
              chooseHead(session, drum, side, step)
            }}
          >
            Open {kit.name}
          </Button>
        ) : null}
        {first ? (
          <Button big tone={kit ? 'line' : 'act'} onClick={onStay}>
            Stay with {here.name}
          </Button>
        ) : null}
      </div>
    </div>
  )
}
