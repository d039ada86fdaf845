'use client'

import { clsx } from 'clsx'
import { tryAgain, type FailedKit } from '@/session/failures'
import type { SetAside } from '@/session/keeper'
import { takeNewVersion } from '@/session/offline'
import { useSelect, useSession } from '@/session/react'
import type { Session } from '@/session/session'
import type { SessionState } from '@/session/state'
import { Button } from '@/ui/Button'

/** What has to be said of keeping, and what can be done about it. */
interface Said {
  text: string
  /** No trouble, only news. */
  plain?: true
  ways?: ReadonlyArray<readonly [label: string, act: (session: Session) => unknown]>
}

const reload = () => window.location.reload()
const files = () => import('@/session/actions/files')
const exportKit = async (session: Session) => (await files()).exportKit(session)

const changes = (count: number) => (count === 1 ? 'the last change' : `the last ${count} changes`)

const NO_STORAGE: Said = {
  text: 'This browser keeps nothing for this page (a private window, or storage switched off). What you do here is lost when it closes: export the kit before.',
  ways: [['Export the kit', exportKit]],
}

const HELD: Record<NonNullable<SessionState['held']>, Said> = {
  unread: {
    text: 'Another tab of Humbra holds the log and does not answer. Close that tab, read here meanwhile, or take over here: what was shown as kept is kept.',
    ways: [
      ['Read here', (session) => session.readAnyway()],
      ['Take over', (session) => session.deps.takeOver()],
    ],
  },
  unkept: {
    text: 'Another tab of Humbra still holds the log: what you do here is kept once that tab lets go. Close it, or take over here.',
    ways: [['Take over', (session) => session.deps.takeOver()]],
  },
}

const again = [['Try again', (session: Session) => session.retrySave()] as const]

const TROUBLE: Record<NonNullable<SessionState['trouble']>, (unsaved: number) => Said> = {
  full: (unsaved) => ({
    text: `The disk is full: ${changes(unsaved)} could not be kept. Nothing is lost while this page is open. Make room and try again, or export the kit now.`,
    ways: [...again, ['Export the kit', exportKit]],
  }),
  closed: (unsaved) => ({
    text: `The browser closed this page’s database: ${changes(unsaved)} could not be kept. Nothing is lost while this page is open. Try again, or export the kit now.`,
    ways: [...again, ['Export the kit', exportKit]],
  }),
  newer: () => ({
    text: 'A newer Humbra was opened in another tab. Reload this page to go on: what was done here comes along.',
    ways: [['Reload', reload]],
  }),
  blocked: () => ({
    text: 'Humbra was updated and another tab of it is still open in its old form. Close that tab: this page then goes on by itself.',
  }),
}

/** What became of an act that is not in the database. */
function aside({ name, events, why, what }: SetAside): Said {
  const letGo = ['Let it go', (session: Session) => session.letGo(name)] as const
  if (events.length === 0)
    return {
      text: `One act that was left behind could not be read and was put aside: ${why}. Everything else is kept. Save it to look into it, or let it go.`,
      ways: [['Save it', (session) => saveLeft(session, name)], letGo],
    }
  return {
    text: `One act was set aside, the others are kept: ${what}. The database refused it: ${why}.`,
    ways: [letGo],
  }
}

/** The text of an act that cannot be read, as it was left. */
async function saveLeft(session: Session, name: string): Promise<void> {
  const text = session.deps.journal.text(name) ?? ''
  const { saveBlob } = await import('@/files/save')
  saveBlob(new Blob([text], { type: 'application/json' }), `humbra left behind ${name}.json`)
}

const leftOut = (failed: FailedKit): Said => ({
  text: `${failed.name} made Humbra fail and was set aside. Nothing of it is lost, and the other kits open. Export it to keep it elsewhere, or try it again.`,
  ways: [
    ['Export it', async (session) => (await files()).exportFailed(session, failed)],
    [
      'Try it again',
      (session) => {
        tryAgain(session.deps.failures, failed.kit)
        reload()
      },
    ],
  ],
})

const LOST_WAYS: Said['ways'] = [
  ['Try again', (session) => session.askAgain()],
  ['Reload', reload],
]
const LOST = {
  ear: {
    text: 'The part of Humbra that hears stopped and did not come back. Nothing is lost. Try again, reload the page, or type numbers meanwhile.',
    ways: LOST_WAYS,
  },
  adviser: {
    text: 'The part of Humbra that works out the next move stopped and did not come back. Nothing is lost. Try again, or reload the page.',
    ways: LOST_WAYS,
  },
}

const NEW_VERSION: Said = {
  text: 'A newer Humbra is on this device. It takes over when you say so, in all tabs.',
  plain: true,
  ways: [['Use it now', takeNewVersion]],
}

const unread = (count: number): Said => ({
  text: `${count} entries of the log were written by another version and are left aside, unchanged. Update Humbra to see them.`,
})

const PARTS = [
  ...(['phase', 'held', 'trouble', 'unsaved', 'aside', 'failed'] as const),
  ...(['lostWorkers', 'newVersion', 'unreadable'] as const),
] as const
type Parts = Pick<SessionState, (typeof PARTS)[number]>

/** The one thing that is to be said first. */
function saidOf(state: Parts): Said | null {
  if (state.phase === 'no-storage') return NO_STORAGE
  if (state.held) return HELD[state.held]
  if (state.trouble) return TROUBLE[state.trouble](state.unsaved)
  if (state.aside.length) return aside(state.aside[0])
  if (state.failed.length) return leftOut(state.failed[0])
  if (state.lostWorkers.size) return LOST[state.lostWorkers.has('ear') ? 'ear' : 'adviser']
  if (state.newVersion) return NEW_VERSION
  return state.unreadable > 0 ? unread(state.unreadable) : null
}

/** Says plainly when something is not kept, why, and what to do about it. */
export function Banner() {
  const session = useSession()
  const said = saidOf(
    useSelect((state) => Object.fromEntries(PARTS.map((part) => [part, state[part]])) as unknown as Parts),
  )
  if (!session || !said) return null
  const { text, plain, ways } = said
  return (
    <div
      role="status"
      className={clsx(
        'flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line px-6 py-3',
        !plain && 'text-caution',
      )}
    >
      <p className="min-w-0 flex-1 max-md:basis-full max-md:pr-12">{text}</p>
      {ways?.map(([label, act]) => (
        <Button key={label} onClick={() => void act(session)}>
          {label}
        </Button>
      ))}
    </div>
  )
}
