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
  retries: Number(process.env.BROOK_RETRIES ?? 0),
  // What passes waits for none of these; they only say when a machine of half the speed is given up.
  timeout: 600_000,
  expect: { timeout: 45_000 },
  reporter: [['line'], ['json']],
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
    {
      name: 'phone',
      testIgnore: /\.alone\.spec/,
      use: { viewport: { width: 390, height: 844 }, hasTouch: true },
    },
    // What starts servers of its own and kills them; `npm test` runs it last, with nothing beside.
    { name: 'alone', testMatch: /\.alone\.spec/ },
  ],
});
