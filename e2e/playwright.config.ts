import { defineConfig } from '@playwright/test';
import { BROWSER } from './studio';

export default defineConfig({
  testDir: './tests',
  outputDir: '../test-results',
  // Generous: nothing here waits for time to pass, and a busy machine is not a fault.
  timeout: 90_000,
  expect: { timeout: 15_000 },
  workers: 2,
  fullyParallel: true,
  forbidOnly: true,
  reporter: [['list']],
  use: { launchOptions: BROWSER, viewport: { width: 1280, height: 800 } },
});
