import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './support/chromium';

/** Drives the production build in Debian's Chromium. bin/test starts the server and says where it is. */
export default defineConfig({
  testDir: './specs',
  globalSetup: './support/globalSetup.ts',
  timeout: 60_000,
  expect: { timeout: 20_000 },
  fullyParallel: false,
  // One at a time: the browser, the server and the database share two processors here.
  workers: 1,
  // A machine shared with other work stalls at times; what passes only at the second try is named at the end.
  retries: 1,
  forbidOnly: true,
  outputDir: '../test-results',
  reporter: [['line'], ['./support/countReporter.ts']],
  use: {
    storageState: '../test-results/signed-in.json',
    baseURL: process.env.INKWELL_BASE ?? 'http://127.0.0.1:4310',
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
  },
});
