'use client'

import { setNonce } from 'get-nonce'
import { ThemeProvider } from 'next-themes'
import { Fragment, type ReactNode, lazy, Suspense } from 'react'
import { SessionProvider, useSelect } from '@/session/react'
import { WithBeside } from '../handbook/WithBeside'
import { Banner } from './Banner'
import { CommandProvider } from './CommandProvider'
import { DemoTag } from './DemoTag'
import { Nav } from './Nav'

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
              <Banner />
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
