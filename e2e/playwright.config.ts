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

/** Files side by side, each worker against a server and a demo of its own (`site.ts`). */
export default defineConfig({
  testDir: '.',
  // Generous, since a machine that others use too may stand still for seconds.
  timeout: 400_000,
  expect: { timeout: 90_000 },
  workers: 2,
  forbidOnly: true,
  reporter: [['list'], ['json', { outputFile: '../test-results/browser.json' }]],
  outputDir: '../test-results/browser',
  use: {
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    launchOptions: { executablePath: process.env.KEYPOST_CHROMIUM ?? '/usr/bin/chromium', args: FLAGS },
    // Answers are taken from the server that is under test; reading without network has a test of its own.
    serviceWorkers: 'block',
    // A picture only: what is traced all the time takes half as long again.
    screenshot: 'only-on-failure',
    actionTimeout: 90_000,
  },
});
