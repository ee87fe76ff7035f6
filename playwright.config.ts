import { defineConfig } from '@playwright/test';

const report = process.env.ZEST_E2E_REPORT;

/** Parts of the browser's own window that each page would start a process for: nobody sees it. */
const NOT_SEEN = ['WebUIOmniboxPopup', 'WebUIOmniboxFullPopup', 'WebUIOmniboxAimPopup'];
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
    `--disable-features=${[...OFF, ...NOT_SEEN].join(',')}`,
  ],
};

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
  use: { launchOptions: CHROMIUM, serviceWorkers: 'block', locale: 'en-GB' },
  projects: [
    {
      name: 'phone',
      use: { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true },
      grepInvert: /@wide/,
    },
    { name: 'wide', use: { viewport: { width: 1280, height: 800 } }, grep: /@wide|@both/ },
  ],
});
