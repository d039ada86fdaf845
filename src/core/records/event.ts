import { z } from 'zod'
import { aimSchema, drumSchema, headSchema, idSchema, SCHEMA_VERSION, sideSchema, targetSchema } from './kit'

/**
 * The log: what was measured, what was done, what was decided. Append-only; the state is what the events say. Undo is an
 * event of its own.
 */
const hz = z.number().min(15).max(2000)

export const sourceSchema = z.enum(['microphone', 'file', 'practice', 'typed', 'hand'])

const base = {
  id: idSchema,
  /** ISO time in UTC. */
  at: z.iso.datetime(),
  kit: idSchema,
  schema: z.int().min(1).max(SCHEMA_VERSION),
  /** Where it came from; `hand` for what is no measurement. */
  source: sourceSchema,
  /** Version of the measuring behind it; null where nothing was computed. */
  algorithm: z.string().nullable(),
}
const onHead = { ...base, drum: idSchema, side: sideSchema }

const modeSchema = z.strictObject({
  hz,
  decaySeconds: z.number().positive(),
  levelDb: z.number(),
  standardErrorHz: z.number().nonnegative(),
})

const otherHeadSchema = z.enum(['muted', 'free', 'off'])

const change = z.discriminatedUnion('what', [
  z.strictObject({ what: z.literal('kitMade'), name: z.string().min(1).max(60), simulated: z.boolean() }),
  z.strictObject({ what: z.literal('kitRenamed'), name: z.string().min(1).max(60) }),
  z.strictObject({ what: z.literal('kitRemoved') }),
  z.strictObject({ what: z.literal('drumAdded'), drum: drumSchema, after: idSchema.nullable() }),
  z.strictObject({ what: z.literal('drumChanged'), drum: drumSchema }),
  z.strictObject({ what: z.literal('drumRemoved'), drum: idSchema }),
  z.strictObject({ what: z.literal('drumsOrdered'), order: z.array(idSchema) }),
  z.strictObject({ what: z.literal('aimSet'), drum: idSchema, side: sideSchema, aim: aimSchema }),
  z.strictObject({ what: z.literal('sheetChosen'), sheet: idSchema.nullable() }),
  z.strictObject({ what: z.literal('sheetRenamed'), sheet: idSchema, name: z.string().min(1).max(60) }),
  z.strictObject({ what: z.literal('sheetRemoved'), sheet: idSchema }),
])

export const eventSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('readingTaken'),
    ...onHead,
    /** From 1. */
    lug: z.int().min(1).max(24),
    hz,
    standardErrorHz: z.number().positive(),
    /** The poles behind `hz`; empty for a typed number. */
    poles: z.array(modeSchema),
    otherHead: otherHeadSchema,
  }),
  z.strictObject({
    kind: z.literal('rodsTurned'),
    ...onHead,
    /** Net per rod, as really turned. */
    turns: z.array(z.number().min(-20).max(20)),
    /** What the move shown asked for; null for a turn of the user's own. */
    planned: z.array(z.number()).nullable(),
  }),
  z.strictObject({ kind: z.literal('pressed'), ...onHead }),
  /** What was before no longer tells where the rods stand; what the head taught still holds. */
  z.strictObject({ kind: z.literal('sittingStarted'), ...onHead }),
  z.strictObject({ kind: z.literal('headFitted'), ...onHead, head: headSchema }),
  z.strictObject({ kind: z.literal('otherHeadSet'), ...onHead, state: otherHeadSchema }),
  z.strictObject({
    kind: z.literal('sheetKept'),
    ...onHead,
    sheet: idSchema,
    name: z.string().min(1).max(60),
    target: targetSchema,
  }),
  z.strictObject({ kind: z.literal('kitEdited'), ...base, change }),
  z.strictObject({ kind: z.literal('withdrawn'), ...base, event: idSchema }),
])

export type HumbraEvent = z.infer<typeof eventSchema>
export type Source = z.infer<typeof sourceSchema>
export type OtherHead = z.infer<typeof otherHeadSchema>
export type KitChange = z.infer<typeof change>
export type EventOf<K extends HumbraEvent['kind']> = Extract<HumbraEvent, { kind: K }>
/** Events that belong to one head. */
export type HeadEvent = Exclude<HumbraEvent, EventOf<'kitEdited'> | EventOf<'withdrawn'>>
