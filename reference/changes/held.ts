import { execFileSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { readFileSync, writeFileSync } from 'node:fs'

/** What a subject of the core says to a set of inputs: a name, and the answer in four figures. */
export type Lines = Record<string, string>

export const digits = (value: number) => (value === 0 ? '0' : value.toPrecision(4))

/** The lines as they were taken, and the state of the code that they were taken from. */
interface Held {
  code: string
  lines: Lines
}

const FILE = 'reference/changes/expected.json'
const held = () => JSON.parse(readFileSync(FILE, 'utf8')) as Record<string, Held>

/** The code of these folders of the core as git names its contents, tests left out; null where git is not to be had. */
function codeOf(folders: readonly string[]): string | null {
  try {
    const git = (args: string[], input?: string) => execFileSync('git', args, { encoding: 'utf8', input })
    const paths = folders.map((folder) => `src/core/${folder}`)
    const files = git(['ls-files', '-co', '--exclude-standard', '--deduplicate', '--', ...paths])
      .split('\n')
      .filter((file) => file && !/\.test\.ts$/.test(file))
      .sort()
    const contents = git(['hash-object', '--stdin-paths'], files.join('\n'))
    return createHash('sha1').update(files.join('\n')).update(contents).digest('hex')
  } catch {
    return null
  }
}

/** Whether the code that a subject's lines come from is other code than that they were taken from. */
export function isChanged(subject: string, folders: readonly string[]): boolean {
  const code = codeOf(folders)
  return code === null || held()[subject]?.code !== code
}

/** Takes a subject's lines as what is expected from now on. */
export function take(subject: string, folders: readonly string[], lines: Lines): void {
  const all = { ...held(), [subject]: { code: codeOf(folders) ?? '', lines } }
  writeFileSync(FILE, `${JSON.stringify(all, null, 2)}\n`)
}

/** @returns the lines that are others now than those held, as they were and as they are */
export function changedLines(subject: string, now: Lines): string[] {
  const before = held()[subject]?.lines ?? {}
  const names = [...new Set([...Object.keys(before), ...Object.keys(now)])]
  return names
    .filter((name) => !(name in before && name in now && isSame(before[name], now[name])))
    .map((name) => `${name}\n  was ${before[name]}\n  is  ${now[name]}`)
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
