import { execFileSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { readFileSync, writeFileSync } from 'node:fs'
import { LONG } from '../long'

/** What a subject of the core says to a set of inputs: a name, and the answer in four figures. */
export type Lines = Record<string, string>

export const digits = (value: number) => (value === 0 ? '0' : value.toPrecision(4))
export const figures = (values: readonly number[]) => values.map(digits).join(' ')
export const named = (what: string, lines: readonly string[]): Lines =>
  Object.fromEntries(lines.map((line, i) => [`${what} ${i}`, line]))

/** The folders of the core whose code a subject's lines come from. */
export const MEMBRANE = ['numeric', 'units', 'membrane']
export const HEAD = [...MEMBRANE, 'head']
export const EVENING = [...HEAD, 'kit', 'evening']
export const PAIR = [...HEAD, 'kit', 'sound', 'pair']
export const SPACING = [...PAIR, 'evening', 'fitting', 'spacing']
export const DRIFT = [...PAIR, 'log', 'drift']
export const PRACTICE = [...PAIR, 'measurement', 'evening', 'fitting', 'practice']
export const EAR = [...PRACTICE, 'ear']

/**
 * Holds what a subject of the core says to inputs that no model of ours made, line by line: whoever changes a number sees what follows.
 * It says nothing of right or wrong; published and measured checks stand elsewhere. The lines are worked out where code that
 * they come from was changed since they were taken, and always in `make check`; `npm run changes` takes them anew, to be read
 * as a diff.
 */
export function holds(subject: string, folders: readonly string[], lines: () => Lines): void {
  const taking = process.env.HUMBRA_CHANGES === 'take'
  test(`${subject}: there is something to compare with`, () => {
    expect(taking || Object.keys(held()[subject].lines).length > 1).toBe(true)
  })
  if (!taking && !LONG && !isChanged(subject, folders)) return
  test(`${subject}: what it says stays as it was`, () => {
    const now = lines()
    if (taking) take(subject, folders, now)
    expect(changedLines(subject, now)).toEqual([])
  })
}

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
function isChanged(subject: string, folders: readonly string[]): boolean {
  const code = codeOf(folders)
  return code === null || held()[subject]?.code !== code
}

/** Takes a subject's lines as what is expected from now on. */
function take(subject: string, folders: readonly string[], lines: Lines): void {
  const all = { ...held(), [subject]: { code: codeOf(folders) ?? '', lines } }
  writeFileSync(FILE, `${JSON.stringify(all, null, 2)}\n`)
}

/** @returns the lines that are others now than those held, as they were and as they are */
function changedLines(subject: string, now: Lines): string[] {
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
