import type { z } from 'zod'

/** Something wrong with what came in: where it stands, and what was expected there, in plain words. */
export interface Problem {
  where: string
  what: string
}

/** Path of a field as people write it: rounds[0].readingsHz. */
function pathText(path: readonly PropertyKey[]): string {
  return path.reduce<string>((text, part) => {
    if (typeof part === 'number') return `${text}[${part}]`
    return text ? `${text}.${String(part)}` : String(part)
  }, '')
}

/** The first thing that a schema found wrong, with unknown fields refused by name. */
export function firstProblem(error: z.ZodError): Problem {
  const issue = error.issues[0]
  if (issue.code === 'unrecognized_keys') {
    return { where: pathText([...issue.path, issue.keys[0]]), what: 'unknown field' }
  }
  if (issue.code === 'invalid_union') {
    const inner = issue.errors.flat()[0]
    const what = inner && inner.path.length ? `${pathText(inner.path)}: ${inner.message}` : issue.message
    return { where: pathText(issue.path) || 'request', what: plain(what) }
  }
  return { where: pathText(issue.path) || 'request', what: plain(issue.message) }
}

function plain(message: string): string {
  return message
    .replace(/^Invalid input: /, '')
    .replace(/^Invalid input$/, 'none of the forms that can be read here')
}

export type Checked<T> = { ok: true; value: T } | { ok: false; problem: Problem }
