import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { kitFileJsonSchema } from './jsonSchema'

/** Written by `npm run schema`; a change of the form without it fails here. */
test('the published schema is that of the form', () => {
  const published = readFileSync(join(process.cwd(), 'docs/kit-file.schema.json'), 'utf8')
  expect(JSON.parse(published)).toEqual(JSON.parse(JSON.stringify(kitFileJsonSchema())))
})
