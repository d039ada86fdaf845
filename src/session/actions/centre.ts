import { typedCents } from './said'
import { drumStatus } from '@/core/status/drum'
import { MEASUREMENT_VERSION } from '@/core/measurement/version'
import type { MeasureOptions, Tap } from '@/core/measurement/types'
import { learnPair, predictCentre } from '@/core/pair/learn'
import type { Source } from '@/core/records/event'
import { encodeWav } from '@/core/sound/wav'
import { centsErrorToHz } from '@/core/units/pitch'
import type { BenchView } from '../benchView'
import type { Session } from '../session'
import type { HeardTap } from '../state'

/** How far a drum's own centre may lie from what its sizes say, in cents, for the ear. */
const EXPECT_CENTS = 200
/** A centre pitch without an error of its own is worth this. */
const USUAL_ERROR_CENTS = 3
/** So many tones of a stroke are kept, loudest first. */
const MODES_KEPT = 12
const UNREAD = 'That stroke could not be read. Strike the centre again and let it ring.'

/** What is known of the centre pitch before a stroke is measured. */
export function centreExpectation({ here, drum }: BenchView): MeasureOptions {
  const { drum: own, batterHz, resonantHz, seen } = drumStatus(here, drum).pair
  const size: MeasureOptions = { diameterInches: drum.diameterInches, side: 'batter', tap: 'centre' }
  if (batterHz === null || (own.resonant && resonantHz === null)) return size
  const { hz } = predictCentre(own, { batterHz, resonantHz }, learnPair(own, seen))
  return { ...size, expectHz: hz, expectCents: EXPECT_CENTS }
}

/** A stroke on the centre, as it was measured; one that cannot be read changes nothing and says why. */
export function takeCentre(
  session: Session,
  { drum }: BenchView,
  tap: Tap,
  source: Source,
  sound: HeardTap['sound'] = null,
): boolean {
  const { bench, settings } = session.get()
  if (tap.hz === null) {
    session.set({ bench: { ...bench, centreWhy: tap.why ?? UNREAD } })
    return false
  }
  const [event] = session.append([
    {
      ...{ kind: 'centreRead', drum: drum.id, side: 'batter', source, algorithm: MEASUREMENT_VERSION },
      hz: tap.hz,
      standardErrorHz: tap.standardErrorHz ?? centsErrorToHz(tap.hz, USUAL_ERROR_CENTS),
      decaySeconds: tap.poles[0]?.decaySeconds ?? null,
      glideCents: tap.glideCents ?? null,
      ...(tap.ringSeconds ? { ringSeconds: tap.ringSeconds } : {}),
      modes: (tap.modes ?? []).slice(0, MODES_KEPT),
      ...(bench.hung === undefined ? {} : { hung: bench.hung }),
    },
  ])
  if (sound && settings.keepTakes) {
    const wav = encodeWav(sound.samples, sound.rateHz)
    void session.keepTakes([{ reading: event.id, kit: event.kit, wav }])
  }
  session.set({ bench: { ...session.get().bench, strike: 'lug', centreWhy: null } })
  return true
}

/** A centre pitch by the user's own number. */
export function typeCentre(session: Session, { drum }: BenchView, hz: number): void {
  const standardErrorHz = centsErrorToHz(hz, typedCents(hz))
  session.append([
    {
      ...{ kind: 'centreRead', drum: drum.id, side: 'batter', source: 'typed', algorithm: null },
      ...{ hz, standardErrorHz, decaySeconds: null },
    },
  ])
}
