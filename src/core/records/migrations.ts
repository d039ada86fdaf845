import { SCHEMA_VERSION } from './plain'

/**
 * Old forms of an event carried forward, one step a form, for the log and for files alike. What was added by a form was added as
 * something new or optional: the steps so far have no field to change. Form 2 added kept takes, the place of the microphone and
 * readings by ear; form 3 findings, slack starts and the search for a fault, as events of their own; form 4 what a stroke on the
 * centre tells beside its pitch, muffling, wires, words, range marks, whole sheets and runs; form 5 what an ear says of a lug
 * without a number, one number for a whole head, rounds begun anew, readings that are to be believed, and the snare bed of a
 * drum; form 6 drums of one head, and complaints and causes of ring, room and film; form 7 what else made the sound of a drum that is kept,
 * its ring, and how a run found its heads; form 8 what a film was made with, a drum's own tolerance, its badge and its locks;
 * form 9 gigs and rehearsals, notes, weather, and heads in the box; form 10 what the ear that said a word tells apart; form 11 sheets that hold a
 * head by dial, by ear, by one number or by turns from slack, and the muffling of a stroke said afterwards; form 12 the order of
 * entries of one moment, device and person, and kits by owner and job, put away.
 */
export type Migration = (event: Record<string, unknown>) => Record<string, unknown>

/** The form in which a log is read in the order in which it was done. */
const ORDERED_FORM = 12

const nextForm: Migration = (event) => ({ ...event, schema: (event.schema as number) + 1 })

/** From form 1 to 2, from 2 to 3, and so on; what was shipped is never edited. */
export const MIGRATIONS: readonly Migration[] = Array.from({ length: 11 }, () => nextForm)

/** An event of any form in today's; what is no event at all, or of a newer form, as it is. */
export function migrateEvent(event: unknown): unknown {
  if (typeof event !== 'object' || event === null) return event
  let next = event as Record<string, unknown>
  const { schema } = next
  if (typeof schema !== 'number' || !Number.isInteger(schema) || schema < 1) return event
  for (let form = schema; form < SCHEMA_VERSION; form++) {
    next = MIGRATIONS[form - 1](next)
    if (next.schema !== form + 1) throw new Error(`the step from form ${form} does not lead to the next`)
  }
  // One way of writing a moment, so that moments compare as texts.
  if (typeof next.at === 'string' && ISO.test(next.at) && Number.isFinite(Date.parse(next.at)))
    next = { ...next, at: new Date(next.at).toISOString() }
  return next
}

const ISO = /^\d{4}-\d\d-\d\dT[\d:.]+Z$/

/**
 * Entries as older forms left them, with their order within one moment: it was that of the file then. A kit is made before anything
 * is done to it, in whatever order a file was put.
 */
export function withOrder(events: readonly unknown[]): unknown[] {
  const moments = new Map<unknown, number>()
  const nth = new Map<unknown, number>()
  const old = events.filter(isOld)
  for (const event of [...old.filter(makesKit), ...old.filter((each) => !makesKit(each))]) {
    const count = moments.get(event.at) ?? 0
    moments.set(event.at, count + 1)
    if (count > 0) nth.set(event, count)
  }
  return nth.size === 0
    ? [...events]
    : events.map((event) => (nth.has(event) ? { ...(event as object), nth: nth.get(event) } : event))
}

type Raw = Record<string, unknown>

const isOld = (event: unknown): event is Raw => {
  const { schema, nth } = (event ?? {}) as Raw
  return typeof schema === 'number' && schema < ORDERED_FORM && nth === undefined
}
const makesKit = ({ change }: Raw) => (change as Raw | undefined)?.what === 'kitMade'
