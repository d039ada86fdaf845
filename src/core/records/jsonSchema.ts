import { z } from 'zod'
import { SCHEMA_VERSION } from './plain'
import { kitFileSchema } from './kitFile'

/**
 * The kit file's form as a JSON Schema (draft 2020-12), made from the schemas that read it. What a schema cannot say, such as that
 * an id stands once, is said in docs/kit-file.md.
 */
export function kitFileJsonSchema(): object {
  return {
    $id: `humbra-kit-${SCHEMA_VERSION}`,
    title: `Humbra kit file, form ${SCHEMA_VERSION}`,
    ...z.toJSONSchema(kitFileSchema, { unrepresentable: 'any', reused: 'ref' }),
  }
}
