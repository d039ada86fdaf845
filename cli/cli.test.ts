import { execFileSync, spawnSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const folder = mkdtempSync(join(tmpdir(), 'humbra-'))
const run = (args: string[], input = '') =>
  spawnSync('node', ['cli/run.mjs', ...args], { input, encoding: 'utf8' })
const lines = (text: string) =>
  text
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Record<string, unknown>)

test('a tap is written, and measured to within two cents of the truth that was printed', () => {
  const file = join(folder, 'a.wav')
  for (const [size, hz] of [
    ['14', '234'],
    ['12', '180'],
    ['16', '95'],
  ]) {
    const rods = '0.05,-0.02,0.03,0,0.02,-0.03,0,0.01'
    const truth = lines(
      execFileSync(
        'node',
        [
          'cli/run.mjs',
          'tap',
          '--diameter',
          size,
          '--batter-hz',
          hz,
          '--at',
          'lug:3',
          '--rods',
          rods,
          '--noise-db',
          '-50',
          '--out',
          file,
        ],
        { encoding: 'utf8' },
      ),
    )[0] as { lugHz: number[]; poles: object[]; modes: object[] }
    expect(truth.poles.length).toBe(2)
    const measured = run(['measure', '--diameter', size, file])
    expect(measured.status).toBe(0)
    const [tap] = lines(measured.stdout) as Array<{ hz: number; verdict: string; note: string }>
    expect(tap.verdict).toBe('ok')
    expect(Math.abs(1200 * Math.log2(tap.hz / truth.lugHz[2]))).toBeLessThan(2)
  }
}, 60_000)

test('many files, wrong ones among them: each answered in its place, exit code 1', () => {
  const good = join(folder, 'b.wav')
  run(['tap', '--out', good])
  const letter = join(folder, 'letter.wav')
  writeFileSync(letter, 'Dear all')
  const { stdout, status } = run(['measure', good, letter, join(folder, 'none.wav')])
  const answers = lines(stdout)
  expect(status).toBe(1)
  expect(answers[0]).toMatchObject({ file: good, verdict: 'ok' })
  expect(answers[1]).toMatchObject({ error: { where: letter } })
  expect(answers[2]).toMatchObject({ error: { what: expect.stringMatching(/no such file/) } })
})

test('even answers line by line and goes on after a wrong one', () => {
  const good = {
    head: {
      side: 'batter',
      diameterInches: 14,
      lugs: 4,
      hoop: 'wood',
      threadPitchMm: 1.058,
      pliesMils: [10],
    },
    ...{ target: { hz: 200 }, rounds: [{ readingsHz: [196, 199, 197, 200] }] },
  }
  const { stdout, status } = run(
    ['even'],
    `${JSON.stringify(good)}\nnonsense\n${JSON.stringify({ ...good, gaugeLaw: {} })}\n${JSON.stringify(good)}\n`,
  )
  const answers = lines(stdout)
  expect(status).toBe(1)
  expect(answers.length).toBe(4)
  expect(answers[0]).toEqual(answers[3])
  expect(answers[0]).toMatchObject({ done: false, advice: expect.stringMatching(/\.$/) })
  expect(answers[1]).toMatchObject({ error: { where: 'request' } })
  expect(answers[2]).toMatchObject({ error: { where: 'gaugeLaw' } })
})

test('wrong usage is exit code 2, with nothing on standard output; help is 0', () => {
  for (const args of [
    ['sing'],
    [],
    ['measure'],
    ['measure', '--loud'],
    ['tap', '--at', 'centre', '--out', 'x'],
    ['tap', '--rods', '1,2', '--out', 'x'],
  ]) {
    const { status, stdout, stderr } = run(args)
    expect([status, stdout]).toEqual([2, ''])
    expect(stderr.length).toBeGreaterThan(0)
  }
  for (const name of ['measure', 'even', 'tap']) expect(run([name, '--help']).status).toBe(0)
}, 30_000)
