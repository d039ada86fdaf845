import { z } from 'zod'
import { A4_HIGHEST_HZ, A4_LOWEST_HZ } from '../units/pitch'
import { bareSourceSchema, slackSchoolSchema } from './even'
import { earFoundSchema } from './drill'
import { micSchema, personSchema } from './event'
import { MOST_DRUMS, NO_CHOICES } from './plain'
import { idSchema, sideSchema } from './kit'
import { moment } from './primitives'

/** What was chosen for planning: kept on this device until it is changed. */
export const spacingSchema = z.strictObject({
  scheme: z.enum(['fourths', 'fifth', 'thirds', 'major-triad', 'equal', 'steps', 'free']),
  equalCents: z.number().min(100).max(1200),
  /** Name of kept steps, with the scheme `steps`. */
  stepsName: z.string().max(40).nullable(),
  /** Cents of the resonant heads above the batters; null keeps each drum's own. */
  relationCents: z.number().min(-2400).max(2400).nullable(),
  /** Relations of single drums that differ. */
  relations: z.record(idSchema, z.number().min(-2400).max(2400)),
  rootText: z.string().max(20),
  avoidText: z.string().max(120),
  keyText: z.string().max(40),
  anchor: z.enum(['none', 'lowest', 'smallest']),
  leastWork: z.number().min(0).max(1),
  fixed: z.array(idSchema).max(MOST_DRUMS),
  /** Kicks and snares that are placed with the toms. */
  move: z.array(idSchema).max(MOST_DRUMS).default([]),
  /** Drums that are none of the plan. */
  leftOut: z.array(idSchema).max(MOST_DRUMS).default([]),
  /** Drums set by hand, batter in Hz. */
  pinned: z.record(idSchema, z.number().min(15).max(2000)),
})

export type SpacingChoices = z.infer<typeof spacingSchema>

/** Log of how likely a sitting's readings were for each scatter that is thought of (core/head/scatter.ts). */
const scatterToldSchema = z.strictObject({
  source: bareSourceSchema,
  /** When the sitting began. */
  at: moment,
  logs: z.tuple([z.number(), z.number(), z.number()]),
})

export type ScatterTold = z.infer<typeof scatterToldSchema>

/** Sittings whose scatter is kept. */
export const MOST_SCATTERS = 24

/** How one person works: kept on this device, never part of a kit. */
export const settingsSchema = z.strictObject({
  kit: idSchema.nullable(),
  drum: idSchema.nullable(),
  side: sideSchema,
  source: z.enum(['microphone', 'file', 'practice', 'typed', 'ear', 'gauge']),
  keys: z.union([z.literal(1), z.literal(2)]),
  largestStepTurns: z
    .number()
    .min(1 / 32)
    .max(1),
  a4Hz: z.number().min(A4_LOWEST_HZ).max(A4_HIGHEST_HZ),
  /** Stated once, and learned since: read from older settings and not looked at. */
  typedErrorCents: z.number().optional(),
  /** Shortcuts of a single key work; those with Ctrl always do. */
  singleKeys: z.boolean(),
  /** Around the head, by opposite pairs, or first the lugs that tell most, and no more than are needed. */
  readOrder: z.enum(['around', 'pairs', 'fewest']).default('around'),
  mic: micSchema.default('with-tap'),
  /** Input device by its browser id; null for the browser's own choice. */
  input: z.string().nullable().default(null),
  /** What is heard when a tap was taken, or was not. */
  confirm: z.enum(['none', 'tick', 'word']).default('tick'),
  /** Keep the sound of every tap with the kit. */
  keepTakes: z.boolean().default(false),
  /** The user's dial gauge: its law once known, and what one reading of it is worth. */
  gaugeLaw: z.strictObject({ g0: z.number(), c: z.number().positive() }).nullable().default(null),
  gaugeError: z.number().min(0.05).max(50).default(1),
  /** The drum is turned so that the next rod faces the hand; the key map turns with it. */
  turnDrum: z.boolean().default(false),
  /** Where a head is started from. */
  slackSchool: slackSchoolSchema.default('fingers'),
  spacing: spacingSchema.default(NO_CHOICES),
  noteNames: z.enum(['sharps', 'flats', 'german', 'solfege']).default('sharps'),
  /** In what lengths of drums are shown and typed. Drums are named in inches all the same. */
  lengths: z.enum(['inch', 'mm']).default('inch'),
  /** The sign between whole numbers and parts, where numbers are shown; both are read. */
  decimal: z.enum(['point', 'comma']).default('point'),
  /** A left-handed drummer's lugs go round the other way. */
  hand: z.enum(['right', 'left']).default('right'),
  /** Notes of the first walk that were read. */
  walked: z.array(z.string().max(20)).max(20).default([]),
  /** Ids of the commands that were run last, newest first. */
  recent: z.array(z.string().max(60)).max(8).default([]),
  /** When each kit was last put into a file, by kit. */
  filed: z.record(idSchema, moment).default({}),
  /** This device by an id of its own, which its entries carry; given at the first start. */
  device: idSchema.nullable().default(null),
  /** Who works here, where they have said: their entries carry the name. */
  person: personSchema.nullable().default(null),
  /** What drills found this ear to tell apart, by pitch. */
  ear: z.array(earFoundSchema).max(24).default([]),
  /** What sittings showed of how far this hand's readings scatter, newest last. */
  scatter: z.array(scatterToldSchema).max(MOST_SCATTERS).default([]),
})

export type Settings = z.infer<typeof settingsSchema>
