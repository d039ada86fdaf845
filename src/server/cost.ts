import { kindOf } from '@/audio/decodeSound'
import type { Asking } from './protocol'

/** What a request costs, by its size alone, in milliseconds of one core: judged from `npm run bench`, on the dear side. */
export function costMs({ what, bytes }: Pick<Asking, 'what' | 'bytes'>): number {
  if (what === 'measure') return measuringCostMs(bytes)
  if (what === 'pair') return PAIR_MS
  const asked = parsed(bytes)
  // What cannot be read is refused at once.
  if (asked === null) return 1
  if (what === 'even') {
    const { head, rounds } = asked as { head?: { lugs?: unknown }; rounds?: unknown }
    return EVEN_MS * countOf(head?.lugs, 24) * Math.sqrt(lengthOf(rounds))
  }
  const { drums, avoidHz } = asked as { drums?: unknown; avoidHz?: unknown }
  return lengthOf(drums) ** 2 * (PLAN_MS + AVOIDED_MS * (Array.isArray(avoidHz) ? avoidHz.length : 0))
}

/** Of a recording by how long it says that it is; of a packed one by how long such are, and never with the cheap: it may be longer. */
function measuringCostMs(bytes: Uint8Array): number {
  if (kindOf(bytes) !== 'wav' || bytes.length < WAV_HEAD)
    return Math.max(CHEAP_MS + 1, (MEASURE_MS * bytes.length) / PACKED_RATE)
  const said = new DataView(bytes.buffer, bytes.byteOffset).getUint32(WAV_RATE_AT, true)
  return MEASURE_MS * Math.max(1, bytes.length / Math.min(HIGHEST_RATE, Math.max(LOWEST_RATE, said)))
}

/** Where a WAV file usually says its bytes a second, and how far its head goes then. */
const WAV_RATE_AT = 28
const WAV_HEAD = 44
/** Bytes a second: of one channel of 8 bits, of two at the most that is used, and of two that are packed. */
const LOWEST_RATE = 8000
const HIGHEST_RATE = 192_000 * 2 * 4
const PACKED_RATE = 180_000

const PAIR_MS = 30
const EVEN_MS = 10
const PLAN_MS = 6
const AVOIDED_MS = 8
/** For a second of sound. */
const MEASURE_MS = 60

const lengthOf = (list: unknown) => (Array.isArray(list) ? Math.max(1, list.length) : 1)
const countOf = (count: unknown, most: number) =>
  typeof count === 'number' && count > 0 ? Math.min(count, most) : 1

function parsed(bytes: Uint8Array): object | null {
  try {
    const asked: unknown = JSON.parse(new TextDecoder().decode(bytes))
    return typeof asked === 'object' ? asked : null
  } catch {
    return null
  }
}

/** Requests that cost no more than this have a queue and threads of their own, so that none of them waits for a dear one. */
export const CHEAP_MS = 250

/** A lane of threads, and what is waiting or being worked out in it. */
export class Lane {
  #owedMs = 0

  constructor(
    readonly threads: number,
    readonly deadlineMs: number,
  ) {}

  /** Why a request of this cost is not begun: it alone is too much, or what waits before it is; null where it may be. */
  refuses(ms: number): 'late' | 'busy' | null {
    if (ms > this.deadlineMs) return 'late'
    return this.#owedMs > 0 && (this.#owedMs + ms) / this.threads > this.deadlineMs ? 'busy' : null
  }

  /** Runs a task that was not refused. */
  async run<Result>(ms: number, task: () => Promise<Result>): Promise<Result> {
    this.#owedMs += ms
    try {
      return await task()
    } finally {
      this.#owedMs -= ms
    }
  }
}
