import { randomBytes } from 'node:crypto'
import type { NextConfig } from 'next'

/** A worker takes its policy from its own response. */
const WORKER_POLICY = "default-src 'none'; script-src 'self'; connect-src 'self'"

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  // For the one style element whose text depends on the scrollbar's width; docs/decisions/content-policy.md.
  env: { STYLE_NONCE: randomBytes(12).toString('base64') },
  async headers() {
    const worker = [{ key: 'Content-Security-Policy', value: WORKER_POLICY }]
    return [
      { source: '/_next/static/:path*', headers: worker },
      { source: '/worklet/:path*', headers: worker },
    ]
  },
}

export default config
