import { defineConfig } from '@playwright/test';

const PORT = 4790;

/** The real interface on the real server, with the demo data; each test puts the demo back to its beginning. */
export default defineConfig({
  testDir: 'e2e',
  testMatch: '*.e2e.ts',
  workers: 1,
  // Far more than a machine of its own needs: what is shared with others stands still for seconds at times.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  reporter: [['list']],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
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
  webServer: {
    command: 'node dist/server/main.js demo',
    url: `http://127.0.0.1:${PORT}/api/health`,
    env: { PORT: String(PORT), JOYLAP_DEMO_DATA: '.tmp/e2e' },
    reuseExistingServer: false,
  },
});
