import { useEffect, useState } from 'react'
import type { Session } from '@/session/session'

const EVERY_MS = 10_000

/** The time, looked at every ten seconds: a timer to doors needs no more. */
export function useNow(session: Session | null): number {
  const [now, setNow] = useState(() => session?.deps.nowMs() ?? 0)
  useEffect(() => {
    if (!session) return
    const look = () => setNow(session.deps.nowMs())
    look()
    const timer = setInterval(look, EVERY_MS)
    return () => clearInterval(timer)
  }, [session])
  return now
}
