'use client'

import { useEffect } from 'react'
import { couldNotShow, tryAgain } from '@/session/failures'
import { useKit, useSelect, useSession } from '@/session/react'
import { undoable } from '@/session/undo'
import { Button } from '@/ui/Button'

/** What of a place stands where it could not be drawn: the log is whole, and there are ways on. */
export function PlaceError({ error, onAgain }: { error: Error; onAgain: () => void }) {
  const session = useSession()
  const kit = useKit()
  const kits = useSelect((state) => state.kits)
  const last = useSelect(({ acts, clockMs }) => undoable(acts, clockMs))
  useEffect(() => {
    // Parts of the app that did not come are no kit's fault.
    if (!session || !kit || /chunk|dynamically imported/i.test(`${error.name} ${error.message}`)) return
    const { failures } = session.deps
    couldNotShow(failures, kit, error.message)
    // Left by a way that helped.
    return () => tryAgain(failures, kit.id)
  }, [session, kit, error])
  const others = kits.filter(({ id }) => id !== kit?.id)
  const goOn = (task: () => unknown) => () => void Promise.resolve(task()).then(onAgain)
  const kitActs = () => import('@/session/actions/kits')
  return (
    <section aria-label="Trouble here" className="max-w-2xl p-6 md:p-8">
      <h1 className="text-4xl font-bold">This place cannot be shown</h1>
      <p role="alert" className="mt-3 text-lg">
        Something in {kit ? kit.name : 'the log'} could not be worked out here. Nothing is lost: the log is as
        it was, and other places and kits are not affected.
      </p>
      <div className="mt-6 flex flex-wrap gap-3">
        <Button tone="act" onClick={onAgain}>
          Try again
        </Button>
        {session && kit ? (
          <>
            <Button
              onClick={() =>
                void import('@/session/actions/files').then(({ exportKit }) => exportKit(session))
              }
            >
              Export the kit
            </Button>
            {last ? <Button onClick={goOn(() => session.undo())}>Take back {last.what}</Button> : null}
            <Button onClick={goOn(async () => (await kitActs()).removeKit(session))}>Put the kit away</Button>
          </>
        ) : null}
        {session
          ? others.map(({ id, name }) => (
              <Button key={id} onClick={goOn(async () => (await kitActs()).chooseKit(session, id))}>
                Open {name}
              </Button>
            ))
          : null}
      </div>
      <details className="mt-6 text-soft">
        <summary className="min-h-11 cursor-pointer py-2 underline">details</summary>
        <code className="text-sm break-words">{error.message}</code>
      </details>
    </section>
  )
}
