import { handText } from './hand'
import type { Sheet } from '@/core/log/sheets'
import Papa from 'papaparse'
import type { KitState } from '@/core/log/fold'
import { liveEvents } from '@/core/log/order'
import type { HumbraEvent } from '@/core/records/event'
import { headKey } from '@/core/log/headKey'
import type { Run } from '@/core/log/runs'
import { SIDES } from '@/core/records/plain'
import type { PastSitting } from '@/core/log/history'
import type { Drum, Side, Target } from '@/core/records/kit'
import { actText } from './acts'
import { whoText } from './logbook'
import { centsBetween, nearestNote } from '@/core/units/pitch'
import { DAY_MS } from '@/core/units/time'

/** Tells a spreadsheet that what follows is UTF-8. */
const MARK = '\uFEFF'
/** What a spreadsheet would work out: not so a number below nothing, or a row of numbers. */
const FORMULA = /^(?!-\d+(\.\d+)?( -?\d+(\.\d+)?)*$)[=+\-@\t\r].*$/s

/** Rows as a table: lines end as RFC 4180 has them, a word that begins like a formula is text, whatever a spreadsheet makes of it. */
const table = (rows: object[]) => MARK + Papa.unparse(rows, { newline: '\r\n', escapeFormulae: FORMULA })

/** Who did it and on which device, as far as it says. */
const whose = ({ by = '', device = '' }: HumbraEvent) => ({ person: by, device })

const hz = (value: number | null) => (value === null ? '' : value.toFixed(2))

/** Targets of sheets, a row a head. */
export function targetsCsv(kit: KitState, sheets: readonly Sheet[], a4Hz: number): string {
  return table(sheets.flatMap((sheet) => targetRows(kit, sheet, a4Hz)))
}

function targetRows(kit: KitState, sheet: Sheet, a4Hz: number): object[] {
  const version = sheet.versions.at(-1)
  return kit.drums.flatMap((drum) =>
    SIDES.flatMap((side) => {
      const own = version?.drums.get(drum.id)
      const target = own?.[side]
      const hand = own?.hand?.[side]
      if (!own || (!target && !hand)) return []
      const note = target && nearestNote(target.meanHz, a4Hz)
      return [
        {
          sheet: sheet.name,
          drum: drum.name,
          head: side,
          hz: hz(target?.meanHz ?? null),
          note: note?.name ?? '',
          cents: note?.cents.toFixed(1) ?? '',
          tolerance_cents: target?.toleranceCents.toFixed(1) ?? '',
          by_hand: hand ? handText(hand) : '',
          centre_hz: hz(own.centreHz),
          ring_s: own.ringSeconds?.toFixed(2) ?? '',
          offset_turns: target?.offsetTurns?.map((turns) => turns.toFixed(3)).join(' ') ?? '',
          muffling: own.layers.join(' '),
          wires: own.wires ? `${own.wires.knob} ${own.wires.unit}` : '',
          film_mils: own.heads[side].pliesMils.join('+'),
          fitted_on: own.heads[side].fittedOn ?? '',
        },
      ]
    }),
  )
}

/** Every reading of the kit's log that counts, oldest first. */
export function readingsCsv(kit: KitState, log: readonly HumbraEvent[]): string {
  const names = new Map(kit.drums.map(({ id, name }) => [id, name]))
  const rows = liveEvents(log)
    .filter((event) => event.kind === 'readingTaken' || event.kind === 'centreRead')
    .map((event) => ({
      at: event.at,
      drum: names.get(event.drum) ?? event.drum,
      head: event.side,
      what: event.kind === 'centreRead' ? 'centre' : `lug ${event.lug}`,
      hz: hz(event.hz),
      error_hz: event.standardErrorHz.toFixed(3),
      other_head: event.kind === 'readingTaken' ? event.otherHead : 'free',
      source: event.source,
      ...whose(event),
    }))
  return table(rows)
}

/** Everything that was done and counts, oldest first, each in words. */
export function logCsv(kit: KitState, log: readonly HumbraEvent[]): string {
  const names = new Map(kit.drums.map(({ id, name }) => [id, name]))
  const rows = liveEvents(log).map((event) => ({
    at: event.at,
    kind: event.kind,
    drum: 'drum' in event && event.drum !== null ? (names.get(event.drum) ?? event.drum) : '',
    head: 'side' in event ? (event.side ?? '') : '',
    what: actText([event], kit),
    words: 'words' in event ? event.words : '',
    turns: event.kind === 'rodsTurned' ? event.turns.map((turns) => turns.toFixed(4)).join(' ') : '',
    source: event.source,
    ...whose(event),
    id: event.id,
  }))
  return table(rows)
}

/** A retune run, a row a head: before, after, what was left and why. */
export function runCsv(run: Run, drums: readonly Drum[]): string {
  const names = new Map(drums.map(({ id, name }) => [id, name]))
  const rows = run.before.map((before) => {
    const after = run.after.find(({ drum, side }) => drum === before.drum && side === before.side)
    const left = run.left.get(headKey(before.drum, before.side))
    const cents = (value: number | null | undefined) =>
      value === null || value === undefined ? '' : value.toFixed(1)
    return {
      started: run.startedAt,
      ended: run.endedAt ?? '',
      drum: names.get(before.drum) ?? before.drum,
      head: before.side,
      before_hz: hz(before.meanHz),
      before_off_cents: cents(before.offCents),
      before_spread_cents: cents(before.spreadCents),
      before_read: before.known ? 'yes' : 'no',
      after_hz: hz(after?.meanHz ?? null),
      after_off_cents: cents(after?.offCents),
      after_spread_cents: cents(after?.spreadCents),
      after_read: after?.known ? 'yes' : 'no',
      left: left ? (left.why ?? 'left') : '',
    }
  })
  return table(rows)
}

/** What the lanes show, a row a sitting of a head, and rows of what was played, noted and measured of the air. */
export function logbookCsv(kit: KitState, lanes: readonly ShownLane[]): string {
  const sittings = lanes.flatMap(({ drum, side, target, history }) =>
    history.map(({ from, found, left, turns, presses, by, who }) => ({
      ...{ at: from, what: 'sitting', drum: drum.name, head: side },
      ...{ found_hz: hz(found?.hz ?? null), left_hz: hz(left?.hz ?? null) },
      off_cents: target && (left ?? found) ? centsBetween(target.meanHz, (left ?? found)!.hz).toFixed(1) : '',
      turns: turns?.map((turn) => turn.toFixed(4)).join(' ') ?? '',
      ...{
        presses: String(presses),
        minutes: '',
        room: '',
        celsius: '',
        humidity_percent: '',
        words: '',
        by: by ?? '',
        person: whoText(who, null),
      },
    })),
  )
  const none = { drum: '', head: '', found_hz: '', left_hz: '', off_cents: '', turns: '', presses: '' }
  const played = kit.diary.occasions.map(({ on, what, minutes, room, words, cancelled, source }) => ({
    ...{ at: on, what: cancelled ? `${what}, called off` : what, ...none },
    ...{
      minutes: minutes === null ? '' : String(minutes),
      room: room ?? '',
      celsius: '',
      humidity_percent: '',
    },
    ...{ words, by: source, person: '' },
  }))
  const names = new Map(kit.drums.map(({ id, name }) => [id, name]))
  const notes = kit.diary.notes.map(({ on, drum, words }) => ({
    ...{
      at: on,
      what: 'note',
      ...none,
      drum: drum === null ? '' : (names.get(drum) ?? drum),
      minutes: '',
      room: '',
    },
    ...{ celsius: '', humidity_percent: '', words, by: 'hand', person: '' },
  }))
  const mean = ({ sum, count }: { sum: number; count: number }) => (count ? (sum / count).toFixed(1) : '')
  const air = [...kit.diary.air].map(([day, { celsius, humidity }]) => ({
    ...{ at: new Date((day + 0.5) * DAY_MS).toISOString(), what: 'air', ...none, minutes: '', room: '' },
    ...{ celsius: mean(celsius), humidity_percent: mean(humidity), words: '', by: 'hand', person: '' },
  }))
  const rows = [...sittings, ...played, ...notes, ...air].sort((a, b) => a.at.localeCompare(b.at))
  return table(rows)
}

interface ShownLane {
  drum: Drum
  side: Side
  target: Target | null
  history: readonly PastSitting[]
}
