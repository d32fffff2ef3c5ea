/** The core from a terminal: reads files, prints what the core says, sets the exit code. */
import { hash } from 'node:crypto';
import { closeSync, createReadStream, openSync, readFileSync, readSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { hashWith } from '@hulvek/core/evidence/digest';
import type { CliResult } from './result.ts';

/** A larger file is refused before it is read whole. */
const LARGEST_FILE_bytes = 64 * 1024 * 1024;

hashWith((text) => hash('sha256', text));

const args = process.argv.slice(2);
const read = (path: string): string => {
  const bytes = readFileSync(path);
  if (bytes.length > LARGEST_FILE_bytes)
    throw new Error(`larger than ${LARGEST_FILE_bytes / 1024 / 1024} MiB`);
  return bytes.toString('utf8');
};
/** A package is a zip, and is read as it comes; any other file is a log. */
async function verified(rest: readonly string[]): Promise<CliResult> {
  const { keptHead, verifyCall } = await import('./verify.ts');
  const [path = '', ...more] = rest;
  const { isZip } = await import('@hulvek/core/evidence/read-package');
  if (!isZip(firstBytes(path))) return verifyCall(rest, read);
  const { verifyPackage } = await import('./package.ts');
  const { values } = parseArgs({
    args: more,
    options: { json: { type: 'boolean' }, head: { type: 'string', multiple: true } },
  });
  const held = [];
  for (const one of values.head ?? []) {
    const head = keptHead(one, read(one));
    if (!head.ok) return { exit: 2, out: '', err: head.problem };
    held.push(head.value);
  }
  return verifyPackage(path, createReadStream(path), held, values.json);
}

function firstBytes(path: string): Uint8Array {
  const bytes = new Uint8Array(2);
  try {
    const file = openSync(path, 'r');
    readSync(file, bytes, 0, 2, 0);
    closeSync(file);
  } catch {
    // Whoever reads it says why it cannot be read.
  }
  return bytes;
}

/** A log is read without the engines that plan and prove: they take longer to load than it takes to verify. */
const called = async () => {
  if (args[0] === 'verify') return verified(args.slice(1));
  const { run } = await import('./run.ts');
  return run(args, read, args[0] === 'cut' ? await (await import('highs')).default() : null);
};
const result = await called();
process.stdout.write(result.out);
process.stderr.write(result.err);
process.exitCode = result.exit;
