// Entries of the Handbook in Jest: MDX to a module, then to what Jest takes.
import { compileSync } from '@mdx-js/mdx'
import { transformSync } from '@swc/core'

const compile = (source) => ({
  code: transformSync(String(compileSync(source)), {
    jsc: { target: 'es2022', parser: { syntax: 'ecmascript', jsx: true } },
    module: { type: 'commonjs' },
  }).code,
})

const transformer = { process: compile }

export default transformer
