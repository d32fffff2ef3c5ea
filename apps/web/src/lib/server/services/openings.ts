/** Openings: what was chosen, in versions, and what was measured and done there, in records that are only added. */
import {
  openingOf,
  type Entry,
  type JobContext,
  type Opening,
  type OpeningDocument,
  type Reading,
} from '@hulvek/core';
import { and, asc, eq, isNull, sql } from 'drizzle-orm';
import { inTransaction, type Database, type Queries } from '../db/index.ts';
import { entries, judgements, openings, openingVersions, readings } from '../db/schema/index.ts';
import type { OpeningPart } from '../../contract/pack.ts';
import { storedEntry, storedJudged, storedOpening, storedReading } from '../db/stored.ts';
import { byOpening, inJob, type Kept } from './by-opening.ts';
import { announce } from './changes.ts';
import { issuesByOpening } from './frozen-plans.ts';
import { namesIn, unnamed } from './names.ts';

export type { OpeningPart };

export const openingOfPart = (part: OpeningPart): Opening => openingOf(part.document, part.readings);

/** Openings as what is drawn and written beside the server is made from: without what those have no use for. */
export const barePartsOf = async (db: Queries, job: string) =>
  (await loadParts(db, job)).map((part) => ({
    part: { document: part.document, issues: part.issues, entries: part.entries },
    opening: openingOfPart(part),
  }));

/** Joins an opening to what is chosen for it now. */
export const newestVersion = and(
  eq(openingVersions.jobId, openings.jobId),
  eq(openingVersions.openingId, openings.id),
  eq(openingVersions.version, openings.version),
);

/** All openings of a job in their order, or those named. */
export async function loadParts(
  db: Queries,
  job: string,
  opening?: string | readonly string[],
): Promise<OpeningPart[]> {
  const issues = await issuesByOpening(db, job, opening);
  const parts = await loadPartsWithoutPlans(db, job, opening);
  return parts.map((part) => ({ ...part, issues: issues.get(part.document.id) ?? [] }));
}

/** The same without frozen plans, which are by far the most of an opening and change least. */
export async function loadPartsWithoutPlans(
  db: Queries,
  job: string,
  opening?: string | readonly string[],
): Promise<Omit<OpeningPart, 'issues'>[]> {
  const here = inJob(job, opening);
  const documents = await db
    .select({ document: openingVersions.document, version: openings.version })
    .from(openings)
    .innerJoin(openingVersions, newestVersion)
    .where(and(here(openingVersions), isNull(openings.removedAt)))
    .orderBy(asc(openings.position));
  const measured = await db
    .select()
    .from(readings)
    .where(here(readings))
    .orderBy(asc(readings.receivedAt), asc(readings.seq));
  const done = await db.select().from(entries).where(here(entries)).orderBy(asc(entries.seq));
  const judged = await db.select().from(judgements).where(here(judgements));
  const names = await namesIn(db, job, [...measured, ...done]);
  const of = byOpening;
  const [r, e, j] = [of(measured), of(done), of(judged)];
  return documents.map(({ document: stored, version }) => {
    const document = names.named(storedOpening(stored));
    return {
      document,
      version,
      readings: (r.get(document.id) ?? []).map((row) => storedReading(row, names.of(row))),
      entries: (e.get(document.id) ?? []).map((row) => storedEntry(row, names.of(row))),
      ...withJudged(j.get(document.id)?.[0]),
    };
  });
}

function withJudged(row: typeof judgements.$inferSelect | undefined): Pick<OpeningPart, 'judged'> {
  const judged = storedJudged(row);
  return judged ? { judged } : {};
}

/** What is chosen for the openings of a job, in their order, nobody named. */
export async function loadDocuments(db: Queries, job: string): Promise<OpeningDocument[]> {
  const rows = await db
    .select({ document: openingVersions.document })
    .from(openings)
    .innerJoin(openingVersions, newestVersion)
    .where(and(eq(openings.jobId, job), isNull(openings.removedAt)))
    .orderBy(asc(openings.position));
  return rows.map(({ document }) => storedOpening(document));
}

/** The openings of a job as plans are made of them, without what was done there. */
export async function loadOpenings(db: Queries, job: string): Promise<Opening[]> {
  const documents = await loadDocuments(db, job);
  const measured = byOpening(
    await db
      .select()
      .from(readings)
      .where(eq(readings.jobId, job))
      .orderBy(asc(readings.receivedAt), asc(readings.seq)),
  );
  const names = await namesIn(db, job);
  return documents.map((stored) => {
    const document = names.named(stored);
    return openingOf(
      document,
      (measured.get(document.id) ?? []).map((row) => storedReading(row)),
    );
  });
}

export async function loadPart(db: Queries, job: string, opening: string): Promise<OpeningPart | null> {
  const [part] = await loadParts(db, job, opening);
  return part ?? null;
}

export type SaveResult =
  | { readonly ok: true; readonly version: number }
  | { readonly ok: false; readonly theirs: { document: OpeningDocument; version: number } | null };

/** Saves what is chosen for an opening when nobody else saved since `from`; otherwise gives back what is stored. */
export async function saveOpening(
  db: Database,
  job: string,
  save: { readonly document: OpeningDocument; readonly from: number; readonly user: string | null },
): Promise<SaveResult> {
  const { document, from, user } = save;
  return inTransaction(db, async (tx) => {
    const [saved] = await tx
      .update(openings)
      .set({ version: from + 1 })
      .where(and(eq(openings.jobId, job), eq(openings.id, document.id), eq(openings.version, from)))
      .returning({ version: openings.version });
    if (saved) {
      await tx.insert(openingVersions).values(versionRow(job, document, saved.version, { userId: user }));
      await announce(tx, { job, opening: document.id });
      return { ok: true as const, version: saved.version };
    }
    const part = await loadPart(tx, job, document.id);
    return { ok: false as const, theirs: part && { document: part.document, version: part.version } };
  });
}

/** Adds openings after those the job has; `false`, with nothing added, when one of their ids is taken. */
export async function addOpenings(
  db: Queries,
  job: string,
  documents: readonly OpeningDocument[],
  by: { readonly userId: string | null } = { userId: null },
): Promise<boolean> {
  if (documents.length === 0) return true;
  if (!(await insertOpenings(db, job, documents, by))) return false;
  await announce(db, { job, opening: null });
  return true;
}

/** The same, told to nobody yet. */
export async function insertOpenings(
  db: Queries,
  job: string,
  documents: readonly OpeningDocument[],
  by: { readonly userId: string | null },
): Promise<boolean> {
  const next = sql<number>`(select coalesce(max(position), -1) + 1 from openings where job_id = ${job})`;
  const added = await db
    .insert(openings)
    .values(
      documents.map(({ id }, i) => ({ jobId: job, id, position: sql`${next} + ${sql.raw(String(i))}` })),
    )
    .onConflictDoNothing()
    .returning({ id: openings.id });
  if (added.length < documents.length) return false;
  await db.insert(openingVersions).values(documents.map((document) => versionRow(job, document, 1, by)));
  return true;
}

/** One version of what is chosen for an opening, as it is stored. */
export const versionRow = (
  jobId: string,
  document: OpeningDocument,
  version: number,
  by: { readonly userId: string | null },
): typeof openingVersions.$inferInsert => ({
  jobId,
  openingId: document.id,
  version,
  document: unnamed(document),
  ...by,
});

/** What an opening goes by has to be in its job: what is made of it could not be read any more. */
export function notInJob(
  { walls, units, methods }: Pick<JobContext, 'walls' | 'units' | 'methods'>,
  { wall, unit, method }: OpeningDocument,
): 'wall' | 'unit' | 'method' | null {
  const has = (list: readonly { id: string }[], id: string | null) =>
    id === null || list.some((item) => item.id === id);
  if (!has(walls, wall)) return 'wall';
  if (!has(units, unit)) return 'unit';
  return has(methods, method) ? null : 'method';
}

/** Every version of what was chosen for an opening, oldest first. */
export async function loadVersions(
  db: Queries,
  job: string,
  opening: string,
): Promise<{ version: number; document: OpeningDocument; person: string; at: Date }[]> {
  const rows = await db
    .select({
      version: openingVersions.version,
      document: openingVersions.document,
      userId: openingVersions.userId,
      broughtId: openingVersions.broughtId,
      at: openingVersions.at,
    })
    .from(openingVersions)
    .where(and(eq(openingVersions.jobId, job), eq(openingVersions.openingId, opening)))
    .orderBy(asc(openingVersions.version));
  const names = await namesIn(db, job, rows);
  return rows.map(({ version, document, at, ...by }) => ({
    version,
    document: names.named(storedOpening(document)),
    person: by.userId === null && by.broughtId === null ? '' : names.of(by).person,
    at,
  }));
}

export function entryRow(jobId: string, entry: Entry): Kept<typeof entries.$inferInsert> {
  const { opening, at, received, person: _person, account: _account, brought: _brought, ...rest } = entry;
  return {
    ...rest,
    jobId,
    openingId: opening,
    at: new Date(at),
    ...(received !== undefined && { receivedAt: new Date(received) }),
  };
}

export function readingRow(jobId: string, reading: Reading): Kept<typeof readings.$inferInsert> {
  const { opening, from, at, received, person: _person, account: _account, ...others } = reading;
  const { brought: _brought, ...rest } = others;
  return {
    ...rest,
    jobId,
    openingId: opening,
    seenFrom: from,
    at: at === null ? null : new Date(at),
    ...(received !== undefined && { receivedAt: new Date(received) }),
  };
}
