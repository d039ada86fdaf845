/** A kit that made the app fail, and is left out until its user wants it tried again. */
export interface FailedKit {
  kit: string
  name: string
  why: string
}

/** Kept beside the database, so that it is there before any kit is looked at. */
export interface Failures {
  failed: readonly FailedKit[]
  /** The kit that was being opened when the page was last heard of, and how often in a row. */
  opening: { kit: string; name: string; times: number } | null
}

export const NO_FAILURES: Failures = { failed: [], opening: null }

export interface FailureStore {
  read(): Failures
  write(failures: Failures): void
}

/** So often in a row a kit may be opened without the page coming to rest: a crash has other reasons too. */
const MOST_OPENINGS = 2

/** What is left out by a page that begins: a kit that was opened too often without an end is a failed one. */
export function failedAtStart(store: FailureStore): readonly FailedKit[] {
  const { opening } = store.read()
  if (opening && opening.times >= MOST_OPENINGS)
    couldNotShow(store, { id: opening.kit, name: opening.name }, 'the page did not come to rest with it')
  return store.read().failed
}

/** A kit could not be shown: it is left out when the app is next begun. */
export function couldNotShow(store: FailureStore, kit: { id: string; name: string }, why: string): void {
  tryAgain(store, kit.id)
  const { failed, opening } = store.read()
  store.write({ opening, failed: [...failed, { kit: kit.id, name: kit.name, why }] })
}

/** A kit is opened as any other again. */
export function tryAgain(store: FailureStore, kit: string): void {
  const { failed, opening } = store.read()
  store.write({
    opening: opening?.kit === kit ? null : opening,
    failed: failed.filter((each) => each.kit !== kit),
  })
}

/** A page is about to draw a kit. */
export function opens(store: FailureStore, { id, name }: { id: string; name: string }): void {
  const { failed, opening } = store.read()
  const times = opening?.kit === id ? opening.times + 1 : 1
  store.write({ failed, opening: { kit: id, name, times } })
}

/** The page came to rest with the kit that it opened. */
export function atRest(store: FailureStore): void {
  store.write({ ...store.read(), opening: null })
}

const KEY = 'humbra-failed'

export function browserFailures(storage: Storage | null): FailureStore {
  return {
    read() {
      try {
        const { failed, opening } = JSON.parse(storage?.getItem(KEY) ?? 'null') as Failures
        return Array.isArray(failed) ? { failed, opening } : NO_FAILURES
      } catch {
        return NO_FAILURES
      }
    },
    write(failures) {
      try {
        if (failures.failed.length || failures.opening) storage?.setItem(KEY, JSON.stringify(failures))
        else storage?.removeItem(KEY)
      } catch {
        // Full: then a kit that fails is met again.
      }
    },
  }
}
