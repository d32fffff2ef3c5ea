/** A package looked at, brought in as somebody else's, or an empty installation restored from it: all of it or nothing. */
import {
  checkPackage,
  fingerprintOf,
  isFingerprint,
  JOB_IN_PACKAGE,
  packageFiles,
  packageLines,
  PackageRefused,
  pictureInPackage,
  readJobFile,
  readPackage,
  type JobFile,
  type PackageVerdict,
  type ReadPackage,
} from '@hulvek/core';
import * as z from 'zod/mini';
import { inText } from '../../contract/read.ts';
import { packagesWords } from '$words/packages.ts';
import { getTableName } from 'drizzle-orm';
import { createHash } from 'node:crypto';
import { openDatabase, inTransaction, type Database, type Queries } from '../db/index.ts';
import { foreignLogs, photos } from '../db/schema/index.ts';
import type { LookedAt } from '../../contract/packages.ts';
import { note } from '../services/audit.ts';
import { countJobs, exportJob, importJob } from '../services/jobs.ts';
import { partsOf } from '../services/package-parts.ts';
import { PACKED_TABLES, putRowsBack, rowsPath } from '../services/package-rows.ts';
import { movedOver, putPeopleBack } from '../services/people-back.ts';
import { roleIn } from '../services/people.ts';
import { pictureOf } from '../picture.ts';
import { withFreshIds } from './fresh-ids.ts';
import { unfitEntries } from './import-job-file.ts';
import { toldProgress } from './progress.ts';

export type PackageTaken =
  | { readonly ok: true; readonly looked: LookedAt }
  | { readonly ok: true; readonly job: string }
  | { readonly ok: false; readonly there: string }
  | { readonly ok: false; readonly lines: readonly string[] };

interface PackageTask {
  readonly url: string;
  readonly task: string;
  readonly user: string;
  readonly package: string;
  readonly file: string;
  readonly step: 'look' | 'bring' | 'restore';
  readonly fingerprint: string;
  /** The key of this installation, base64. */
  readonly ownKey: string;
  /** Whether this person may fill an installation. */
  readonly isKeeper: boolean;
}

/** As many lines as somebody reads. */
const MOST_LINES = 8;
const sha256 = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');
const refused = (...lines: string[]): PackageTaken => ({ ok: false, lines });

export async function takePackage(of: PackageTask): Promise<PackageTaken> {
  const { db, pool } = openDatabase(of.url);
  const tell = toldProgress(db, of.task);
  try {
    await tell(0.02);
    const read = await readPackage(partsOf(db, of.package), sha256);
    await tell(0.4);
    const verdict = checkPackage(read.manifest, read.files, read.log);
    if (of.step === 'look') return { ok: true, looked: await lookedAt(db, of, read, verdict) };
    const problems = problemLines(of.file, read, verdict);
    if (problems.length > 0) return refused(...problems);
    return of.step === 'bring' ? await bring(db, of, read, tell) : await restore(db, of, read, tell);
  } catch (error) {
    if (error instanceof PackageRefused) return refused(packagesWords.refused(of.file, error.message));
    throw error;
  } finally {
    await pool.end();
  }
}

/** What does not fit: whatever a sound package says of itself is no problem. */
function problemLines(file: string, { manifest }: ReadPackage, verdict: PackageVerdict): string[] {
  const wrong = verdict.problems.length + (verdict.log?.problems.length ?? 0);
  return wrong === 0 ? [] : packageLines(file, manifest, verdict, []).slice(0, MOST_LINES);
}

const has = ({ files }: ReadPackage, path: string): boolean => files.some((file) => file.path === path);
const hasRows = (read: ReadPackage): boolean =>
  PACKED_TABLES.every(({ table }) => has(read, rowsPath(getTableName(table))));

async function lookedAt(
  db: Database,
  { file, package: id, user, ownKey, isKeeper }: PackageTask,
  read: ReadPackage,
  verdict: PackageVerdict,
): Promise<LookedAt> {
  const { manifest, log } = read;
  const problems = problemLines(file, read, verdict);
  const isSound = problems.length === 0;
  const isThere = (await roleIn(db, manifest.job, user)) !== null;
  return {
    package: id,
    job: manifest.job,
    name: log?.name ?? manifest.job,
    at: manifest.at,
    entries: log?.entries.length ?? 0,
    pictures: verdict.pictures,
    files: verdict.files,
    own: manifest.key === ownKey,
    there: isThere,
    problems,
    canBring: isSound && !isThere && has(read, JOB_IN_PACKAGE),
    canRestore: isSound && hasRows(read) && isKeeper && (await countJobs(db)) === 0,
  };
}

/** Bytes of wanted files, one at a time, that are what the manifest says. */
async function* wantedFiles(
  db: Queries,
  of: PackageTask,
  read: ReadPackage,
  wanted: (path: string) => boolean,
) {
  const digests = new Map(read.files.map(({ path, sha256: digest }) => [path, digest]));
  for await (const file of packageFiles(partsOf(db, of.package))) {
    if (!wanted(file.path)) continue;
    if (digests.get(file.path) !== sha256(file.bytes))
      throw new PackageRefused(packagesWords.changedMeanwhile);
    yield file;
  }
}

async function bring(
  db: Database,
  of: PackageTask,
  read: ReadPackage,
  tell: (share: number) => Promise<unknown>,
): Promise<PackageTaken> {
  let [text, log, manifest] = ['', '', ''];
  for await (const { path, bytes } of packageFiles(partsOf(db, of.package))) {
    if (path === JOB_IN_PACKAGE) text = new TextDecoder().decode(bytes);
    if (path === 'log.json') log = new TextDecoder().decode(bytes);
    if (path === 'manifest.json') manifest = new TextDecoder().decode(bytes);
  }
  if (text === '') return refused(packagesWords.noJobFile);
  const file = readJobFile(text);
  const problems = file.ok ? unfitEntries(file.value) : file.problems;
  if (!file.ok || problems.length > 0)
    return refused(...problems.slice(0, MOST_LINES).map(({ path, message }) => `${path}: ${message}`));
  await tell(0.6);
  const put = async (job: JobFile, idOf: (id: string) => string): Promise<boolean> => {
    const asked = new Map(
      job.records.entries.flatMap(({ id, photo }) => (photo ? [[id, photo.sha256] as const] : [])),
    );
    const also = async (tx: Queries) => {
      const prefix = pictureInPackage('');
      for await (const one of wantedFiles(db, of, read, (path) => path.startsWith(prefix))) {
        const id = idOf(one.path.slice(prefix.length));
        if (asked.get(id) !== pictureOf(one.bytes)?.sha256)
          throw new PackageRefused(packagesWords.noPicture(one.path));
        await tx.insert(photos).values({ id, bytes: Buffer.from(one.bytes) });
      }
      await tx
        .insert(foreignLogs)
        .values({ jobId: job.job.id, userId: of.user, file: of.file, log, manifest });
      await note(tx, {
        action: 'brought',
        user: of.user,
        job: job.job.id,
        about: fingerprintOf(read.manifest.key),
      });
    };
    return importJob(db, job, { user: of.user, file: of.file, also });
  };
  if (await put(file.value, (id) => id)) return { ok: true, job: file.value.job.id };
  if ((await roleIn(db, file.value.job.id, of.user)) !== null)
    return { ok: false, there: file.value.job.name };
  // Somebody else has it: whoever does not belong to it is not told, and gets one of his own.
  const own = withFreshIds(file.value);
  await put(own.file, own.idOf);
  return { ok: true, job: own.file.job.id };
}

async function restore(
  db: Database,
  of: PackageTask,
  read: ReadPackage,
  tell: (share: number) => Promise<unknown>,
): Promise<PackageTaken> {
  if (!of.isKeeper) return refused(packagesWords.notKeeper);
  if (!hasRows(read)) return refused(packagesWords.noRows);
  const { key, job } = read.manifest;
  if (key !== of.ownKey && !isFingerprint(of.fingerprint, key)) return refused(packagesWords.otherKey);
  try {
    const moved = await inTransaction(db, async (tx) => {
      let over: string | null = null;
      if ((await countJobs(tx)) > 0) throw new PackageRefused(packagesWords.notEmpty);
      const rows = new Map<string, string[]>();
      for await (const { path, bytes } of wantedFiles(db, of, read, (p) => p.startsWith('rows/')))
        rows.set(path, new TextDecoder().decode(bytes).split('\n').filter(Boolean));
      for (const [at, packed] of PACKED_TABLES.entries()) {
        const name = getTableName(packed.table);
        const lines = rows.get(rowsPath(name)) ?? [];
        if (name === 'users') over = await putPeopleBack(tx, packed, lines, of.user);
        else {
          mustBeOf(job, name, lines);
          await putRowsBack(tx, packed, lines);
        }
        await tell(0.4 + (0.3 * at) / PACKED_TABLES.length);
      }
      const prefix = pictureInPackage('');
      for await (const one of wantedFiles(db, of, read, (path) => path.startsWith(prefix)))
        await tx.insert(photos).values({ id: one.path.slice(prefix.length), bytes: Buffer.from(one.bytes) });
      // Whatever is no document of ours ends it here, before anything is kept.
      await exportJob(tx, job);
      await note(tx, { action: 'restored', user: null, job, about: fingerprintOf(key) });
      return over;
    });
    if (moved !== null) await inTransaction(db, (tx) => movedOver(tx, of.user, moved));
  } catch (error) {
    if (error instanceof PackageRefused) throw error;
    return refused(packagesWords.rowsUnfit(error instanceof Error ? error.message.slice(0, 200) : ''));
  }
  return { ok: true, job };
}

const ofJob = z.looseObject({ id: z.optional(z.unknown()), job_id: z.optional(z.unknown()) });

/** Rows of another job have no place in a package of this one. */
function mustBeOf(job: string, table: string, lines: readonly string[]): void {
  for (const line of lines) {
    const row = inText(ofJob, line);
    if (row === null || (table === 'jobs' ? row.id : row.job_id) !== job)
      throw new PackageRefused(packagesWords.otherJob(table));
  }
}
