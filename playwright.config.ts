import { defineConfig, devices } from '@playwright/test';
import { CHROMIUM } from './scripts/setup/packages.mjs';

const chromium = {
  executablePath: CHROMIUM,
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--disable-quic',
    // A made-up camera, and no question whether it may be used.
    '--use-fake-device-for-media-stream',
    '--use-fake-ui-for-media-stream',
    // Each page is new and lives for seconds: compiling its script to the last, on threads of their own, takes from both cores.
    '--js-flags=--single-threaded,--no-turbofan',
  ],
};

// Of this run alone; its workers have it from here.
process.env.UNDREL_RUN ??= Date.now().toString(36);

export default defineConfig({
  testDir: 'e2e',
  // Long tests that read the whole core and the demo world: a short run does not even open them.
  testIgnore: process.env.UNDREL_SHORT ? '**/*.whole.spec.ts' : [],
  outputDir: 'test-results/browser',
  // End a test that hangs; they say nothing of how fast a page has to be.
  timeout: 360_000,
  expect: { timeout: 120_000 },
  workers: 2,
  retries: 0,
  reporter: [['list'], ['json', { outputFile: 'test-results/browser.json' }]],
  use: {
    ...devices['Desktop Chrome'],
    viewport: { width: 1280, height: 800 },
    baseURL: process.env.BASE_URL,
    launchOptions: chromium,
    trace: 'off',
    // Pages are asked of the server; what a device answers by itself has tests of its own.
    serviceWorkers: 'block',
  },
});
