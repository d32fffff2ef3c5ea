/** A job handed out whole: its files with their digests in a manifest that the installation signed; format `hulvek-package`, version 1. */
import { ed25519 } from '@noble/curves/ed25519.js';
import { utf8ToBytes } from '@noble/hashes/utils.js';
import * as z from 'zod/mini';
import { signedHeadSchema, type SignedHead } from '../documents/day.ts';
import { instant, words } from '../documents/fields.ts';
import { canonical } from '../quantities/content-hash.ts';
import { sha256OfBytes } from './digest.ts';
import type { LogFile } from './document.ts';
import { bytesOf, verifyLog, type LogVerdict } from './verify.ts';

export const MANIFEST = 'manifest.json';
export const LOG_IN_PACKAGE = 'log.json';
export const JOB_IN_PACKAGE = 'job.hulvek.json';
export const pictureInPackage = (id: string): string => `pictures/${id}`;

/** As long as a path may be, and as many files as a package may have. */
const LONGEST_PATH = 200;
export const MOST_FILES = 60_000;

/** Plain names in folders, and nothing that leads out of the package or is another name for one of its files. */
export const isPlainPath = (path: string): boolean =>
  path.length <= LONGEST_PATH && /^[A-Za-z0-9_][A-Za-z0-9._-]*(\/[A-Za-z0-9_][A-Za-z0-9._-]*)*$/.test(path);

const fileSchema = z.strictObject({
  path: z.string().check(z.refine(isPlainPath, 'a plain path')),
  bytes: z.int().check(z.nonnegative()),
  sha256: z.string().check(z.regex(/^[0-9a-f]{64}$/)),
});
export type PackedFile = z.infer<typeof fileSchema>;

export const manifestSchema = z.strictObject({
  format: z.literal('hulvek-package'),
  version: z.literal(1),
  job: words(64),
  at: instant,
  /** Whether people are called by their names in it. */
  names: z.boolean(),
  head: z.nullable(signedHeadSchema),
  files: z.array(fileSchema).check(z.maxLength(MOST_FILES)),
  /** The key that signed this, base64, and its signature of everything else. */
  key: words(60),
  signature: words(120),
});
export type Manifest = z.infer<typeof manifestSchema>;

/** The name of a key that people compare: 20 digits of the SHA-256 of its bytes, in fours. */
export const fingerprintOf = (key: string): string =>
  sha256OfBytes(bytesOf(key) ?? new Uint8Array())
    .slice(0, FINGERPRINT_digits)
    .replaceAll(/(.{4})(?=.)/g, '$1 ');
const FINGERPRINT_digits = 20;

/** Whether two fingerprints are one, however they were typed. */
export const isFingerprint = (typed: string, key: string): boolean => {
  const bare = (text: string) => text.toLowerCase().replaceAll(/[^0-9a-f]/g, '');
  return bare(typed).length === FINGERPRINT_digits && bare(typed) === bare(fingerprintOf(key));
};

/** What is signed. */
export const manifestText = ({
  signature: _signature,
  ...said
}: Omit<Manifest, 'signature'> & { signature?: string }): string => canonical(said);

export type PackageProblem =
  | { readonly code: 'missing' | 'extra' | 'changed'; readonly path: string }
  /** The picture of an entry is not the one that its log names. */
  | { readonly code: 'picture'; readonly entry: string }
  | { readonly code: 'signature' | 'no-log' | 'other-head' };

export interface PackageVerdict {
  readonly problems: readonly PackageProblem[];
  readonly log: LogVerdict | null;
  readonly files: number;
  readonly pictures: number;
}

function isSigned(manifest: Manifest): boolean {
  const [signature, key] = [bytesOf(manifest.signature), bytesOf(manifest.key)];
  if (signature?.length !== 64 || key?.length !== 32) return false;
  try {
    return ed25519.verify(signature, utf8ToBytes(manifestText(manifest)), key);
  } catch {
    return false;
  }
}

/**
 * Returns everything that does not fit.
 *
 * @param found the files that are there, without the manifest
 * @param held heads that somebody kept from before
 */
export function checkPackage(
  manifest: Manifest,
  found: readonly PackedFile[],
  log: LogFile | null,
  held: readonly SignedHead[] = [],
): PackageVerdict {
  const problems: PackageProblem[] = [];
  if (!isSigned(manifest)) problems.push({ code: 'signature' });
  const named = new Map(manifest.files.map((file) => [file.path, file]));
  const there = new Map(found.map((file) => [file.path, file]));
  for (const { path, bytes, sha256 } of manifest.files) {
    const own = there.get(path);
    if (!own) problems.push({ code: 'missing', path });
    else if (own.sha256 !== sha256 || own.bytes !== bytes) problems.push({ code: 'changed', path });
  }
  for (const { path } of found) if (!named.has(path)) problems.push({ code: 'extra', path });
  if (!log) problems.push({ code: 'no-log' });
  else if (log.head?.head !== manifest.head?.head || log.job !== manifest.job)
    problems.push({ code: 'other-head' });
  let pictures = 0;
  for (const entry of log?.entries ?? []) {
    const { photo } = entry as { photo?: { sha256?: unknown } };
    if (typeof photo?.sha256 !== 'string') continue;
    pictures++;
    if (there.get(pictureInPackage(entry.id))?.sha256 !== photo.sha256)
      problems.push({ code: 'picture', entry: entry.id });
  }
  return { problems, log: log && verifyLog(log, held), files: found.length, pictures };
}
