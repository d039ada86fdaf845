import { parseArgs, type ParseArgsConfig } from 'node:util'

export interface Options {
  values: Record<string, string | boolean | undefined>
  positionals: string[]
}

/** Options by name, or the exit code after `--help` or a wrong one. */
export function readOptions(
  args: string[],
  names: readonly string[],
  help: string,
  flags: readonly string[] = [],
): Options | number {
  const options: ParseArgsConfig['options'] = { help: { type: 'boolean', short: 'h' } }
  for (const name of names) options[name] = { type: 'string' }
  for (const name of flags) options[name] = { type: 'boolean' }
  try {
    const { values, positionals } = parseArgs({
      args: joinNegatives(args, names),
      options,
      allowPositionals: true,
    })
    if (values.help) {
      process.stdout.write(help)
      return 0
    }
    return { values: values as Options['values'], positionals }
  } catch (error) {
    return usage((error as Error).message, help)
  }
}

/** `--noise-db -50` as `--noise-db=-50`: a number with a minus sign is a value, not an option. */
function joinNegatives(args: string[], names: readonly string[]): string[] {
  const joined: string[] = []
  for (const arg of args) {
    const before = joined.at(-1)
    if (before && names.includes(before.slice(2)) && before.startsWith('--') && /^-[\d.]/.test(arg)) {
      joined[joined.length - 1] = `${before}=${arg}`
    } else {
      joined.push(arg)
    }
  }
  return joined
}

/** Says on standard error what was wrong with the call; @returns exit code 2. */
export function usage(what: string, help: string): number {
  process.stderr.write(`humbra: ${what}\n\n${help}`)
  return 2
}

export function writeLine(answer: unknown): void {
  process.stdout.write(`${JSON.stringify(answer)}\n`)
}

/** A number option in a range, or a sentence about it. */
export function numberOption(
  value: string | boolean | undefined,
  name: string,
  low: number,
  high: number,
  fallback: number,
): number | string {
  if (value === undefined) return fallback
  const number = Number(value)
  if (
    typeof value !== 'string' ||
    value.trim() === '' ||
    !Number.isFinite(number) ||
    number < low ||
    number > high
  ) {
    return `--${name} takes a number from ${low} to ${high}, not "${String(value)}"`
  }
  return number
}

/** Why something cannot be written, in words. */
export function unwritable(error: unknown): string {
  const { code, message } = error as NodeJS.ErrnoException
  if (code === 'ENOSPC') return 'the disk is full'
  if (code === 'ENOENT') return 'there is no such place'
  if (code === 'EACCES' || code === 'EPERM' || code === 'EROFS') return 'it may not be written there'
  return message
}
