// Lint, types, unit tests, build, browser tests; ends with "N passed, N failed". Each step runs even when one before
// it failed, so that one run says all that is wrong.
import { spawn, spawnSync } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync } from 'node:fs'

const folder = '.cache/test'
rmSync(folder, { recursive: true, force: true })
mkdirSync(folder, { recursive: true })
let passed = 0
let failed = 0

function step(name, command, args, env = {}) {
  console.log(`\n== ${name}`)
  const started = Date.now()
  const { status } = spawnSync(command, args, { stdio: 'inherit', env: { ...process.env, ...env } })
  console.log(
    `== ${name}: ${status === 0 ? 'ok' : 'failed'} (${Math.round((Date.now() - started) / 1000)} s)`,
  )
  return status === 0
}

const count = (ok) => (ok ? passed++ : failed++)
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
          let said = ''
          for (const stream of [run.stdout, run.stderr]) stream.on('data', (data) => (said += data))
          run.on('close', (status) => {
            const seconds = Math.round((Date.now() - started) / 1000)
            console.log(`\n== ${name}\n${said}== ${name}: ${status === 0 ? 'ok' : 'failed'} (${seconds} s)`)
            resolve(count(status === 0))
          })
        }),
    ),
  )
}

await beside([
  ['lint', 'lint'],
  ['types', 'types'],
])
count(step('nothing unused', 'npm', ['run', '-s', 'unused']))
const unitOk = step('unit tests', 'npx', ['jest', '--json', `--outputFile=${folder}/unit.json`])
const unit = report('unit.json')
passed += unit?.numPassedTests ?? 0
failed += unit ? unit.numFailedTests + unit.numRuntimeErrorTestSuites : 1
if (unit && !unitOk && unit.numFailedTests + unit.numRuntimeErrorTestSuites === 0) failed++

const built = step('build', 'npm', ['run', '-s', 'build'])
count(built)
for (const project of built ? ['screens', 'alone'] : []) {
  const ok = step(`browser tests: ${project}`, 'npx', ['playwright', 'test', `--project=${project}`], {
    PLAYWRIGHT_JSON_OUTPUT_NAME: `${folder}/${project}.json`,
  })
  const stats = report(`${project}.json`)?.stats
  passed += (stats?.expected ?? 0) + (stats?.flaky ?? 0)
  failed += stats?.unexpected ?? 0
  if (!ok && !stats?.unexpected) failed++
}

console.log(`\n${passed} passed, ${failed} failed`)
process.exitCode = failed === 0 && passed > 0 ? 0 : 1
