import { defineConfig } from '@playwright/test';
import { CHROMIUM } from '../../playwright.config';

/** `npm run shots`: the pictures of docs/screenshots, made from the demo. */
export default defineConfig({
  testDir: '.',
  globalSetup: '../../e2e/globalSetup.ts',
  testMatch: 'shots.ts',
  workers: 2,
  timeout: 90_000,
  reporter: 'list',
  use: { launchOptions: CHROMIUM, locale: 'en-GB' },
  outputDir: '../../test-results',
});
