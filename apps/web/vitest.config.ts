import { fileURLToPath } from 'node:url';
import { svelte, vitePreprocess } from '@sveltejs/vite-plugin-svelte';
import { playwright } from '@vitest/browser-playwright';
import { defineConfig } from 'vitest/config';
import { WORDS } from './language.js';
import { launchArguments } from './playwright.config.ts';

/** State classes in the browser they are for: its own store, its own events, a server made of a function. */
export default defineConfig({
  plugins: [svelte({ preprocess: vitePreprocess(), configFile: false })],
  resolve: {
    alias: {
      $lib: fileURLToPath(new URL('src/lib', import.meta.url)),
      $words: fileURLToPath(new URL(WORDS, import.meta.url)),
    },
  },
  optimizeDeps: {
    include: [
      '@tarikjabiri/dxf',
      'dxf-parser',
      'fast-check',
      'fflate',
      'idb',
      'papaparse',
      'read-excel-file/browser',
      'zod',
    ],
  },
  test: {
    name: 'state',
    include: ['src/**/*.state.test.ts'],
    testTimeout: 60_000,
    browser: {
      enabled: true,
      headless: true,
      screenshotFailures: false,
      provider: playwright({ launchOptions: { executablePath: '/usr/bin/chromium', args: launchArguments } }),
      instances: [{ browser: 'chromium' }],
    },
  },
});
