import { z } from 'zod'
import { idSchema } from './kit'

/** The sound of one reading, kept because the user wanted it. */
export const takeSchema = z.strictObject({
  /** The reading's own id. */
  reading: idSchema,
  kit: idSchema,
  /** A whole WAV file in base64. */
  wav: z.base64(),
})

export type TakeRecord = z.infer<typeof takeSchema>
