import { CENTS_PER_NEPER } from '../units/pitch'
import type { EvenHead, Round } from './types'
import { mutedHz } from './otherHead'

/** One lug's reading as the estimate takes it in: a squared pitch with its variance. */
export interface LugReading {
  /** 0-based. */
  lug: number
  hz: number
  errorHz: number
  /** The two poles of the pair, lower first, where both were heard; their levels in dB against each other. */
  poles?: [{ hz: number; levelDb: number }, { hz: number; levelDb: number }]
  /** True where the sound was looked through for poles and one was found; a bare number says nothing of that. */
  alone: boolean
  /** It was taken again and came out alike: no slip. */
  confirmed?: boolean
}

const DEFAULT_READING_CENTS = 2
/** Two poles of one head lie no further apart than this, in cents; the next mode of an even head lies some 500 above. */
export const WIDEST_POLES_CENTS = 450
/** A display of whole hertz: numbers that differ by one may be alike. */
const WHOLE_HZ = 0.4
const LITTLE_CENTS = 12
/** A finger a little off the centre, a stroke a little off the lug: no reading is better than this in cents. */
const HANDLING_CENTS = 0.7

/**
 * The readings of a round, poles before bare numbers where a lug has both; those taken with the other head free are
 * carried to what they would read with it muted.
 */
export function lugReadings(head: EvenHead, round: Round, confirmed: ReadonlySet<number>): LugReading[] {
  const heard = heardReadings(round).map((reading) =>
    confirmed.has(reading.lug) ? { ...reading, confirmed: true } : reading,
  )
  if (round.otherHead !== 'free' || heard.length === 0) return heard
  // The shift is that of the head as a whole: one factor for all lugs, from their middle.
  const middle = heard.reduce((sum, reading) => sum + reading.hz, 0) / heard.length
  const factor = mutedHz(head, middle) / middle
  return heard.map(({ poles, ...reading }) => ({
    ...reading,
    hz: reading.hz * factor,
    ...(poles
      ? { poles: poles.map((pole) => ({ ...pole, hz: pole.hz * factor })) as LugReading['poles'] }
      : {}),
  }))
}

function heardReadings(round: Round): LugReading[] {
  const withPoles = (round.readings ?? []).map(({ lug, modes }): LugReading => {
    const loudest = modes.reduce((a, b) => (b.levelDb > a.levelDb ? b : a))
    const pair = modes.filter(
      (mode) => Math.abs(CENTS_PER_NEPER * Math.log(mode.hz / loudest.hz)) < WIDEST_POLES_CENTS,
    )
    let weight = 0
    let sum = 0
    let variance = 0
    for (const mode of pair) {
      const w = 10 ** (mode.levelDb / 20)
      weight += w
      sum += w * mode.hz
      variance += (w * mode.standardErrorHz) ** 2
    }
    const hz = sum / weight
    const [a, b] = [...pair]
      .sort((x, y) => y.levelDb - x.levelDb)
      .slice(0, 2)
      .sort((x, y) => x.hz - y.hz)
    return {
      lug: lug - 1,
      hz,
      errorHz: Math.hypot(Math.sqrt(variance) / weight, (hz * HANDLING_CENTS) / CENTS_PER_NEPER),
      ...(b ? { poles: [a, b] as LugReading['poles'] } : {}),
      alone: pair.length === 1,
    }
  })
  const known = new Set(withPoles.map((reading) => reading.lug))
  const numbers = (round.readingsHz ?? []).filter((hz): hz is number => hz !== null)
  const whole = numbers.length > 2 && numbers.every(Number.isInteger)
  const mean = numbers.reduce((sum, hz) => sum + hz, 0) / Math.max(1, numbers.length)
  // Where one hertz is little, whole numbers that differ by one alone do not tell which lug is the higher one.
  const alike =
    whole && Math.max(...numbers) - Math.min(...numbers) <= 1 && CENTS_PER_NEPER / mean <= LITTLE_CENTS
  const bare = (round.readingsHz ?? []).flatMap((hz, lug): LugReading[] => {
    if (hz === null || known.has(lug)) return []
    const own = round.readingErrorsCents?.[lug] ?? round.readingErrorCents ?? DEFAULT_READING_CENTS
    const cents = Math.hypot(own, HANDLING_CENTS, whole ? (CENTS_PER_NEPER * WHOLE_HZ) / hz : 0)
    return [{ lug, hz: alike ? mean : hz, errorHz: (hz * cents) / CENTS_PER_NEPER, alone: false }]
  })
  return [...withPoles, ...bare]
}

/** A microphone that stood still heard other lugs from afar; of a number without a sound nobody knows how it was made. */
export const stoodStill = ({ mic, readings }: Round): boolean =>
  mic === 'standing' && Boolean(readings?.length)

/** A repeat within so many cents of its errors confirms a reading. */
const CONFIRMS_ERRORS = 3
const CONFIRMS_CENTS = 3

/**
 * Lugs (0-based) whose reading in a round came again as it was read before, with nothing turned between: such a reading is a
 * fact, whatever explains it.
 */
export function confirmedBy(rounds: readonly Round[], index: number): Set<number> {
  const found = new Set((rounds[index].confirmed ?? []).map((lug) => lug - 1))
  for (let i = index - 1; i >= 0 && rounds[i].turns?.every((turned) => turned === 0); i--) {
    rounds[i].readingsHz?.forEach((before, lug) => {
      const now = rounds[index].readingsHz?.[lug]
      if (before === null || now === null || now === undefined) return
      const errors = Math.hypot(rounds[i].readingErrorCents ?? 2, rounds[index].readingErrorCents ?? 2)
      const apart = Math.abs(1200 * Math.log2(now / before))
      if (apart <= CONFIRMS_ERRORS * errors + CONFIRMS_CENTS) found.add(lug)
    })
  }
  return found
}
