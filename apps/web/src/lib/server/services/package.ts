/** A job handed out whole, as a zip that is made while it is sent: one file after the other, and the signed manifest last. */
import {
  JOB_IN_PACKAGE,
  LOG_IN_PACKAGE,
  MANIFEST,
  manifestText,
  pictureInPackage,
  writeJobFile,
  type LogFile,
  type Manifest,
  type PackedFile,
} from '@hulvek/core';
import { asc, eq, getTableName } from 'drizzle-orm';
import { Zip, type ZipInputFile } from 'fflate';
import { createHash } from 'node:crypto';
import { promisify } from 'node:util';
import { crc32, deflateRaw } from 'node:zlib';
import type { Action } from '../../contract/rights.ts';
import { supplyAsSeen } from '../../contract/supply-seen.ts';
import type { Database } from '../db/index.ts';
import { entries, foreignLogs, photos } from '../db/schema/index.ts';
import { checkPage } from '../check-page.ts';
import { signingKey } from '../evidence-key.ts';
import { exportLog } from './evidence.ts';
import { calendarOf } from './feed.ts';
import { exportJob, loadContext } from './jobs.ts';
import { barePartsOf } from './openings.ts';
import { beside } from '../beside/threads.ts';
import { PACKED_TABLES, rowsOf, rowsPath } from './package-rows.ts';

export interface PackageAsked {
  readonly job: string;
  /** The job file names people: it is in the package only with names. */
  readonly names: boolean;
  readonly pictures: boolean;
  /** With every row as it is, for an empty installation to be restored from: only for owners, and only with names. */
  readonly rows: boolean;
  /** With drawings, sections and tables that other programs read. */
  readonly drawings: boolean;
  /** Whoever asks, whose own calendar goes with it where names do. */
  readonly person: string;
  readonly rights: readonly Action[];
}

/** @returns `null` where there is no such job */
export async function packageOf(
  db: Database,
  asked: PackageAsked,
): Promise<ReadableStream<Uint8Array> | null> {
  const log = await exportLog(db, asked.job, asked.names);
  if (!log) return null;
  const made = zipped(filesOf(db, asked, log), { job: asked.job, names: asked.names, head: log.head });
  return new ReadableStream<Uint8Array>({
    async pull(controller) {
      const { value, done } = await made.next();
      if (done) controller.close();
      else controller.enqueue(value);
    },
    cancel: async () => void (await made.return(undefined)),
  });
}

interface Packed {
  readonly path: string;
  readonly content: string | Uint8Array;
  /** Whether it is packed by itself already. */
  readonly dense?: true;
}

async function* filesOf(db: Database, asked: PackageAsked, log: LogFile): AsyncGenerator<Packed, void, void> {
  const { job, names } = asked;
  yield { path: LOG_IN_PACKAGE, content: JSON.stringify(log) };
  // For whoever has nothing else; a page that came with a package proves nothing about it, and says so.
  const page = checkPage();
  if (page) yield { path: 'check.html', content: page.html };
  const file = names ? await exportJob(db, job) : null;
  if (file) yield { path: JOB_IN_PACKAGE, content: supplyAsSeen(writeJobFile(file), asked.rights) };
  if (names) yield* foreignIn(db, job);
  if (names && asked.rows)
    for (const packed of PACKED_TABLES)
      yield { path: rowsPath(getTableName(packed.table)), content: await rowsOf(db, job, packed) };
  if (asked.drawings) yield* readable(db, asked);
  if (!asked.pictures) return;
  const ids = await db
    .select({ id: entries.id })
    .from(entries)
    .innerJoin(photos, eq(photos.id, entries.id))
    .where(eq(entries.jobId, job))
    .orderBy(asc(entries.seq));
  // One picture in memory at a time.
  for (const { id } of ids) {
    const [row] = await db.select({ bytes: photos.bytes }).from(photos).where(eq(photos.id, id));
    if (row) yield { path: pictureInPackage(id), content: new Uint8Array(row.bytes), dense: true };
  }
}

/** Logs of other installations that came with what was brought, as they came. */
async function* foreignIn(db: Database, job: string): AsyncGenerator<Packed, void, void> {
  const rows = await db
    .select()
    .from(foreignLogs)
    .where(eq(foreignLogs.jobId, job))
    .orderBy(asc(foreignLogs.at));
  for (const { id, log, manifest } of rows) {
    yield { path: `foreign/${id}/log.json`, content: log };
    yield { path: `foreign/${id}/manifest.json`, content: manifest };
  }
}

/** Drawings, sections and tables, drawn beside the server one opening after the other. */
async function* readable(
  db: Database,
  { job, names, person }: PackageAsked,
): AsyncGenerator<Packed, void, void> {
  const context = await loadContext(db, job);
  if (!context) return;
  const at = new Date().toISOString();
  const bare = await barePartsOf(db, job);
  const files = await beside('packTables', { parts: bare.map(({ part }) => part), context });
  for (const [path, content] of files) yield { path, content };
  const { file } = await beside('writeModel', { parts: bare, context, at });
  yield { path: 'openings.ifc', content: file };
  for (const [i, part] of bare.entries())
    for (const [path, content] of await beside('packOpening', { ...part, context, number: i + 1, at }))
      yield { path, content };
  if (names && person !== '') yield { path: 'calendar.ics', content: await calendarOf(db, job, person) };
}

const deflated = promisify<Uint8Array, Buffer>(deflateRaw);
const DEFLATED = 8;

/** One file after the other, and the signed manifest last. */
async function* zipped(
  files: AsyncIterable<Packed>,
  of: Pick<Manifest, 'job' | 'names' | 'head'>,
): AsyncGenerator<Uint8Array, void, void> {
  let ready: Uint8Array[] = [];
  const zip = new Zip((error, part) => {
    if (error) throw error;
    ready.push(part);
  });
  const taken = () => {
    const now = ready;
    ready = [];
    return now;
  };
  const add = async (path: string, bytes: Uint8Array, dense = false) => {
    const entry: ZipInputFile = {
      filename: path,
      size: bytes.length,
      crc: crc32(bytes),
      compression: dense ? 0 : DEFLATED,
    };
    zip.add(entry);
    entry.ondata?.(null, new Uint8Array(dense ? bytes : await deflated(bytes)), true);
  };
  const list: PackedFile[] = [];
  for await (const { path, content, dense } of files) {
    const bytes = typeof content === 'string' ? Buffer.from(content) : content;
    list.push({ path, bytes: bytes.length, sha256: createHash('sha256').update(bytes).digest('hex') });
    await add(path, bytes, dense);
    yield* taken();
  }
  const { key, sign } = signingKey();
  const said = {
    format: 'hulvek-package' as const,
    version: 1 as const,
    ...of,
    at: new Date().toISOString(),
    files: list,
    key,
  };
  const manifest: Manifest = { ...said, signature: sign(manifestText(said)) };
  await add(MANIFEST, Buffer.from(JSON.stringify(manifest)));
  zip.end();
  yield* taken();
}
