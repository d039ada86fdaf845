// `make test`: install, lint, types, unit tests, build, browser tests; with --long (`make check`) the long forms of all
// of them and the bench's tables in short. Each step runs even when one before it failed, so that one run says all that
// is wrong; it prints each step's seconds and the ten slowest tests, and ends with "N passed, N failed".
import { spawn } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync } from 'node:fs'

const LONG = process.argv.includes('--long')
const FOLDER = '.cache/test'
const SLOWEST = 10
rmSync(FOLDER, { recursive: true, force: true })
mkdirSync(FOLDER, { recursive: true })

let passed = 0
let failed = 0
/** What failed, or passed only when tried again, by name: said once more at the end, where it is found. */
const said = []
/** Every step and every test, with its seconds. */
const steps = []
const tests = []

/** Runs one step; @returns whether it ended well. `quiet` holds back what it prints until it ends. */
function run(name, command, args, { env = {}, quiet = false } = {}) {
  const started = Date.now()
  let printed = ''
  if (!quiet) console.log(`\n== ${name}`)
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      stdio: ['ignore', quiet ? 'pipe' : 'inherit', quiet ? 'pipe' : 'inherit'],
      env: { ...process.env, ...(LONG ? { HUMBRA_LONG: '1' } : {}), ...env },
    })
    if (quiet)
      for (const stream of [child.stdout, child.stderr]) stream.on('data', (data) => (printed += data))
    child.on('close', (status) => {
      const seconds = (Date.now() - started) / 1000
      steps.push({ name, seconds })
      const end = `== ${name}: ${status === 0 ? 'ok' : 'failed'} (${seconds.toFixed(0)} s)`
      console.log(quiet ? `\n== ${name}\n${printed}${end}` : end)
      resolve(status === 0)
    })
  })
}

function count(ok, name) {
  if (ok) return passed++
  said.push(`failed: ${name}`)
  return failed++
}
const npm = (script) => ['npm', ['run', '-s', script]]
const firstLine = (text) => plain(text).trim().split('\n')[0].slice(0, 200)
/** Without a terminal's colours. */
const plain = (text) => String(text ?? '').replace(/\u001b\[[0-9;]*m/g, '')
const report = (file) => {
  try {
    return JSON.parse(readFileSync(`${FOLDER}/${file}`, 'utf8'))
  } catch {
    return null
  }
}

/** Rows of steps, beside each other. */
const beside = (...rows) =>
  Promise.all(
    rows.map(async (row) => {
      for (const [name, command, args, env = {}] of row)
        count(await run(name, command, args, { quiet: true, env }), name)
    }),
  )

/** Unit tests: counted, timed, and by name where they failed. */
async function unit() {
  const ok = await run('unit tests', 'node', [
    'node_modules/jest/bin/jest.js',
    ...['--json', `--outputFile=${FOLDER}/unit.json`],
  ])
  const {
    numPassedTests = 0,
    numFailedTests = 0,
    numRuntimeErrorTestSuites = 0,
    testResults = [],
  } = report('unit.json') ?? {}
  passed += numPassedTests
  const wrong = numFailedTests + numRuntimeErrorTestSuites
  failed += !ok && wrong === 0 ? 1 : wrong
  for (const { name, message, assertionResults } of testResults) {
    const file = name.replace(`${process.cwd()}/`, '')
    for (const { fullName, status, duration, failureMessages } of assertionResults) {
      tests.push({ name: `${file}: ${fullName}`, seconds: (duration ?? 0) / 1000 })
      if (status === 'failed') said.push(`failed: ${file}: ${fullName}: ${firstLine(failureMessages[0])}`)
    }
    if (message && assertionResults.length === 0) said.push(`failed: ${file}: ${firstLine(message)}`)
  }
}

/** Browser tests of one project. */
async function browser(project) {
  const ok = await run(
    `browser tests: ${project}`,
    'node',
    ['node_modules/@playwright/test/cli.js', 'test', `--project=${project}`],
    { env: { PLAYWRIGHT_JSON_OUTPUT_NAME: `${FOLDER}/${project}.json` } },
  )
  const { stats, suites } = report(`${project}.json`) ?? {}
  passed += (stats?.expected ?? 0) + (stats?.flaky ?? 0)
  failed += stats?.unexpected ?? 0
  if (!ok && !stats?.unexpected) failed++
  sayBrowser(suites)
}

function sayBrowser(suites) {
  for (const { specs, suites: inner } of suites ?? []) {
    for (const { title, file, tests: tries } of specs)
      for (const { status, results } of tries) {
        const seconds = results.reduce((sum, { duration }) => sum + duration, 0) / 1000
        tests.push({ name: `${file}: ${title}`, seconds })
        const error = firstLine(results.find((result) => result.error)?.error.message)
        if (status === 'unexpected') said.push(`failed: ${file}: ${title}: ${error}`)
        if (status === 'flaky') said.push(`passed when tried again: ${file}: ${title}: ${error}`)
      }
    sayBrowser(inner)
  }
}

const started = Date.now()
await beside([['packages', 'make', ['install']]], [['browser', 'make', ['browser']]])
await beside(
  [
    ['lint', ...npm('lint')],
    ['nothing unused', ...npm('unused')],
  ],
  [
    ['types', ...npm('types')],
    ['build', ...npm('build'), { HUMBRA_TYPES: 'checked beside' }],
  ],
)
await unit()
for (const project of LONG ? ['journeys', 'long', 'alone'] : ['journeys']) await browser(project)
if (LONG) count(await run('bench, in short', ...npm('bench:short')), 'bench, in short')

console.log('\nSeconds a step:')
for (const { name, seconds } of steps) console.log(`${seconds.toFixed(0).padStart(6)}  ${name}`)
console.log(`${((Date.now() - started) / 1000).toFixed(0).padStart(6)}  all of it`)
console.log(`\nThe ${SLOWEST} slowest tests:`)
for (const { name, seconds } of tests.sort((a, b) => b.seconds - a.seconds).slice(0, SLOWEST))
  console.log(`${seconds.toFixed(1).padStart(6)}  ${name.slice(0, 140)}`)
console.log()
for (const line of said) console.log(line)
console.log(`\n${passed} passed, ${failed} failed`)
process.exitCode = failed === 0 && passed > 0 ? 0 : 1
