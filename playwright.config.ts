import { defineConfig } from '@playwright/test';

const report = process.env.ZEST_E2E_REPORT;

/** What the browser would start processes for in advance: parts of its own window, and a page that might be opened next. */
const NOT_NEEDED = [
  'SpareRendererForSitePerProcess',
  'WebUIOmniboxPopup',
  'WebUIOmniboxFullPopup',
  'WebUIOmniboxAimPopup',
];
/** What Playwright switches off itself; the last such list is the one that counts. */
const OFF = [
  'DestroyProfileOnBrowserClose',
  'HttpsUpgrades',
  'LensOverlay',
  'MediaRouter',
  'PaintHolding',
  'OptimizationHints',
];

export const CHROMIUM = {
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-background-networking',
    '--disable-component-update',
    `--disable-features=${[...OFF, ...NOT_NEEDED].join(',')}`,
  ],
};

/** For the journeys alone, not for what is measured: room for all that one makes, as collecting it takes a twentieth of their time. */
const ROOM = '--js-flags=--min-semi-space-size=64 --max-semi-space-size=64';

// Blocked but where a test is about them: what a service worker fetches, page.route() does not see.
export default defineConfig({
  testDir: 'e2e',
  globalSetup: './e2e/globalSetup.ts',
  fullyParallel: true,
  workers: 2,
  // Far beyond what any test takes: a machine that is busy with something else is no fault of the app.
  timeout: 300_000,
  expect: { timeout: 45_000 },
  forbidOnly: true,
  // Once more on a machine shared with others; the list names each that needed it as flaky, to be mended.
  retries: process.env.CI ? 1 : 0,
  reporter: report ? [['list'], ['json', { outputFile: report }]] : 'list',
  use: { launchOptions: { ...CHROMIUM, args: [...CHROMIUM.args, ROOM] }, serviceWorkers: 'block', locale: 'en-GB' },
  projects: [
    {
      name: 'phone',
      use: { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true },
      grepInvert: /@wide/,
    },
    { name: 'wide', use: { viewport: { width: 1280, height: 800 } }, grep: /@wide|@both/ },
  ],
});
