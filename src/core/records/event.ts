import { z } from 'zod'
import { CAUSE_IDS } from '../fitting/causes'
import { QUESTION_IDS } from '../fitting/questions'
import { AREA_IDS, FINDING_IDS } from '../fitting/lookOver'
import { earSchema, feelSchema, slackSchoolSchema, thresholdCents } from './even'
import { LAYER_IDS } from '../pair/layers'
import { MOST_DRUMS, SCHEMA_VERSION } from './plain'
import {
  aimSchema,
  drumSchema,
  handTargetSchema,
  headSchema,
  idSchema,
  sideSchema,
  targetSchema,
} from './kit'
import { cents, dial, errorHz, hz, inches, levelDb, lug, moment, seconds, turns } from './primitives'
import { besideSchema, runHeadSchema, sheetDrumSchema } from './sheet'

/**
 * The log: what was measured, what was done, what was decided. Append-only; the state is what the events say. Undo is an
 * event of its own.
 */

export const sourceSchema = z.enum(['microphone', 'file', 'practice', 'typed', 'ear', 'gauge', 'hand'])

/** A person's name, as kept on a device. */
export const personSchema = z.string().trim().min(1).max(40)

export const micSchema = z.enum(['with-tap', 'standing'])

const base = {
  id: idSchema,
  /** ISO time in UTC. */
  at: moment,
  kit: idSchema,
  schema: z.int().min(1).max(SCHEMA_VERSION),
  /** Where it came from; `hand` for what is no measurement. */
  source: sourceSchema,
  /** Version of the measuring behind it; null where nothing was computed. */
  algorithm: z.string().max(80).nullable(),
  /** Which of the entries of its moment it is, where there are several. */
  nth: z.int().min(0).max(1e9).optional(),
  /** The device that it was done on, and the person, where one had a name there. */
  device: idSchema.optional(),
  by: personSchema.optional(),
}
const onHead = { ...base, drum: idSchema, side: sideSchema }

const modeSchema = z.strictObject({
  hz,
  decaySeconds: seconds,
  levelDb,
  standardErrorHz: z.number().nonnegative().max(2000),
  decayErrorSeconds: z.number().nonnegative().max(1e6).optional(),
  levelErrorDb: z.number().nonnegative().max(1e6).optional(),
})

const otherHeadSchema = z.enum(['muted', 'free', 'off'])

const change = z.discriminatedUnion('what', [
  z.strictObject({
    what: z.literal('kitMade'),
    name: z.string().min(1).max(60),
    simulated: z.boolean(),
    /** Somebody else's, for a night: discarded or kept afterwards. */
    borrowed: z.boolean().optional(),
  }),
  z.strictObject({ what: z.literal('kitKept') }),
  /** Whose it is and what for; empty where nobody said. */
  z.strictObject({
    what: z.literal('kitFiled'),
    owner: z.string().trim().max(60),
    job: z.string().trim().max(60),
  }),
  /** Out of the way: found by those who look for it. */
  z.strictObject({ what: z.literal('kitArchived'), archived: z.boolean() }),
  /** Steps between neighbouring toms, smallest drum first, under a name; an empty list forgets them. */
  z.strictObject({
    what: z.literal('schemeKept'),
    name: z.string().min(1).max(40),
    cents: z.array(z.number().min(0).max(2400)).max(MOST_DRUMS),
  }),
  z.strictObject({ what: z.literal('kitRenamed'), name: z.string().min(1).max(60) }),
  z.strictObject({ what: z.literal('kitRemoved') }),
  z.strictObject({ what: z.literal('drumAdded'), drum: drumSchema, after: idSchema.nullable() }),
  z.strictObject({ what: z.literal('drumChanged'), drum: drumSchema }),
  z.strictObject({ what: z.literal('drumRemoved'), drum: idSchema }),
  z.strictObject({ what: z.literal('drumsOrdered'), order: z.array(idSchema).max(MOST_DRUMS) }),
  z.strictObject({ what: z.literal('aimSet'), drum: idSchema, side: sideSchema, aim: aimSchema }),
  z.strictObject({ what: z.literal('sheetChosen'), sheet: idSchema.nullable() }),
  z.strictObject({ what: z.literal('sheetRenamed'), sheet: idSchema, name: z.string().min(1).max(60) }),
  z.strictObject({ what: z.literal('sheetRemoved'), sheet: idSchema }),
  z.strictObject({ what: z.literal('sheetArchived'), sheet: idSchema, archived: z.boolean() }),
  /** A whole kit's targets at once: a new sheet, or a new version of a known one. */
  z.strictObject({
    what: z.literal('sheetWritten'),
    sheet: idSchema,
    name: z.string().min(1).max(60),
    notes: z.string().max(2000),
    drums: z.array(sheetDrumSchema).max(MOST_DRUMS),
  }),
])

export const eventSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('readingTaken'),
    ...onHead,
    lug,
    hz,
    standardErrorHz: errorHz,
    /** The poles behind `hz`; empty for a typed number. */
    poles: z.array(modeSchema).max(24),
    otherHead: otherHeadSchema,
    /** Where the microphone was; left out by readings without one, and by those of older versions. */
    mic: micSchema.optional(),
    /** Judged by ear against a reference, without a number. */
    ear: z.enum(['higher', 'lower', 'alike']).optional(),
  }),
  /** An ear's word on a lug against a reference lug of the same head, without a number. */
  z.strictObject({
    kind: z.literal('earHeard'),
    ...{ ...onHead, lug, word: earSchema, reference: lug },
    /** What this listener tells apart near this pitch, in cents, where drills have measured it. */
    thresholdCents: thresholdCents.optional(),
  }),
  /** One number for the whole head, as people write it down: nothing is said of its evenness. */
  z.strictObject({ kind: z.literal('headRead'), ...onHead, hz, standardErrorHz: errorHz }),
  /** The head is read anew from the first lug on; nothing was turned. */
  z.strictObject({ kind: z.literal('roundStarted'), ...onHead }),
  /** Readings of this round are to be taken as they are: of these lugs, or of all and lug by lug where none is named. */
  z.strictObject({ kind: z.literal('readingsBelieved'), ...onHead, lugs: z.array(lug).max(24) }),
  z.strictObject({
    kind: z.literal('rodsTurned'),
    ...onHead,
    /** Net per rod, as really turned. */
    turns: z.array(turns).max(24),
    /** What the move shown asked for; null for a turn of the user's own. */
    planned: z.array(turns).max(24).nullable(),
  }),
  z.strictObject({ kind: z.literal('pressed'), ...onHead }),
  /** The drum's lowest pitch with both heads free, struck at the centre of this head. */
  z.strictObject({
    kind: z.literal('centreRead'),
    ...onHead,
    hz,
    standardErrorHz: errorHz,
    decaySeconds: seconds.nullable(),
    /** Cents by which it began above its settled pitch; left out by older versions and by typed numbers, as the rest. */
    glideCents: cents.nullable().optional(),
    ringSeconds: z.strictObject({ to20dB: seconds.nullable(), to60dB: seconds.nullable() }).optional(),
    modes: z.array(modeSchema).max(24).optional(),
    /** Where the drum was: held by the rim, or hung, by its user's words for the place. Left out: nobody said. */
    hung: z.string().max(60).nullable().optional(),
  }),
  /** Muffling on the drum from now on, by layers; none for bare. */
  z.strictObject({ kind: z.literal('dampingSet'), ...onHead, layers: z.array(z.enum(LAYER_IDS)).max(12) }),
  /** What lay on the drum at a stroke, said afterwards. */
  z.strictObject({
    kind: z.literal('strokeMuffled'),
    ...onHead,
    stroke: idSchema,
    layers: z.array(z.enum(LAYER_IDS)).max(12),
  }),
  /** Snare wires: how far the knob is from where they just touch, in its clicks or turns, and whether they rattle on. */
  z.strictObject({
    kind: z.literal('wiresSet'),
    ...onHead,
    knob: z.number().min(-100).max(100),
    unit: z.enum(['clicks', 'turns']),
    rattles: z.boolean().nullable(),
  }),
  /** The user's own words on the drum as both heads then stood. */
  z.strictObject({ kind: z.literal('wordsNoted'), ...onHead, words: z.string().trim().min(1).max(200) }),
  /** Where this drum growls, speaks best or chokes, marked while tuning: the batter's mean lug pitch. */
  z.strictObject({
    kind: z.literal('rangeMarked'),
    ...onHead,
    mark: z.enum(['growls', 'best', 'chokes']),
    hz,
  }),
  /** One head is moved far up and down on purpose, by so many turns of every rod, to learn what it does. */
  z.strictObject({
    kind: z.literal('drasticStarted'),
    ...onHead,
    up: z.number().positive().max(2),
    down: z.number().positive().max(2),
  }),
  z.strictObject({ kind: z.literal('drasticEnded'), ...onHead }),
  /** A dial gauge put beside a lug: its own scale, larger is tighter. */
  z.strictObject({
    kind: z.literal('gaugeRead'),
    ...onHead,
    lug,
    dial,
  }),
  /** What the hand felt of the rods, lug 1 first; null where none was felt. */
  z.strictObject({ kind: z.literal('rodsFelt'), ...onHead, feel: z.array(feelSchema.nullable()).max(24) }),
  /** What was before no longer tells where the rods stand; what the head taught still holds. */
  z.strictObject({ kind: z.literal('sittingStarted'), ...onHead }),
  z.strictObject({
    kind: z.literal('headFitted'),
    ...onHead,
    head: headSchema,
    /** The film is as thick as the one before: what the drum taught still holds. */
    sameFilm: z.boolean().optional(),
    /** Which head of the box it is, where it has a name of its own there: its history comes along. */
    film: idSchema.optional(),
    /** Where the head's mark lies against the badge, in turns of the drum clockwise, so that it goes back the same way. */
    markTurns: z.number().min(0).max(1).optional(),
  }),
  /** All rods were brought to a slack start, by one of the schools. */
  z.strictObject({ kind: z.literal('slackStarted'), ...onHead, school: slackSchoolSchema }),
  /** Found on looking over; it stays until cleared. A finding of the whole drum carries the side it was noted from. */
  z.strictObject({
    kind: z.literal('findingNoted'),
    ...onHead,
    finding: z.enum(FINDING_IDS),
    rods: z.array(lug).max(24),
  }),
  z.strictObject({ kind: z.literal('findingCleared'), ...onHead, noted: idSchema }),
  /** One part of the drum was looked at; what was found there has its own events. */
  z.strictObject({ kind: z.literal('lookedOver'), ...onHead, area: z.enum(AREA_IDS) }),
  /** An answer in the search for a fault; null where it was passed over. Searches end with their conclusion. */
  z.strictObject({
    kind: z.literal('faultAnswered'),
    ...onHead,
    search: idSchema,
    question: z.enum(QUESTION_IDS),
    answer: z.string().max(40).nullable(),
  }),
  z.strictObject({
    kind: z.literal('faultSearchEnded'),
    ...onHead,
    search: idSchema,
    cause: z.enum(CAUSE_IDS).nullable(),
  }),
  z.strictObject({ kind: z.literal('otherHeadSet'), ...onHead, state: otherHeadSchema }),
  z.strictObject({
    kind: z.literal('sheetKept'),
    ...onHead,
    sheet: idSchema,
    name: z.string().min(1).max(60),
    /** Null where nobody read its pitch: then the hand's own measure is kept. */
    target: targetSchema.nullable(),
    hand: handTargetSchema.optional(),
    /** What else made the sound, where the whole drum was kept. */
    beside: besideSchema.optional(),
  }),
  /** A walk through the kit to a sheet: how every head stood when it began. */
  z.strictObject({
    kind: z.literal('runStarted'),
    ...base,
    run: idSchema,
    sheet: idSchema,
    doorsAt: moment.nullable(),
    before: z.array(runHeadSchema).max(2 * MOST_DRUMS),
  }),
  /** A head of the run is left as it is, and why. */
  z.strictObject({
    kind: z.literal('runLeft'),
    ...base,
    run: idSchema,
    drum: idSchema,
    side: sideSchema,
    why: z.enum(['time', 'good-enough', 'cannot']).nullable(),
  }),
  z.strictObject({
    kind: z.literal('runEnded'),
    ...base,
    run: idSchema,
    /** Heads that were only believed when it began, as they were then found. */
    found: z
      .array(runHeadSchema)
      .max(2 * MOST_DRUMS)
      .optional(),
    after: z.array(runHeadSchema).max(2 * MOST_DRUMS),
  }),
  /** A gig or a rehearsal, past or to come. Written again under its id it is corrected: what was written last counts. */
  z.strictObject({
    kind: z.literal('occasionNoted'),
    ...base,
    occasion: idSchema,
    what: z.enum(['gig', 'rehearsal']),
    on: moment,
    /** Minutes played; null where nobody counted. */
    minutes: z.number().min(0).max(1440).nullable(),
    room: z.string().max(60).nullable(),
    /** The sheet that it is played from. */
    sheet: idSchema.nullable(),
    loadInAt: moment.nullable(),
    doorsAt: moment.nullable(),
    words: z.string().max(500),
    cancelled: z.literal(true).optional(),
  }),
  /** A note for a day, of the kit or of one drum. */
  z.strictObject({
    kind: z.literal('dayNoted'),
    ...base,
    on: moment,
    drum: idSchema.nullable(),
    words: z.string().trim().min(1).max(500),
  }),
  /** The air round the drums, typed or from a table. */
  z.strictObject({
    kind: z.literal('weatherNoted'),
    ...base,
    room: z.string().max(60).nullable(),
    samples: z
      .array(
        z.strictObject({
          at: moment,
          celsius: z.number().min(-60).max(70).nullable(),
          humidityPercent: z.number().min(0).max(100).nullable(),
        }),
      )
      .min(1)
      .max(5000),
  }),
  /** A head in the box: bought, spare, or given away. Written again under its id it is corrected. */
  z.strictObject({
    kind: z.literal('filmNoted'),
    ...base,
    film: idSchema,
    name: z.string().trim().min(1).max(60),
    diameterInches: inches.diameter,
    side: sideSchema.nullable(),
    head: headSchema,
    gone: z.literal(true).optional(),
  }),
  z.strictObject({ kind: z.literal('kitEdited'), ...base, change }),
  z.strictObject({ kind: z.literal('withdrawn'), ...base, event: idSchema }),
])

export type HumbraEvent = z.infer<typeof eventSchema>
export type Source = z.infer<typeof sourceSchema>
export type Mic = z.infer<typeof micSchema>
export type OtherHead = z.infer<typeof otherHeadSchema>
export type KitChange = z.infer<typeof change>
export type EventOf<K extends HumbraEvent['kind']> = Extract<HumbraEvent, { kind: K }>
/** Events that belong to one head. */
export type RunEvent = EventOf<'runStarted' | 'runLeft' | 'runEnded'>
/** Events of the days round the drums, and of heads in the box. */
export type DiaryEvent = EventOf<'occasionNoted' | 'dayNoted' | 'weatherNoted' | 'filmNoted'>
export type HeadEvent = Exclude<HumbraEvent, EventOf<'kitEdited' | 'withdrawn'> | RunEvent | DiaryEvent>
