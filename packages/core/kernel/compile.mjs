/** Compiles the heat kernel and writes it as text beside its source: `node packages/core/kernel/compile.mjs [--check]`. */
import { readFile, writeFile } from 'node:fs/promises';
import asc from 'assemblyscript/asc';
import { format, resolveConfig } from 'prettier';

const folder = new URL('.', import.meta.url);
const target = new URL('../src/proofs/heat/kernel-code.ts', import.meta.url);

/** Returns the module's source text for the kernel as it is now. */
export async function compiled() {
  let bytes;
  const { error, stderr } = await asc.main(
    ['kernel.ts', '--outFile', 'kernel.wasm', '-O3', '--noAssert', '--runtime', 'stub', '--enable', 'simd'],
    {
      readFile: (name) => readFile(new URL(name, folder), 'utf8').catch(() => null),
      writeFile: (name, content) => {
        if (name === 'kernel.wasm') bytes = content;
      },
      listFiles: () => [],
    },
  );
  if (error || !bytes) throw new Error(`the kernel does not compile\n${stderr.toString()}`);
  const lines =
    Buffer.from(bytes)
      .toString('base64')
      .match(/.{1,100}/g) ?? [];
  const code = `/** Made by packages/core/kernel/compile.mjs from the kernel beside it; not written by hand. */
export const KERNEL = [${lines.map((line) => `'${line}',`).join('')}].join('');`;
  const options = await resolveConfig(target.pathname);
  return format(code, { ...options, parser: 'typescript' });
}

if (process.argv[1] === new URL(import.meta.url).pathname) {
  const code = await compiled();
  if (process.argv.includes('--check')) {
    if ((await readFile(target, 'utf8')) !== code) {
      console.error(
        'kernel-code.ts is not what the kernel compiles to; run node packages/core/kernel/compile.mjs',
      );
      process.exit(1);
    }
  } else await writeFile(target, code);
}
