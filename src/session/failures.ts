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

/** So often in a row a kit may be opened without the page coming to rest: a crash has other reasons too. */
const MOST_OPENINGS = 2

/** What is known when a page begins: a kit that was opened too often without an end is a failed one. */
export function atStart({ failed, opening }: Failures): Failures {
  if (!opening || opening.times < MOST_OPENINGS) return { failed, opening }
  const { kit, name } = opening
  return withFailed({ failed, opening: null }, { kit, name, why: 'the page did not come to rest with it' })
}

export const withFailed = (failures: Failures, failed: FailedKit): Failures => ({
  ...failures,
  failed: [...failures.failed.filter(({ kit }) => kit !== failed.kit), failed],
})

export const withoutFailed = (failures: Failures, kit: string): Failures => ({
  opening: failures.opening?.kit === kit ? null : failures.opening,
  failed: failures.failed.filter((each) => each.kit !== kit),
})

export const withOpening = (failures: Failures, { kit, name }: { kit: string; name: string }): Failures => ({
  ...failures,
  opening: { kit, name, times: failures.opening?.kit === kit ? failures.opening.times + 1 : 1 },
})

const KEY = 'humbra-failed'

export interface FailureStore {
  read(): Failures
  write(failures: Failures): void
}

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
