import type { Practised } from '@/core/records/drill'
import type { Session } from '../session'

/** Reads what was practised so far; a second call reads again what another tab may have added. */
export async function openPractised(session: Session): Promise<void> {
  const stored =
    (await session
      .stores()
      ?.drills.readAll()
      .catch(() => null)) ?? []
  const known = session.get().drills ?? []
  const ids = new Set(stored.map(({ id }) => id))
  session.set({ drills: [...stored, ...known.filter(({ id }) => !ids.has(id))] })
}

/** All that was practised, for a backup. */
export async function allPractised(session: Session): Promise<Practised[]> {
  await openPractised(session)
  return [...(session.get().drills ?? [])]
}

/**
 * Keeps what was practised: written first, then shown as kept. A disk that refuses it is said once, and it stays on screen.
 * @returns whether it is in the database
 */
export async function keepPractised(session: Session, records: readonly Practised[]): Promise<boolean> {
  const written = await write(session, records)
  const ids = new Set(records.map(({ id }) => id))
  session.set({ drills: [...(session.get().drills ?? []).filter(({ id }) => !ids.has(id)), ...records] })
  return written
}

async function write(session: Session, records: readonly Practised[]): Promise<boolean> {
  try {
    const stores = session.stores()
    if (!stores) return false
    await stores.drills.write(records)
    return true
  } catch (error) {
    const full = error instanceof DOMException && error.name === 'QuotaExceededError'
    session.notify(
      `This run could not be kept: ${full ? 'the disk is full' : 'the browser refused it'}. It stays here until the page is closed.`,
      { tone: 'caution' },
    )
    return false
  }
}

/** Brings in what a backup holds; @returns how many runs were new. */
export async function takePractised(session: Session, records: readonly Practised[]): Promise<number> {
  const known = new Set((await allPractised(session)).map(({ id }) => id))
  const fresh = records.filter(({ id }) => !known.has(id))
  if (fresh.length) await keepPractised(session, fresh)
  return fresh.length
}
