import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { defineConfig, type Plugin } from 'vite';
import { WORDS } from './language.js';

const here = (path: string): string => fileURLToPath(new URL(path, import.meta.url));

/** Everything in one page: whoever has it needs nothing else. */
const onePage = (): Plugin => ({
  name: 'one-page',
  generateBundle(_, bundle) {
    const [script] = Object.values(bundle);
    if (script?.type !== 'chunk' || Object.keys(bundle).length !== 1)
      throw new Error('The page that checks packages is not one script.');
    delete bundle[script.fileName];
    const code = script.code.replaceAll('</script', '<\\/script');
    const style = readFileSync(here('src/check/check.css'), 'utf8');
    this.emitFile({
      type: 'asset',
      fileName: 'check.html',
      source: `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Hulvek</title>
<style>${style}</style>
</head>
<body>
<script type="module">${code}</script>
</body>
</html>
`,
    });
  },
});

export default defineConfig({
  publicDir: false,
  resolve: { alias: { $words: here(WORDS) } },
  plugins: [onePage()],
  build: {
    outDir: 'build/check',
    target: 'es2022',
    rollupOptions: { input: here('src/check/check.ts'), output: { codeSplitting: false } },
  },
});
