import { z } from 'zod'

/** Numbers as records hold them: every one has bounds, wide enough for any drum and narrow enough for the arithmetic. */

/** A pitch of a drum. */
export const hz = z.number().min(15).max(2000)
/** One standard error of a pitch, in Hz: as wide as the pitch itself is as good as not known. */
export const errorHz = z.number().positive().max(2000)
/** Cents between two pitches, or of an error: six octaves. */
export const cents = z.number().min(-7200).max(7200)
export const errorCents = z.number().nonnegative().max(7200)
/** How long a tone rings; nothing struck rings for two minutes. */
export const seconds = z.number().positive().max(120)
/** Level against the strongest tone, in dB. */
export const levelDb = z.number().min(-300).max(300)
/** Turns of one rod in one go. */
export const turns = z.number().min(-20).max(20)
/** A rod or a lug, from 1. */
export const lug = z.int().min(1).max(24)
/** A dial gauge's own scale. */
export const dial = z.number().min(-1000).max(1000)
/** Thickness of one ply, in thousandths of an inch. */
export const mils = z.array(z.number().min(0.5).max(40)).min(1).max(4)
export const inches = { diameter: z.number().min(5).max(40), depth: z.number().min(1).max(60) }
/** Hz squared for a turn of every rod: what a turn of any drum does, and a width for it. */
export const hz2PerTurn = z.number().positive().max(1e8)

/** A moment between the first computers and the end of this form's years: its arithmetic never leaves the calendar. */
export const moment = z.iso
  .datetime()
  .refine((at) => at >= '1970' && at < '2200', 'a day between 1970 and 2200')
