import { defineConfig } from '@playwright/test';

export const launchArguments = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

export default defineConfig({
  testDir: './e2e',
  testMatch: '*.e2e.ts',
  outputDir: '../../.hulvek/test-results',
  workers: 1,
  // Long journeys on a slow, busy machine; nothing here is timed.
  timeout: 300_000,
  expect: { timeout: 20_000 },
  reporter: [['list'], ['json']],
  globalSetup: './e2e/server.setup.ts',
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: '/usr/bin/chromium', args: launchArguments },
    trace: 'retain-on-failure',
    actionTimeout: 30_000,
  },
});
