import { defineConfig } from '@playwright/test';

/** The real interface on the real server, with the demo data; each test puts the demo back to its beginning. */
export default defineConfig({
  testDir: '.',
  testMatch: '*.e2e.ts',
  // A day at sixty times its speed needs two processors of its own: with less, devices and crew fall behind the clock.
  // By itself: npm run test:day.
  testIgnore: process.env['ALL_DAY'] ? [] : ['all-day.e2e.ts'],
  // As many as the smallest machine has cores; each has a server of its own.
  workers: 2,
  // Far more than a machine of its own needs: what is shared with others stands still for seconds at times.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  reporter: [['list']],
  use: {
    // It fetches the whole application into each new browser; walks without a network allow it.
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env['CHROME_BIN'] ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-dev-shm-usage',
        '--disable-background-networking',
        '--disable-component-update',
      ],
    },
  },
});
