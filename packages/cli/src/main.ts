/** The core from a terminal: reads files, prints what the core says, sets the exit code. */
import { hash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { hashWith } from '@hulvek/core';
import loadHighs from 'highs';
import { run } from './run.ts';

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
const result = run(args, read, args[0] === 'cut' ? await loadHighs() : null);
process.stdout.write(result.out);
process.stderr.write(result.err);
process.exitCode = result.exit;
