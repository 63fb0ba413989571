import { defineConfig } from '@playwright/test';
import base from './playwright.config';

/** `npm run screenshots`: the pictures of docs/screenshots, from the demo data. */
export default defineConfig(base, { testMatch: 'screenshots.ts' });
