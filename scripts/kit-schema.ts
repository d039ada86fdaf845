import { writeFileSync } from 'node:fs'
import { kitFileJsonSchema } from '@/core/records/jsonSchema'

/** Writes the kit file's JSON Schema where people read it and where the app hands it out. */
const text = `${JSON.stringify(kitFileJsonSchema(), null, 2)}\n`
for (const path of ['docs/kit-file.schema.json', 'public/kit-file.schema.json']) writeFileSync(path, text)
