/** The core from a terminal: reads files, prints what the core says, sets the exit code. */
import { readFileSync } from 'node:fs';
import { run } from './run.ts';

/** A larger file is refused before it is read whole. */
const LARGEST_FILE_bytes = 64 * 1024 * 1024;

const result = run(process.argv.slice(2), (path) => {
  const bytes = readFileSync(path);
  if (bytes.length > LARGEST_FILE_bytes)
    throw new Error(`larger than ${LARGEST_FILE_bytes / 1024 / 1024} MiB`);
  return bytes.toString('utf8');
});
process.stdout.write(result.out);
process.stderr.write(result.err);
process.exitCode = result.exit;
