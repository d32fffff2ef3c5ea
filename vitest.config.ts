import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';
import { WORDS } from './apps/web/language.js';

export default defineConfig({
  test: {
    // Every core: the default leaves one out, which is half of two.
    maxWorkers: '100%',
    projects: [
      {
        test: {
          name: 'core',
          include: ['packages/core/{src,test}/**/*.test.ts'],
          // The core keeps nothing that one test could leave to another: its modules are read once for all of them.
          isolate: false,
          pool: 'threads',
          setupFiles: ['packages/core/test/support/seeded.ts'],
          // Properties over many openings, on a slow and busy machine; nothing here is timed.
          // The long form runs thousands of whole plans in one test.
          testTimeout: process.env.HULVEK_LONG === '1' ? 3_600_000 : 60_000,
        },
      },
      { test: { name: 'cli', include: ['packages/cli/test/**/*.test.ts'], testTimeout: 30_000 } },
      {
        resolve: {
          alias: {
            $words: fileURLToPath(new URL(`apps/web/${WORDS}`, import.meta.url)),
            $lib: fileURLToPath(new URL('apps/web/src/lib', import.meta.url)),
          },
        },
        test: {
          name: 'database',
          include: ['apps/web/test/**/*.test.ts'],
          testTimeout: 20_000,
        },
      },
      './apps/web/vitest.config.ts',
    ],
  },
});
