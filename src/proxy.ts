import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { once } from './core/numeric/once'
import { NextResponse, type NextRequest } from 'next/server'

interface PolicyFile {
  scripts: Record<string, string[]>
  styles: string[]
}

/** Hashes of the inline scripts of every page, made after the build by scripts/csp-hashes.mjs. */
const policyFile = once((): PolicyFile | null => {
  try {
    return JSON.parse(readFileSync(join(process.cwd(), '.next', 'csp.json'), 'utf8')) as PolicyFile
  } catch {
    return null
  }
})

function policyFor(path: string): string {
  const development = process.env.NODE_ENV === 'development'
  const file = policyFile()
  const hashes = development ? [] : (file?.scripts[path] ?? file?.scripts['/_not-found'] ?? [])
  const scripts = development ? ["'unsafe-inline'", "'unsafe-eval'"] : hashes
  const styles = development ? ["'unsafe-inline'"] : (file?.styles ?? [])
  return [
    "default-src 'none'",
    `script-src 'self' ${scripts.join(' ')}`,
    // Radix and prerendered HTML set style attributes; style elements only with a known hash.
    `style-src-elem 'self' ${styles.join(' ')}${development ? '' : ` 'nonce-${process.env.STYLE_NONCE}'`}`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "media-src 'self' blob:",
    "manifest-src 'self'",
    "base-uri 'none'",
    "form-action 'none'",
    "frame-ancestors 'none'",
  ].join('; ')
}

export function proxy(request: NextRequest) {
  const response = NextResponse.next()
  response.headers.set('Content-Security-Policy', policyFor(request.nextUrl.pathname))
  return response
}

export const config = {
  matcher: ['/((?!_next/|worklet/|demo/|api/|icons/|icon.svg|sw.js|manifest.webmanifest).*)'],
}
