import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './scripts/chromium';
import { eachAloneInRandomOrder } from './tests/support/random-order';

const { STORY_LIST, TEST_SEED = '1' } = process.env;
const port = Number(process.env.E2E_PORT ?? 3700);

/** Browser tests by user story, in Debian's Chromium, against the production build and the test database of ./test. */
export default defineConfig({
  testDir: 'tests/e2e',
  workers: 1,
  ...(STORY_LIST ? { projects: eachAloneInRandomOrder(STORY_LIST, TEST_SEED) } : {}),
  // A machine under load may be slow once; a fault is there twice.
  retries: process.env.CI ? 1 : 0,
  timeout: 120_000,
  expect: { timeout: 20_000 },
  reporter: [['list'], ['json']],
  use: {
    // One zone for house, demo and browser: see ./test.
    timezoneId: process.env.TZ,
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    acceptDownloads: true,
    // Every story is a device of its own: only those of evenings without the server fetch all files for one.
    serviceWorkers: 'block',
    actionTimeout: 30_000,
    launchOptions: CHROMIUM,
  },
  webServer: {
    // One process: the halves share the cores already; the thread in other engines is told in a house of several.
    command: `PORT=${port} WEB_PROCESSES=1 NODE_ENV=production exec node --import tsx scripts/serve.ts`,
    url: `http://127.0.0.1:${port}/health`,
    reuseExistingServer: false,
    stdout: 'ignore',
  },
});
