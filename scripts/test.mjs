// Lint, types, unit tests, build, browser tests; ends with "N passed, N failed". Each step runs even when one before
// it failed, so that one run says all that is wrong.
import { spawn, spawnSync } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync } from 'node:fs'

const folder = '.cache/test'
rmSync(folder, { recursive: true, force: true })
mkdirSync(folder, { recursive: true })
let passed = 0
let failed = 0
/** What failed, or passed only when tried again, by name: said once more at the end, where it is found. */
const said = []

function step(name, command, args, env = {}) {
  console.log(`\n== ${name}`)
  const started = Date.now()
  const { status } = spawnSync(command, args, { stdio: 'inherit', env: { ...process.env, ...env } })
  console.log(
    `== ${name}: ${status === 0 ? 'ok' : 'failed'} (${Math.round((Date.now() - started) / 1000)} s)`,
  )
  return status === 0
}

function count(ok, name) {
  if (ok) return passed++
  said.push(`failed: ${name}`)
  return failed++
}
const firstLine = (text) => plain(text).trim().split('\n')[0].slice(0, 200)
/** Without a terminal's colours. */
const plain = (text) => String(text ?? '').replace(/\u001b\[[0-9;]*m/g, '')

/** Names of a report's unit tests that failed, and of files that could not be run. */
function sayUnit(results) {
  for (const { name, message, assertionResults } of results) {
    const bad = assertionResults.filter(({ status }) => status === 'failed')
    for (const test of bad) said.push(`failed: ${test.fullName}: ${firstLine(test.failureMessages[0])}`)
    for (const test of assertionResults.filter((each) => each.status === 'passed' && each.invocations > 1))
      said.push(`passed when tried again: ${test.fullName}`)
    if (message && bad.length === 0 && assertionResults.length === 0)
      said.push(`failed: ${name}: ${firstLine(message)}`)
  }
}

/** Names of a report's browser tests that failed, or passed only when tried again. */
function sayBrowser(suites) {
  for (const { specs, suites: inner } of suites ?? []) {
    for (const { title, file, tests } of specs) {
      const bad = tests.filter(({ status }) => status === 'unexpected' || status === 'flaky')
      for (const { status, results } of bad) {
        const error = results.find((result) => result.error)?.error.message
        const how = status === 'flaky' ? 'passed when tried again' : 'failed'
        said.push(`${how}: ${file}, ${title}: ${firstLine(error)}`)
      }
    }
    sayBrowser(inner)
  }
}
const report = (file) => {
  try {
    return JSON.parse(readFileSync(`${folder}/${file}`, 'utf8'))
  } catch {
    return null
  }
}

/** Steps that need one core each, beside each other; what they say is shown one after the other. */
function beside(steps) {
  return Promise.all(
    steps.map(
      ([name, script]) =>
        new Promise((resolve) => {
          const started = Date.now()
          const run = spawn('npm', ['run', '-s', script], { stdio: ['ignore', 'pipe', 'pipe'] })
          let printed = ''
          for (const stream of [run.stdout, run.stderr]) stream.on('data', (data) => (printed += data))
          run.on('close', (status) => {
            const seconds = Math.round((Date.now() - started) / 1000)
            console.log(
              `\n== ${name}\n${printed}== ${name}: ${status === 0 ? 'ok' : 'failed'} (${seconds} s)`,
            )
            resolve(count(status === 0, name))
          })
        }),
    ),
  )
}

await beside([
  ['lint', 'lint'],
  ['types', 'types'],
])
count(step('nothing unused', 'npm', ['run', '-s', 'unused']), 'nothing unused')
const unitOk = step('unit tests', 'npx', ['jest', '--json', `--outputFile=${folder}/unit.json`])
const unit = report('unit.json')
passed += unit?.numPassedTests ?? 0
failed += unit ? unit.numFailedTests + unit.numRuntimeErrorTestSuites : 1
sayUnit(unit?.testResults ?? [])
if (unit && !unitOk && unit.numFailedTests + unit.numRuntimeErrorTestSuites === 0) failed++

const built = step('build', 'npm', ['run', '-s', 'build'])
count(built, 'build')
for (const project of built ? ['screens', 'alone'] : []) {
  const ok = step(`browser tests: ${project}`, 'npx', ['playwright', 'test', `--project=${project}`], {
    PLAYWRIGHT_JSON_OUTPUT_NAME: `${folder}/${project}.json`,
  })
  const { stats, suites } = report(`${project}.json`) ?? {}
  sayBrowser(suites)
  passed += (stats?.expected ?? 0) + (stats?.flaky ?? 0)
  failed += stats?.unexpected ?? 0
  if (!ok && !stats?.unexpected) failed++
}

for (const line of said) console.log(line)
console.log(`\n${passed} passed, ${failed} failed`)
process.exitCode = failed === 0 && passed > 0 ? 0 : 1
