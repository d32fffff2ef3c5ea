/** A package read as it comes, file by file, with limits: whatever does not keep to them is refused in words before it is used. */
import { Unzip, UnzipInflate } from 'fflate';
import { readBy } from '../documents/read.ts';
import { sha256OfBytes } from './digest.ts';
import { logSchema, type LogFile } from './document.ts';
import {
  isPlainPath,
  LOG_IN_PACKAGE,
  MANIFEST,
  manifestSchema,
  MOST_FILES,
  type Manifest,
  type PackedFile,
} from './package.ts';

const MiB = 1024 * 1024;
const GiB = 1024 * MiB;
/** Larger than any package of a season; what unpacks to more than so many times what came is a trap. */
const LIMITS = { all_bytes: 8 * GiB, file_bytes: 256 * MiB, ratio: 400, ratioFrom_bytes: MiB } as const;

/** Why a package is refused: the rest of a sentence that begins with its name. */
export class PackageRefused extends Error {}

export interface PackageFile {
  readonly path: string;
  readonly bytes: Uint8Array;
}
export type Chunks = AsyncIterable<Uint8Array> | Iterable<Uint8Array>;

export const isZip = (first: Uint8Array): boolean => first[0] === 0x50 && first[1] === 0x4b;

/** The files of a zip, one after the other, each whole. @throws PackageRefused */
export async function* packageFiles(chunks: Chunks): AsyncGenerator<PackageFile, void, void> {
  const seen = new Set<string>();
  let ready: PackageFile[] = [];
  let [came, all, open] = [0, 0, 0];
  const unzip = new Unzip((file) => {
    const { name: path } = file;
    if (!isPlainPath(path))
      throw new PackageRefused(`it names a file that no package has: ${JSON.stringify(path.slice(0, 80))}`);
    if (seen.has(path.toLowerCase())) throw new PackageRefused(`${path} is in it twice`);
    if (seen.size >= MOST_FILES) throw new PackageRefused(`it has more than ${MOST_FILES} files`);
    seen.add(path.toLowerCase());
    let parts: Uint8Array[] = [];
    let bytes = 0;
    open++;
    file.ondata = (error, data, final) => {
      if (error) throw new PackageRefused(`${path} cannot be unpacked`);
      bytes += data.length;
      all += data.length;
      if (all > LIMITS.all_bytes) throw new PackageRefused('it unpacks to more than 8 GiB');
      if (bytes > LIMITS.file_bytes) throw new PackageRefused(`${path} is larger than 256 MiB`);
      if (all > LIMITS.ratioFrom_bytes && all > came * LIMITS.ratio)
        throw new PackageRefused(`${path} unpacks to more than ${LIMITS.ratio} times its size`);
      // What came may be overwritten by what comes next.
      parts.push(data.slice());
      if (!final) return;
      open--;
      ready.push({ path, bytes: joined(parts, bytes) });
      parts = [];
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  const push = (part: Uint8Array, last: boolean) => {
    try {
      unzip.push(part, last);
    } catch (error) {
      throw error instanceof PackageRefused ? error : new PackageRefused('it is no whole zip');
    }
    const now = ready;
    ready = [];
    return now;
  };
  for await (const chunk of chunks) {
    came += chunk.length;
    yield* push(chunk, false);
  }
  yield* push(new Uint8Array(), true);
  if (open > 0) throw new PackageRefused('it ends before its last file does');
}

function joined(parts: readonly Uint8Array[], length: number): Uint8Array {
  const [only] = parts;
  if (parts.length === 1 && only) return only;
  const whole = new Uint8Array(length);
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

export interface ReadPackage {
  readonly manifest: Manifest;
  readonly log: LogFile | null;
  /** Without the manifest. */
  readonly files: readonly PackedFile[];
}

/**
 * Manifest and log of a package, and name, size and digest of every file.
 *
 * @param digest SHA-256 in 64 digits, where the platform has a faster one
 * @throws PackageRefused
 */
export async function readPackage(
  chunks: Chunks,
  digest: (bytes: Uint8Array) => string = sha256OfBytes,
): Promise<ReadPackage> {
  const files: PackedFile[] = [];
  const texts = new Map<string, string>();
  for await (const { path, bytes } of packageFiles(chunks)) {
    if (path === MANIFEST || path === LOG_IN_PACKAGE) texts.set(path, new TextDecoder().decode(bytes));
    if (path !== MANIFEST) files.push({ path, bytes: bytes.length, sha256: digest(bytes) });
  }
  const manifest = readBy(manifestSchema, jsonOf(texts.get(MANIFEST)));
  if (!manifest.ok) throw new PackageRefused('it has no manifest of a Hulvek package');
  const log = readBy(logSchema, jsonOf(texts.get(LOG_IN_PACKAGE)));
  return { manifest: manifest.value, log: log.ok ? log.value : null, files };
}

function jsonOf(text: string | undefined): unknown {
  try {
    return text === undefined ? undefined : JSON.parse(text);
  } catch {
    return undefined;
  }
}
