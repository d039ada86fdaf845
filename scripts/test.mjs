// Lint, types, unit tests, build, browser tests; ends with "N passed, N failed". Each step runs even when one before
// it failed, so that one run says all that is wrong.
import { spawnSync } from 'node:child_process'
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

count(step('lint', 'npm', ['run', '-s', 'lint']))
count(step('types', 'npm', ['run', '-s', 'types']))
const unitOk = step('unit tests', 'npx', ['jest', '--json', `--outputFile=${folder}/unit.json`])
const unit = report('unit.json')
passed += unit?.numPassedTests ?? 0
failed += unit ? unit.numFailedTests + unit.numRuntimeErrorTestSuites : 1
if (unit && !unitOk && unit.numFailedTests + unit.numRuntimeErrorTestSuites === 0) failed++

const built = step('build', 'npm', ['run', '-s', 'build'])
count(built)
for (const project of built ? ['screens', 'microphone'] : []) {
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
