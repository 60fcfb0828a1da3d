import { defineConfig } from '@playwright/test';

/** The app is built before; these tests start it themselves, once, on a free port. */
export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  // For what hangs; how long a walk takes is a matter of the machine.
  timeout: 420_000,
  expect: { timeout: 30_000 },
  // Each has an app of its own; engines and browsers wait for each other for much of the time.
  workers: 2,
  projects: [
    { name: 'demo run', testMatch: 'demo-run.setup.ts' },
    { name: 'walks', testMatch: '*.spec.ts', dependencies: ['demo run'] },
  ],
  retries: 0,
  forbidOnly: true,
  // Where so much is broken, the rest is not waited for.
  maxFailures: process.env.CI ? 10 : 0,
  reporter: process.env.UKKO_COUNTS ? [['list'], ['./scripts/count-e2e.mjs']] : [['list']],
  use: {
    actionTimeout: 60_000,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env.UKKO_CHROMIUM ?? '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-dev-shm-usage'],
    },
    trace: 'off',
  },
});
