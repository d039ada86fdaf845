import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { expect, test } from '../page'

/** Every command of the README that is said to be pasted as it stands, pasted as it stands, in the order given. */
test('the README’s commands work as they stand there', () => {
  const readme = readFileSync('README.md', 'utf8')
  // Of that part alone: `make check`, which is behind it, runs this test.
  const shell = readme.split('## From the shell')[1].split('\n## ')[0]
  const commands = shell.match(/^ {4}\S.*$/gm)!.map((line) => line.trim())
  expect(commands.length).toBeGreaterThan(6)
  for (const line of commands) {
    const said = execFileSync('bash', ['-c', line], { encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] })
    const lines = said.trim().split('\n')
    expect(lines.length, line).toBeGreaterThan(0)
    for (const each of lines) expect(JSON.parse(each), line).not.toHaveProperty('error')
  }
})

test('the README names the commands that the Makefile has', () => {
  const readme = readFileSync('README.md', 'utf8')
  const makefile = readFileSync('Makefile', 'utf8')
  const named = [...readme.matchAll(/^ {4}make (\w+)/gm)].map(([, name]) => name)
  expect(named).toEqual(['demo', 'test', 'start', 'phone', 'check'])
  for (const name of named) expect(makefile).toMatch(new RegExp(`^${name}:`, 'm'))
})

test('every picture of the README is there, and there are fewer than twenty', () => {
  const pictures = [...readFileSync('README.md', 'utf8').matchAll(/docs\/screenshots\/[\w-]+\.png/g)].map(
    ([path]) => path,
  )
  expect(new Set(pictures).size).toBe(pictures.length)
  expect(pictures.length).toBeLessThan(20)
  for (const path of pictures) expect(readFileSync(path).length).toBeGreaterThan(5000)
})
