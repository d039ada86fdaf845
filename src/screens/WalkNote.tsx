'use client'

import { X } from 'lucide-react'
import { clsx } from 'clsx'
import { useSelect, useSession } from '@/session/react'
import { kitOf } from '@/session/state'
import { isDue, WALK, type WalkId } from '@/text/walk'

/** A note of the first walk, at its thing: on a kit of one's own, once, until it is put away. */
export function WalkNote({ id, className }: { id: WalkId; className?: string }) {
  const session = useSession()
  const due = useSelect((state) => {
    const kit = kitOf(state)
    return kit !== null && !kit.simulated && isDue(id, state.settings.walked)
  })
  if (!session || !due) return null
  const { text } = WALK.find((note) => note.id === id)!
  return (
    <aside
      aria-label="First walk"
      className={clsx(
        'flex items-start gap-2 border-l-4 border-act bg-tape pl-3 text-[15px] leading-snug',
        className,
      )}
    >
      <p className="min-w-0 flex-1 py-2.5">{text}</p>
      <button
        type="button"
        aria-label="Put this note away"
        className="flex size-11 shrink-0 items-center justify-center text-soft hover:text-ink"
        onClick={() => session.setSettings({ walked: [...session.get().settings.walked, id] })}
      >
        <X aria-hidden size={18} />
      </button>
    </aside>
  )
}
