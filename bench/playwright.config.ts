import { defineConfig } from '@playwright/test';
import base from '../e2e/playwright.config';

const PORT = 4789;

/** `npm run bench`: measures the built application on the demo day, on one server and with nothing beside it. */
export default defineConfig(base, {
  testDir: '.',
  testMatch: '*.bench.ts',
  workers: 1,
  use: { baseURL: `http://127.0.0.1:${PORT}` },
  webServer: {
    command: 'node dist/server/main.js demo',
    cwd: '..',
    url: `http://127.0.0.1:${PORT}/api/health`,
    env: { PORT: String(PORT), JOYLAP_NETWORK_PORT: 'off', JOYLAP_DEMO_DATA: '.tmp/bench' },
    reuseExistingServer: false,
  },
});
