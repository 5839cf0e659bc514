import { defineConfig } from '@playwright/test';

const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** Against the real server and the built interface, with a data directory of its own. */
export default defineConfig({
  testDir: '.',
  // Generous, since a machine that others use too may stand still for seconds.
  timeout: 150000,
  expect: { timeout: 30000 },
  workers: 1,
  fullyParallel: false,
  forbidOnly: true,
  reporter: [['list'], ['json', { outputFile: '../test-results/browser.json' }]],
  outputDir: '../test-results/browser',
  globalSetup: './serve.ts',
  use: {
    baseURL: 'http://127.0.0.1:4179',
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    launchOptions: { executablePath: process.env.KEYPOST_CHROMIUM ?? '/usr/bin/chromium', args: FLAGS },
    // Answers are taken from the server that is under test; reading without network has a test of its own.
    serviceWorkers: 'block',
    trace: 'retain-on-failure',
    actionTimeout: 30000,
  },
});
