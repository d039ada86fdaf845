import type { CauseId } from './causes'

/**
 * What people complain of, and how often each cause is behind it. Common practice, no source; the figures are judgements, open to
 * argument and kept in one place. Rows that say nothing of the newer complaints get a little of each (`besides`).
 */
export const COMPLAINTS = {
  growl: 'growls or flaps',
  choke: 'chokes, no body',
  warble: 'warbles, beats',
  short: 'short only on its mount',
  dead: 'too dead, short everywhere',
  ring: 'rings too long',
  hollow: 'hollow, bounces',
  boomy: 'boomy',
  papery: 'papery, pings',
  buzz: 'buzzes or rattles',
  wrinkles: 'wrinkles',
  uneven: 'will not come even',
  drops: 'will not hold its pitch',
  none: 'nothing: only a check',
} as const

type Row = Record<keyof typeof COMPLAINTS, number>
type OldRow = Omit<Row, keyof typeof BESIDES>
const BESIDES = { ring: 0.02, hollow: 0.01, boomy: 0.01, papery: 0.01, none: 0.01 }
const LEFT = 1 - Object.values(BESIDES).reduce((sum, p) => sum + p, 0)

/** A row of odds over the complaints that speak of rods and film, with a little for the others. */
function besides(row: OldRow): Row {
  const less = Object.fromEntries(Object.entries(row).map(([id, p]) => [id, LEFT * p])) as OldRow
  return { ...less, ...BESIDES }
}

/** A row for a cause that is heard as one thing above all. */
function mostly(most: Partial<Row>): Row {
  const ids = Object.keys(COMPLAINTS) as Array<keyof Row>
  const said = Object.values(most).reduce((sum, p) => sum + p, 0)
  const rest = (1 - said) / (ids.length - Object.keys(most).length)
  return Object.fromEntries(ids.map((id) => [id, most[id] ?? rest])) as Row
}

export const SOUND_COMPLAINTS: Row = besides({
  ...{ growl: 0.12, choke: 0.1, warble: 0.2, short: 0.08, dead: 0.12 },
  ...{ buzz: 0.1, wrinkles: 0.04, uneven: 0.14, drops: 0.1 },
})

export const GIVEN_COMPLAINTS: Partial<Record<CauseId, Row>> = {
  'out-of-tune': besides({
    ...{ growl: 0.06, choke: 0.02, warble: 0.5, short: 0.02, dead: 0.06 },
    ...{ buzz: 0.03, wrinkles: 0.06, uneven: 0.2, drops: 0.05 },
  }),
  'too-slack': besides({
    ...{ growl: 0.66, choke: 0.01, warble: 0.05, short: 0.01, dead: 0.1 },
    ...{ buzz: 0.03, wrinkles: 0.1, uneven: 0.02, drops: 0.02 },
  }),
  'too-tight': besides({
    ...{ growl: 0.01, choke: 0.84, warble: 0.03, short: 0.03, dead: 0.05 },
    ...{ buzz: 0.01, wrinkles: 0.01, uneven: 0.01, drops: 0.01 },
  }),
  'worn-head': besides({
    ...{ growl: 0.05, choke: 0.02, warble: 0.1, short: 0.03, dead: 0.55 },
    ...{ buzz: 0.02, wrinkles: 0.05, uneven: 0.12, drops: 0.06 },
  }),
  'unsettled-head': besides({
    ...{ growl: 0.03, choke: 0.01, warble: 0.07, short: 0.01, dead: 0.02 },
    ...{ buzz: 0.01, wrinkles: 0.07, uneven: 0.08, drops: 0.7 },
  }),
  'near-rods-off': besides({
    ...{ growl: 0.05, choke: 0.01, warble: 0.32, short: 0.01, dead: 0.04 },
    ...{ buzz: 0.04, wrinkles: 0.1, uneven: 0.08, drops: 0.35 },
  }),
  'stripped-rod': besides({
    ...{ growl: 0.04, choke: 0.01, warble: 0.16, short: 0.01, dead: 0.03 },
    ...{ buzz: 0.05, wrinkles: 0.15, uneven: 0.5, drops: 0.05 },
  }),
  'dirty-threads': besides({
    ...{ growl: 0.03, choke: 0.01, warble: 0.35, short: 0.01, dead: 0.03 },
    ...{ buzz: 0.03, wrinkles: 0.14, uneven: 0.35, drops: 0.05 },
  }),
  'hoop-out-of-round': besides({
    ...{ growl: 0.02, choke: 0.01, warble: 0.3, short: 0.01, dead: 0.04 },
    ...{ buzz: 0.03, wrinkles: 0.07, uneven: 0.5, drops: 0.02 },
  }),
  'damaged-edge': besides({
    ...{ growl: 0.03, choke: 0.01, warble: 0.35, short: 0.01, dead: 0.06 },
    ...{ buzz: 0.06, wrinkles: 0.14, uneven: 0.32, drops: 0.02 },
  }),
  'other-head': besides({
    ...{ growl: 0.03, choke: 0.02, warble: 0.8, short: 0.02, dead: 0.03 },
    ...{ buzz: 0.03, wrinkles: 0.01, uneven: 0.05, drops: 0.01 },
  }),
  mount: besides({
    ...{ growl: 0.01, choke: 0.02, warble: 0.02, short: 0.78, dead: 0.12 },
    ...{ buzz: 0.02, wrinkles: 0.01, uneven: 0.01, drops: 0.01 },
  }),
  'over-muffled': besides({
    ...{ growl: 0.01, choke: 0.04, warble: 0.01, short: 0.05, dead: 0.85 },
    ...{ buzz: 0.01, wrinkles: 0.01, uneven: 0.01, drops: 0.01 },
  }),
  'loose-part': besides({
    ...{ growl: 0.02, choke: 0.01, warble: 0.02, short: 0.02, dead: 0.02 },
    ...{ buzz: 0.88, wrinkles: 0.01, uneven: 0.01, drops: 0.01 },
  }),
  neighbour: besides({
    ...{ growl: 0.03, choke: 0.01, warble: 0.15, short: 0.01, dead: 0.01 },
    ...{ buzz: 0.76, wrinkles: 0.01, uneven: 0.01, drops: 0.01 },
  }),
  wires: besides({
    ...{ growl: 0.03, choke: 0.04, warble: 0.03, short: 0.02, dead: 0.05 },
    ...{ buzz: 0.8, wrinkles: 0.01, uneven: 0.01, drops: 0.01 },
  }),
  'thin-head': mostly({ papery: 0.66, choke: 0.04, dead: 0.06, warble: 0.06 }),
  'built-in-ring': mostly({ dead: 0.72, choke: 0.06, short: 0.03 }),
  'nothing-takes-ring': mostly({ ring: 0.76, boomy: 0.06, warble: 0.06 }),
  'closed-kick': mostly({ hollow: 0.76, boomy: 0.08, ring: 0.04 }),
  'boomy-room': mostly({ boomy: 0.78, hollow: 0.05, ring: 0.05 }),
  nothing: mostly({ none: 0.7, warble: 0.06, uneven: 0.05 }),
}
