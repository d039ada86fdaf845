import type { NextConfig } from 'next'

/** A worker takes its policy from its own response. */
const WORKER_POLICY = "default-src 'none'; script-src 'self'; connect-src 'self'"

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  async headers() {
    const worker = [{ key: 'Content-Security-Policy', value: WORKER_POLICY }]
    return [
      { source: '/_next/static/:path*', headers: worker },
      { source: '/worklet/:path*', headers: worker },
    ]
  },
}

export default config
