/** Whether a package is what was signed, from the command line: it is read as it comes, and nothing of it is written anywhere. */
import { hash } from 'node:crypto';
import type { SignedHead } from '@hulvek/core/documents/day';
import { packageLines } from '@hulvek/core/evidence/lines';
import { checkPackage } from '@hulvek/core/evidence/package';
import {
  PackageRefused,
  readPackage,
  type Chunks,
  type ReadPackage,
} from '@hulvek/core/evidence/read-package';
import type { CliResult } from './result.ts';

export async function verifyPackage(
  path: string,
  chunks: Chunks,
  held: readonly SignedHead[],
  json = false,
): Promise<CliResult> {
  let read: ReadPackage;
  try {
    read = await readPackage(chunks, (bytes) => hash('sha256', bytes));
  } catch (error) {
    const why = error instanceof PackageRefused ? error.message : 'it cannot be read';
    return { exit: 2, out: '', err: `${path}: ${why}.\n` };
  }
  const verdict = checkPackage(read.manifest, read.files, read.log, held);
  const wrong = verdict.problems.length + (verdict.log?.problems.length ?? 0);
  const out = json
    ? JSON.stringify(verdict, null, 2)
    : packageLines(path, read.manifest, verdict, held).join('\n');
  return { exit: wrong > 0 ? 1 : 0, out: `${out}\n`, err: '' };
}
