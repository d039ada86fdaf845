import type { EvenRequest, EvenTarget } from '../evening/types'
import { knownOf } from '../fitting/lookOver'
import type { KitState } from '../log/fold'
import { roundsOf } from '../log/rounds'
import type { Settings } from '../records/settings'
import { estimatedHead, lastKnown, startOf, type BenchHead } from './standing'
import {
  aimOf,
  bedLugHz,
  bedOf,
  bedProfileHz,
  sheetTarget,
  solverTarget,
  toleranceOf,
  type SnareBed,
} from './targets'

/** A head that is uneven on purpose is no plain pattern any more: its pitch is not held closer than this, in cents. */
const UNEVEN_TOLERANCE_CENTS = 10

/**
 * The `even` request for the head. With `open` the turns of a pass under way count and the answer is the forecast after
 * them; without, they are left out and the answer is the pass itself.
 */
export function evenRequestFor(
  kit: KitState,
  head: BenchHead,
  otherHz: number | null,
  settings: Pick<Settings, 'keys' | 'largestStepTurns' | 'gaugeLaw' | 'gaugeError'>,
  open: boolean,
): EvenRequest {
  const { drum, side, sitting, learned } = head
  const found = knownOf(head.findings)
  const aim = aimOf(kit, drum.id, side)
  const kept = sheetTarget(kit, drum.id, side)
  const target =
    aim.kind === 'hz'
      ? { hz: aim.hz }
      : aim.kind === 'offsets' && aim.offsetTurns.length === drum.lugs
        ? { hz: aim.hz, offsetTurns: aim.offsetTurns }
        : aim.kind === 'sheet' && kept
          ? solverTarget(kept, drum.lugs)
          : aim.kind === 'bed'
            ? { profileHz: bedProfileHz(aim.hz, aim.bedCents, drum.lugs) }
            : { level: true as const }
  const bed = bedOf(drum, side)
  const around = 'hz' in aim ? aim.hz : (lastKnown(head)?.meanHz ?? kept?.meanHz ?? 150)
  return {
    head: estimatedHead(head, otherHz),
    target: bed ? overBed(head, target, bed) : target,
    toleranceCents: Math.max(
      aim.kind === 'sheet' && kept ? kept.toleranceCents : toleranceOf(drum, side, around),
      'offsetTurns' in target ? UNEVEN_TOLERANCE_CENTS : 0,
    ),
    keys: settings.keys,
    largestStepTurns: settings.largestStepTurns,
    rounds: sitting ? roundsOf(sitting, drum.lugs, open) : [{}],
    ...(sitting?.lugByLug ? { believe: 'readings' as const } : {}),
    ...(learned ? { learned } : {}),
    ...startOf(sitting?.slack ?? null),
    ...(found.deadRods ? { deadRods: found.deadRods.filter((rod) => rod <= drum.lugs) } : {}),
    ...(found.hoopOrEdge ? { hoopOrEdge: true } : {}),
    ...(settings.gaugeLaw ? { gaugeLaw: settings.gaugeLaw } : {}),
    ...(sitting?.passes.some(({ dials }) => dials.size > 0) ? { gaugeError: settings.gaugeError } : {}),
  }
}

/** A target on a head over a snare bed: even but for the bed's lugs. What is uneven on purpose has its own pattern. */
function overBed(head: BenchHead, target: EvenTarget, bed: SnareBed): EvenTarget {
  const { drum, sitting } = head
  if ('offsetTurns' in target || 'profileHz' in target) return target
  const hz = 'hz' in target ? target.hz : lastKnown(head)?.meanHz
  if (!hz) return target
  const read = sitting?.passes.findLast(({ readings }) => readings.size > 0)?.readings
  const readHz = Array.from({ length: drum.lugs }, (_, i) => read?.get(i + 1)?.hz ?? null)
  return { profileHz: bedLugHz(hz, bed, drum.lugs, readHz) }
}
