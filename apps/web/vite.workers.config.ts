import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';
import { WORDS } from './language.js';

/** The worker and its threads, built beside the application: everything in two files but the platform's own. */
export default defineConfig({
  publicDir: false,
  resolve: {
    alias: {
      $lib: fileURLToPath(new URL('src/lib', import.meta.url)),
      $words: fileURLToPath(new URL(WORDS, import.meta.url)),
    },
  },
  // These bring files of their own, or are the same ones as the application's.
  ssr: {
    noExternal: true,
    external: ['pg', 'pg-boss', 'pino', 'piscina', 'pdfkit', '@node-rs/argon2', 'sharp'],
  },
  build: {
    ssr: true,
    outDir: 'build/workers',
    target: 'node20',
    rollupOptions: {
      input: {
        main: 'src/worker/main.ts',
        thread: 'src/worker/thread.ts',
        beside: 'src/worker/beside.ts',
        admin: 'src/worker/admin.ts',
        serve: 'src/worker/serve.ts',
      },
      output: { entryFileNames: '[name].js' },
    },
  },
});
