import { randomBytes } from 'node:crypto'
import createMdx from '@next/mdx'
import type { NextConfig } from 'next'

/** A worker takes its policy from its own response. */
const WORKER_POLICY = "default-src 'none'; script-src 'self'; connect-src 'self'"

/** What is no page runs nothing and is framed nowhere. */
const NO_PAGE_POLICY = "default-src 'none'; frame-ancestors 'none'"
const NO_PAGES = ['/api/:path*', '/demo/:path*', '/icon.svg', '/icons/:path*', '/manifest.webmanifest']
const EVERYWHERE = [
  { key: 'X-Content-Type-Options', value: 'nosniff' },
  { key: 'X-Frame-Options', value: 'DENY' },
  { key: 'Referrer-Policy', value: 'no-referrer' },
  { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
  { key: 'Cross-Origin-Resource-Policy', value: 'same-origin' },
  { key: 'Permissions-Policy', value: 'microphone=(self), camera=(self), geolocation=()' },
]

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  // `make test` checks types beside the build, once.
  typescript: { ignoreBuildErrors: process.env.HUMBRA_TYPES === 'checked beside' },
  devIndicators: false,
  // It starts threads of its own from a file: not to be bundled.
  serverExternalPackages: ['piscina'],
  // For the one style element whose text depends on the scrollbar's width; docs/decisions/content-policy.md.
  env: { STYLE_NONCE: randomBytes(12).toString('base64') },
  async headers() {
    const worker = [{ key: 'Content-Security-Policy', value: WORKER_POLICY }]
    const nothing = [{ key: 'Content-Security-Policy', value: NO_PAGE_POLICY }]
    return [
      { source: '/:path*', headers: EVERYWHERE },
      ...NO_PAGES.map((source) => ({ source, headers: nothing })),
      { source: '/_next/static/:path*', headers: worker },
      { source: '/worklet/:path*', headers: worker },
      { source: '/sw.js', headers: [...worker, { key: 'Cache-Control', value: 'no-cache' }] },
    ]
  },
}

export default createMdx()(config)
