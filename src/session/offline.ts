import type { Session } from './session'

const HOUR_MS = 3600_000

/**
 * Keeps the app on the device, for use without a network, and says when a newer version waits. A version takes over in all tabs
 * at once: never are two at work on one database.
 */
export async function keepOffline(session: Session): Promise<void> {
  if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return
  const { serviceWorker } = navigator
  // The first one takes a page over that came from the server: that is the same version.
  const hadOne = serviceWorker.controller !== null
  serviceWorker.addEventListener('controllerchange', () => {
    if (hadOne) window.location.reload()
  })
  try {
    const registration = await serviceWorker.register('/sw.js')
    const look = () =>
      session.set({ newVersion: registration.waiting !== null && serviceWorker.controller !== null })
    const follow = () => registration.installing?.addEventListener('statechange', look)
    look()
    follow()
    registration.addEventListener('updatefound', follow)
    setInterval(() => void registration.update().catch(() => undefined), HOUR_MS)
  } catch {
    // Without https, or where it is forbidden: the app works while the server does.
  }
}

const QUIET_MS = 700
const MOST_WAITS = 10

/** Until this page has asked for nothing for a moment. */
async function quiet(): Promise<void> {
  const asked = () => performance.getEntriesByType('resource').length
  for (let i = 0, before = -1; i < MOST_WAITS && before !== asked(); i++) {
    before = asked()
    await new Promise((resolve) => setTimeout(resolve, QUIET_MS))
  }
}

/**
 * The version that waits takes over; all tabs reload. Not while this page still loads: Chromium was seen to leave a version
 * waiting for minutes that was told to take over while the one before it had something to answer.
 */
export async function takeNewVersion(): Promise<void> {
  await quiet()
  const registration = await navigator.serviceWorker.getRegistration()
  registration?.waiting?.postMessage('take over')
}
