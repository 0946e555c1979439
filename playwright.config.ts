import { defineConfig, devices } from '@playwright/test';

const port = 4187;

/** Playwright's own list, since only the last one counts, and after it the pages that the browser opens for its own address
 *  field: one per window, which costs as much as the window. */
const WITHOUT = [
  'AvoidUnnecessaryBeforeUnloadCheckSync',
  'DestroyProfileOnBrowserClose',
  'DialMediaRouteProvider',
  'GlobalMediaControls',
  'HttpsUpgrades',
  'HttpsFirstBalancedModeAutoEnable',
  'LensOverlay',
  'MediaRouter',
  'PaintHolding',
  'ThirdPartyStoragePartitioning',
  'AvoidCorsURLLoaderRestartOnRedirect',
  'OptimizationHints',
  'NetworkTimeServiceQuerying',
  'AimEnabled',
  'PreconnectToSearch',
  'WebUIOmniboxPopup',
  'WebUIOmniboxAimPopup',
];

export default defineConfig({
  testDir: 'tests/e2e',
  testMatch: '**/*.spec.ts',
  fullyParallel: true,
  workers: 2,
  forbidOnly: true,
  retries: 0,
  timeout: 60_000,
  // A page that is loaded anew on a busy machine takes its time.
  expect: { timeout: 15_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    ...devices['Desktop Chrome'],
    viewport: { width: 1280, height: 800 },
    timezoneId: 'UTC',
    locale: 'en-GB',
    contextOptions: { reducedMotion: 'reduce' },
    // A page with its storage emptied costs a quarter of a new context, in which everything is compiled anew.
    reuseContext: true,
    // Only the tests of being offline need the whole build kept on the device.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        `--disable-features=${WITHOUT.join(',')}`,
      ],
    },
  },
  webServer: {
    command: `node --import tsx server/main.ts --demo --port ${port}`,
    url: `http://127.0.0.1:${port}/api/hello`,
    reuseExistingServer: false,
  },
});
