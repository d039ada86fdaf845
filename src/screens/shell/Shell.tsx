'use client'

import { setNonce } from 'get-nonce'
import { ThemeProvider } from 'next-themes'
import type { ReactNode } from 'react'
import { SessionProvider } from '@/session/react'
import { CommandProvider } from './CommandProvider'
import { Nav } from './Nav'
import { Notices } from './Notices'
import { StorageBanner } from './StorageBanner'

// Radix's modal layers lock the scroll with a style element that the content policy must know.
setNonce(process.env.STYLE_NONCE ?? '')

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
              <StorageBanner />
              {children}
            </main>
          </div>
          <Notices />
        </CommandProvider>
      </SessionProvider>
    </ThemeProvider>
  )
}
