'use client'

import { setNonce } from 'get-nonce'
import { ThemeProvider } from 'next-themes'
import { Fragment, type ReactNode, lazy, Suspense } from 'react'
import { SessionProvider, useSelect, useSession } from '@/session/react'
import { WithBeside } from '../handbook/WithBeside'
import { CommandProvider } from './CommandProvider'
import { DemoTag } from './DemoTag'
import { Nav } from './Nav'
import { clsx } from 'clsx'
import { takeNewVersion } from '@/session/offline'
import type { SessionState } from '@/session/state'
import { actText } from '@/text/acts'
import { Button } from '@/ui/Button'

// Radix's modal layers lock the scroll with a style element that the content policy must know.
setNonce(process.env.STYLE_NONCE ?? '')

/** Draws the place anew where numbers, notes or lengths are to be written otherwise: they are told to no sentence one by one. */
function AsShown({ children }: { children: ReactNode }) {
  const shown = useSelect(({ settings }) => `${settings.decimal} ${settings.noteNames} ${settings.lengths}`)
  return <Fragment key={shown}>{children}</Fragment>
}

/** The frame around every place: providers, the list of places, notices. */
export function Shell({ children }: { children: ReactNode }) {
  return (
    <ThemeProvider
      attribute="data-theme"
      themes={['light', 'dark']}
      value={{ light: 'workshop', dark: 'stage' }}
      defaultTheme="system"
      enableSystem
      enableColorScheme={false}
    >
      <SessionProvider>
        <CommandProvider>
          <a
            href="#place"
            className="sr-only focus:not-sr-only focus:fixed focus:top-2 focus:left-2 focus:z-50 focus:bg-tape focus:p-3"
          >
            Skip to the place
          </a>
          <div className="min-h-dvh md:grid md:grid-cols-[132px_minmax(0,1fr)] print:block print:min-h-0">
            <Nav />
            <main id="place" className="min-w-0">
              <DemoTag className="flex items-center gap-2 border-b border-line px-5 md:hidden" />
              <StorageBanner />
              <WithBeside>
                <AsShown>{children}</AsShown>
              </WithBeside>
            </main>
          </div>
          <Notices />
        </CommandProvider>
      </SessionProvider>
    </ThemeProvider>
  )
}

const Toasts = lazy(() => import('./Toasts'))

/** What the session has to say; what shows it is loaded with the first thing said. */
function Notices() {
  const said = useSelect((state) => state.notice !== null)
  if (!said) return null
  return (
    <Suspense>
      <Toasts />
    </Suspense>
  )
}

const TROUBLE: Record<NonNullable<SessionState['trouble']>, (unsaved: number) => string> = {
  full: (unsaved) =>
    `The disk is full: ${changes(unsaved)} could not be kept. Nothing is lost while this page is open. Make room and try again, or export the kit now.`,
  closed: (unsaved) =>
    `The browser closed this page’s database: ${changes(unsaved)} could not be kept. Nothing is lost while this page is open. Try again, or export the kit now.`,
  newer: () =>
    'A newer Humbra was opened in another tab. Reload this page to go on: what was done here comes along.',
  blocked: () =>
    'Humbra was updated and another tab of it is still open in its old form. Close that tab: this page then goes on by itself.',
}

const changes = (count: number) => (count === 1 ? 'the last change' : `the last ${count} changes`)

const LOST = {
  ear: 'The part of Humbra that hears stopped and did not come back. Nothing is lost. Try again, reload the page, or type numbers meanwhile.',
  adviser:
    'The part of Humbra that works out the next move stopped and did not come back. Nothing is lost. Try again, or reload the page.',
}

const HELD = {
  unread:
    'Another tab of Humbra holds the log and does not answer. Close that tab, read here meanwhile, or take over here: what it had shown as kept is kept.',
  unkept:
    'Another tab of Humbra still holds the log: what you do here is kept once that tab lets go. Close it, or take over here.',
}

const NEW_VERSION = 'A newer Humbra is on this device. It takes over when you say so, in all tabs.'

/** Says plainly when something is not kept, why, and what to do about it. */
function StorageBanner() {
  const session = useSession()
  const { phase, trouble, unsaved, unreadable, aside, kits, lostWorkers, newVersion, held } = useSelect(
    (state) => ({
      held: state.held,
      ...{ phase: state.phase, trouble: state.trouble, unsaved: state.unsaved, unreadable: state.unreadable },
      ...{ aside: state.aside, kits: state.kits, lostWorkers: state.lostWorkers },
      newVersion: state.newVersion,
    }),
  )
  if (!session) return null
  const refused = aside[0]
  const text =
    phase === 'no-storage'
      ? 'This browser keeps nothing for this page (a private window, or storage switched off). What you do here is lost when it closes: export the kit before.'
      : held
        ? HELD[held]
        : trouble
          ? TROUBLE[trouble](unsaved)
          : refused
            ? `One act was set aside, the others are kept: ${actText(refused.events, kits.find(({ id }) => id === refused.events[0]?.kit) ?? null)}. The database refused it: ${refused.why}.`
            : lostWorkers.size > 0
              ? LOST[lostWorkers.has('ear') ? 'ear' : 'adviser']
              : newVersion
                ? NEW_VERSION
                : unreadable > 0
                  ? `${unreadable} entries of the log were written by another version and are left aside, unchanged. Update Humbra to see them.`
                  : null
  if (!text) return null
  const unkept = trouble === 'full' || trouble === 'closed'
  return (
    <div
      role="status"
      className={clsx(
        'flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line px-6 py-3',
        text !== NEW_VERSION && 'text-caution',
      )}
    >
      <p className="min-w-0 flex-1 max-md:basis-full max-md:pr-12">{text}</p>
      {held === 'unread' ? <Button onClick={() => session.readAnyway()}>Read here</Button> : null}
      {held ? <Button onClick={() => void session.takeOver()}>Take over</Button> : null}
      {unkept ? <Button onClick={() => void session.retrySave()}>Try again</Button> : null}
      {trouble === 'newer' ? <Button onClick={() => window.location.reload()}>Reload</Button> : null}
      {phase === 'no-storage' || unkept ? (
        <Button
          onClick={() => void import('@/session/actions/files').then(({ exportKit }) => exportKit(session))}
        >
          Export the kit
        </Button>
      ) : null}
      {!trouble && !refused && lostWorkers.size > 0 ? (
        <>
          <Button onClick={() => session.askAgain()}>Try again</Button>
          <Button onClick={() => window.location.reload()}>Reload</Button>
        </>
      ) : null}
      {text === NEW_VERSION ? <Button onClick={() => void takeNewVersion()}>Use it now</Button> : null}
      {!trouble && refused ? <Button onClick={() => session.letGo(refused.name)}>Let it go</Button> : null}
    </div>
  )
}
