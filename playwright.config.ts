import { defineConfig } from '@playwright/test'

const PORT = 3217
/** The fake microphone loses samples on a busy machine: these run one at a time, with nothing beside them. */
const ALONE = /(listening|microphone|phone|stage|server)\.spec\.ts$/

export default defineConfig({
  // Against what hangs, no judge of speed: a whole retune run takes minutes on a machine that is slow today.
  timeout: 900_000,
  // What a person would wait for on a machine that is slow today.
  expect: { timeout: 60_000 },
  projects: [
    // What only a browser can show, in every `make test`.
    { name: 'journeys', testDir: 'e2e/journeys' },
    // `make check`: every size, every step, every way in.
    { name: 'long', testDir: 'e2e/long', testIgnore: ALONE },
    { name: 'alone', testDir: 'e2e/long', testMatch: ALONE, workers: 1 },
  ],
  fullyParallel: true,
  workers: 2,
  // Once more, on a machine that may be somebody else's for a minute; the run names what needed it.
  retries: 1,
  // The other one is for `make test`, which counts and names.
  reporter: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ? [['list'], ['json']] : [['list']],
  outputDir: '.cache/e2e/results',
  use: {
    // A click that nothing answers says so long before the whole test is given up.
    actionTimeout: 120_000,
    baseURL: `http://localhost:${PORT}`,
    viewport: { width: 1280, height: 800 },
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: {
    // Not through npx: killing that would leave the server behind.
    command: `node node_modules/next/dist/bin/next start -p ${PORT}`,
    url: `http://localhost:${PORT}`,
    env: { HUMBRA_START: 'demo' },
    reuseExistingServer: false,
    timeout: 120_000,
  },
})
