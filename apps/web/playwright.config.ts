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
  // Each with a server and a database of its own.
  workers: 2,
  // Long journeys on a slow, busy machine; nothing here is timed.
  timeout: 300_000,
  expect: { timeout: 20_000 },
  reporter: [['list'], ['json']],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: '/usr/bin/chromium', args: launchArguments },
    trace: 'retain-on-failure',
    actionTimeout: 30_000,
  },
});
