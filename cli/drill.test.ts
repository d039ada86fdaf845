import { spawn } from 'node:child_process'
import { mkdtempSync, readFileSync } from 'node:fs'
import { createInterface } from 'node:readline'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { rmsOf } from '@/core/ear/sound'
import { decodeWav } from '@/core/sound/wav'
import { linesOf, run } from './testCli'

type Line = Record<string, unknown> & { trial?: number; cents?: number; truth?: string; answers?: string[] }

/** Talks to the command as another program would: an answer to each trial. */
async function converse(
  args: string[],
  answer: (line: Line) => string,
): Promise<{ lines: Line[]; code: number }> {
  const child = spawn('node', ['cli/run.mjs', 'drill', ...args])
  const lines: Line[] = []
  for await (const text of createInterface({ input: child.stdout })) {
    const line = JSON.parse(text) as Line
    lines.push(line)
    if (line.trial !== undefined) child.stdin.write(`${answer(line)}\n`)
    else if (!line.error) break
  }
  const code =
    child.exitCode ?? (await new Promise<number>((resolve) => child.on('exit', (c) => resolve(c ?? -1))))
  return { lines, code }
}

const say = (answer: string) => JSON.stringify({ answer })

test('a listener who hears everything over 15 cents is told so, in 40 trials', async () => {
  let other = 0
  const { lines, code } = await converse(['--kind', 'higher', '--trials', '40', '--seed', '3'], (line) =>
    // Under that it is a coin's fall, alternating: no law of ours.
    say(line.cents! > 15 ? line.truth! : line.answers![other++ % 2]),
  )
  expect(code).toBe(0)
  expect(lines).toHaveLength(41)
  expect(lines[0]).toMatchObject({ trial: 1, answers: ['first', 'second'] })
  const end = lines[40]
  expect(end.trials).toBe(40)
  expect(end.thresholdCents).toBeGreaterThan(9)
  expect(end.thresholdCents).toBeLessThan(21)
  expect(end.errorCents).toBeGreaterThan(0)
})

test('whoever always says the same is told nothing', async () => {
  const { lines } = await converse(['--kind', 'interval', '--trials', '20'], (line) => say(line.answers![0]))
  expect(lines.at(-1)).toMatchObject({ thresholdCents: null, trials: 20 })
  expect(lines.at(-1)!.why).toMatch(/guessing/)
})

test('a wrong answer is refused in its place, and the trial stands', async () => {
  const input = ['{"answer":"third"}', 'no', '{"answer":"first","x":1}', '{"answer":"first"}'].join('\n')
  const { stdout, status } = await run(['drill', '--trials', '1'], input)
  const lines = linesOf(stdout) as Line[]
  expect(lines.slice(1, 4).map(({ error }) => (error as { where: string }).where)).toEqual([
    'answer',
    'answer',
    'x',
  ])
  expect(lines.at(-1)).toMatchObject({ trials: 1 })
  expect(status).toBe(1)
})

test('wrong usage is said, and input that ends early is no success', async () => {
  const call = (args: string[], input = '') => run(['drill', ...args], input)
  expect(await call(['--kind', 'louder'])).toMatchObject({ status: 2 })
  expect(await call(['--trials', '2.5'])).toMatchObject({ status: 2 })
  expect((await call(['--help'])).stdout).toMatch(/75% of trials/)
  const early = await call(['--trials', '3'], '{"answer":"first"}\n')
  expect(early.status).toBe(1)
  expect(early.stderr).toMatch(/1 of 3 trials/)
})

test('the taps are written as sound, both at one level', async () => {
  const out = mkdtempSync(join(tmpdir(), 'drill-'))
  const { stdout } = await run(['drill', '--trials', '1', '--out', out], '{"answer":"first"}\n')
  const { files } = JSON.parse(stdout.split('\n')[0]) as { files: string[] }
  const [a, b] = files.map((file) => {
    const sound = decodeWav(new Uint8Array(readFileSync(file)))
    if (!sound.ok) throw new Error(file)
    return 20 * Math.log10(rmsOf(sound.sound.channels[0]))
  })
  expect(Math.abs(a - b)).toBeLessThan(0.1)
})
