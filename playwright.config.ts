import { defineConfig } from '@playwright/test'

const PORT = 3217
const ALONE = /(listening|microphone|phone|stage|server)\.spec\.ts$/

export default defineConfig({
  testDir: 'e2e',
  // Against what hangs, no judge of speed: a whole retune run takes minutes on a machine that is slow today.
  timeout: 900_000,
  // What a person would wait for on a machine that is slow today.
  expect: { timeout: 25_000 },
  // The fake microphone loses samples on a busy machine, and what a long request leaves to others is felt only on a
  // quiet one: `make test` runs those apart, one at a time.
  projects: [
    { name: 'alone', testMatch: ALONE, workers: 1 },
    { name: 'screens', testIgnore: ALONE },
  ],
  fullyParallel: true,
  workers: 2,
  // Once more, on a machine that may be somebody else's for a minute; the run names what needed it.
  retries: 1,
  reporter: [['list'], ['json']],
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
    timeout: 60_000,
  },
})
