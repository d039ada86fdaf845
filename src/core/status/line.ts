import { AREA_IDS, AREAS } from '../fitting/lookOver'
import { drumLog } from '../log/fold'
import { lookedAt, openFindings, openSearch, type NotedFinding } from '../log/findings'
import type { LayerId } from '../pair/layers'
import { sidesOf } from '../records/plain'
import type { Drum, Side } from '../records/kit'
import { centsBetween } from '../units/pitch'
import { drumStatus } from './drum'
import type { HeadStatus } from './head'
import type { Here } from './inputs'
import { nextOfHead, openAim, type HeadNext, type OpenAim } from './next'
import { ringsBy, wiresOf } from './strokes'

/** How far a drum's job has come, from the log alone: what its line shows, and what is named next. */
export interface DrumJob {
  drum: Drum
  findings: readonly NotedFinding[]
  /** Parts looked at, of so many, and when the last was. */
  looked: { count: number; of: number; at: string | null }
  fitted: Record<Side, string | null>
  heads: Record<Side, HeadStatus>
  /** What each head wants next; null for nothing. */
  next: Record<Side, HeadNext | null>
  /** For a side: the other head's aim that was made together with this one's, while this head is not there. */
  aims: Record<Side, OpenAim | null>
  /** Cents of the resonant head above the batter; null while one was never read. */
  aboveCents: number | null
  /** Both heads have an aim of their own, a pitch or the sheet's. */
  paired: boolean
  centreHz: number | null
  /** Ring of the newest stroke since a head was last moved. */
  ringSeconds: number | null
  layers: readonly LayerId[] | null
  wires: { knob: number; unit: 'clicks' | 'turns' } | null
  /** Part of the held ring that the best place on the stand keeps; null while one of both is missing. */
  standKeeps: number | null
  struckHung: boolean
  /** The sheet that the kit is held against has both heads where they stand. */
  kept: 'no-sheet' | 'not-kept' | 'as-kept' | 'differs'
  searching: boolean
}

export function drumJob(here: Here, drum: Drum, side: Side): DrumJob {
  const { kit, practice } = here
  const findings = openFindings(kit, drum.id, practice)
  const areas = AREA_IDS.filter((id) => drum.kind === 'snare' || !AREAS[id].snareOnly)
  const seen = lookedAt(kit, drum.id, side, practice)
  const { heads, pair } = drumStatus(here, drum)
  const [b, r] = [heads.batter.pitch.hz, drum.oneHeaded ? null : heads.resonant.pitch.hz]
  const { strokes } = pair
  const last = pair.centreHz === null ? undefined : strokes.at(-1)
  // Bare strokes only: a pad would be taken for the stand.
  const rings = ringsBy(strokes, ({ hung, layers }) =>
    hung === undefined || layers.length > 0 ? null : (hung ?? ''),
  )
  const held = rings.find(({ name }) => name === '')?.ring
  const hung = rings.filter(({ name }) => name !== '').map(({ ring }) => ring)
  const wires = wiresOf(kit, drum, practice)
  const both = <Value>(of: (head: HeadStatus) => Value) => ({
    batter: of(heads.batter),
    resonant: of(heads.resonant),
  })
  return {
    ...{ drum, findings, heads },
    looked: {
      ...{ count: seen.size, of: areas.length },
      at: [...seen.values()].sort().at(-1) ?? null,
    },
    fitted: both(fittedDay),
    next: both(nextOfHead),
    aims: { batter: openAim(heads.resonant, heads.batter), resonant: openAim(heads.batter, heads.resonant) },
    aboveCents: b !== null && r !== null ? centsBetween(b, r) : null,
    paired: sidesOf(drum).every((each) => heads[each].aim.kind !== 'level'),
    centreHz: last?.hz ?? null,
    ringSeconds: last?.decaySeconds ?? null,
    layers: drumLog(kit, drum.id, practice).layers,
    wires: wires && { knob: wires.knob, unit: wires.unit },
    standKeeps: held !== undefined && hung.length > 0 ? Math.max(...hung) / held : null,
    struckHung: hung.length > 0,
    kept: keptAs(here, drum, heads),
    searching: openSearch(kit, drum.id, side, practice) !== null,
  }
}

function fittedDay({ fittedAt, drum, side }: HeadStatus): string | null {
  const { fittedOn } = drum[side]
  return fittedAt ?? (fittedOn ? `${fittedOn}T12:00:00.000Z` : null)
}

/** A sheet speaks of a head as it stands when it is within this of what was kept. */
const AS_KEPT_CENTS = 3

export const asKept = (keptHz: number | undefined, hz: number): boolean =>
  keptHz !== undefined && Math.abs(centsBetween(keptHz, hz)) <= AS_KEPT_CENTS

function keptAs({ kit }: Here, drum: Drum, heads: DrumJob['heads']): DrumJob['kept'] {
  const sheet = kit.sheets.find(({ id }) => id === kit.sheet)
  if (!sheet) return 'no-sheet'
  const says = sheet.versions.at(-1)?.drums.get(drum.id)
  const sides = sidesOf(drum).filter((side) => says?.[side] ?? says?.hand?.[side])
  if (!says || sides.length === 0) return 'not-kept'
  const off = sides.some((side) => {
    const { pitch, asHand } = heads[side]
    const [hz, kept] = [pitch.hz, says[side]]
    return kept ? hz !== null && !asKept(kept.meanHz, hz) : asHand === false
  })
  const missing = sidesOf(drum).some((side) => {
    const { pitch, hand } = heads[side]
    return !says[side] && (pitch.hz !== null || (hand !== null && !says.hand?.[side]))
  })
  return off || missing ? 'differs' : 'as-kept'
}
