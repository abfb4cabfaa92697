import { defineConfig } from '@playwright/test';

const LAUNCH = {
  executablePath: process.env.BROOK_CHROMIUM,
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    // A voice to record.
    '--use-fake-device-for-media-stream',
    '--use-fake-ui-for-media-stream',
  ],
};

/** The built app, served by the real server on a throwaway database; `npm test` starts both and says where, and with which browser. */
export default defineConfig({
  testDir: './tests',
  outputDir: '../.test/browser',
  fullyParallel: true,
  workers: 3,
  // Whoever waits for a landing does not wait for a machine that stood still: there what failed once is run again, and named.
  retries: process.env.CI ? 1 : 0,
  timeout: 90_000,
  expect: { timeout: 10_000 },
  reporter: [['line'], ['json', { outputFile: '../.test/browser.json' }]],
  // What a page keeps of the app would stand between the tests and the server; offline.spec.ts lets it.
  use: {
    serviceWorkers: 'block',
    baseURL: process.env.BROOK_URL,
    // Emptied for each test; what the browser has compiled of the app it need not compile again.
    reuseContext: true,
    launchOptions: LAUNCH,
    trace: 'off',
  },
  projects: [
    { name: 'phone', use: { viewport: { width: 390, height: 844 }, hasTouch: true } },
    // Forms, words and the run are the same on every width; what a second column changes is looked at again.
    {
      name: 'wide',
      testMatch: /axe\.spec/,
      grep: /@wide/,
      use: { viewport: { width: 1280, height: 800 } },
    },
  ],
});
