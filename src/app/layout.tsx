import type { Metadata, Viewport } from 'next'
import type { ReactNode } from 'react'
import { Shell } from '@/screens/shell/Shell'
import './globals.css'

export const metadata: Metadata = {
  title: { default: 'Humbra', template: '%s · Humbra' },
  description: 'Measure lug pitches, even a head, keep it and bring it back.',
}

export const viewport: Viewport = {
  width: 'device-width',
  initialScale: 1,
  themeColor: [
    { media: '(prefers-color-scheme: light)', color: '#d5d9d3' },
    { media: '(prefers-color-scheme: dark)', color: '#0f0c09' },
  ],
}

export default function RootLayout({ children }: { children: ReactNode }) {
  return (
    <html lang="en" suppressHydrationWarning>
      <body>
        <Shell>{children}</Shell>
      </body>
    </html>
  )
}
