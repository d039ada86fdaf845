import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { dirname } from 'node:path'

/**
 * Lines held in a file: what changes them unmeant is found. They say nothing of right or wrong; published and measured
 * checks stand elsewhere. Written anew only by `HUMBRA_PINNED=write npx jest TEST`, to be read as a diff.
 * @returns lines that are others now than those held, as they were and as they are
 */
export function changedSince(file: string, now: Record<string, string>): string[] {
  if (process.env.HUMBRA_PINNED === 'write') {
    mkdirSync(dirname(file), { recursive: true })
    writeFileSync(file, `${JSON.stringify(now, null, 2)}\n`)
  }
  if (!existsSync(file)) return [`${file} is missing`]
  const held = JSON.parse(readFileSync(file, 'utf8')) as Record<string, string>
  const names = [...new Set([...Object.keys(held), ...Object.keys(now)])]
  return names
    .filter((name) => !(name in held && name in now && isSame(held[name], now[name])))
    .map((name) => `${name}\n  was ${held[name]}\n  is  ${now[name]}`)
}

/** Numbers may differ in their last digit: another machine's arithmetic is no other result. */
function isSame(a: string, b: string): boolean {
  const [one, two] = [a, b].map((text) => text.split(/[ /]/))
  return (
    one.length === two.length &&
    one.every((word, i) => {
      if (word === two[i]) return true
      const unit = 10 ** -(word.split('.')[1]?.length ?? 0)
      return /\d\.\d/.test(word) && Math.abs(Number(word) - Number(two[i])) < 2.5 * unit
    })
  )
}
