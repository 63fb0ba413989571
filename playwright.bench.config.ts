import { defineConfig } from '@playwright/test';
import base from './playwright.config';

/** `npm run bench`: measures the built application on the demo day. */
export default defineConfig(base, { testDir: 'bench', testMatch: '*.bench.ts', timeout: 180_000 });
