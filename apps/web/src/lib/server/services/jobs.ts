/** Jobs and their openings: what people entered, read and written as the documents of the core. */
import { randomUUID } from 'node:crypto';
import {
  contentHash,
  filledIn,
  type Entry,
  JOB_FORMAT,
  JOB_VERSION,
  type Job,
  type Issue,
  type JobContext,
  type JobFile,
  type Maker,
  type OpeningDocument,
  type Reading,
} from '@hulvek/core';
import { and, asc, eq, isNotNull, isNull, lt, sql } from 'drizzle-orm';
import { inTransaction, type Database, type Queries } from '../db/index.ts';
import {
  brought,
  entries,
  jobs,
  members,
  openings,
  planIssues,
  readings,
  tokens,
} from '../db/schema/index.ts';
import { may, type Role } from '../../contract/rights.ts';
import { sitePartsOf, type SitePart } from '../../contract/site-parts.ts';
import { storedContext, storedJob } from '../db/stored.ts';
import { note } from './audit.ts';
import { withoutCalendarAccounts } from './calendar-people.ts';
import { announce } from './changes.ts';
import { issueRow } from './frozen-plans.ts';
import { addOpenings, entryRow, loadDocuments, loadParts, readingRow } from './openings.ts';

export async function countJobs(db: Queries): Promise<number> {
  return db.$count(jobs);
}

/** How long a deleted job can be put back, days. */
export const KEEP_DELETED_days = 30;

/** Takes a job out of everybody's sight; after a while it is gone. */
export async function deleteJob(db: Database, job: string, user: string | null): Promise<void> {
  await inTransaction(db, async (tx) => {
    await tx.update(jobs).set({ deletedAt: new Date() }).where(eq(jobs.id, job));
    await tx
      .update(tokens)
      .set({ revokedAt: new Date() })
      .where(and(eq(tokens.jobId, job), isNull(tokens.usedAt), isNull(tokens.revokedAt)));
    await note(tx, { action: 'job-deleted', user, job });
    await announce(tx, { job, opening: null });
  });
}

/** @returns whether this person owns the job, so that it is back */
export async function putBackJob(db: Database, job: string, user: string): Promise<boolean> {
  return inTransaction(db, async (tx) => {
    const [owner] = await tx
      .select({ job: members.jobId })
      .from(members)
      .where(and(eq(members.jobId, job), eq(members.userId, user), eq(members.role, 'owner')));
    if (!owner) return false;
    await tx.update(jobs).set({ deletedAt: null }).where(eq(jobs.id, job));
    await note(tx, { action: 'job-put-back', user, job });
    return true;
  });
}

/**
 * Puts a job into the archive of everybody in it, or takes it out. Nothing in it is locked: what comes late from a device is
 * taken as ever. @returns whether this person may
 */
export async function archiveJob(db: Database, job: string, user: string, away: boolean): Promise<boolean> {
  return inTransaction(db, async (tx) => {
    const [own] = await tx
      .select({ role: members.role })
      .from(members)
      .where(and(eq(members.jobId, job), eq(members.userId, user)));
    if (!may(own?.role ?? null, 'settings')) return false;
    await tx
      .update(jobs)
      .set({ archivedAt: away ? new Date() : null })
      .where(eq(jobs.id, job));
    await note(tx, { action: away ? 'job-archived' : 'job-taken-out', user, job });
    return true;
  });
}

/** What was deleted long enough ago goes for good, with its records and pictures. */
export async function purgeJobs(db: Database): Promise<void> {
  await db.delete(jobs).where(lt(jobs.deletedAt, sql`now() - make_interval(days => ${KEEP_DELETED_days})`));
}

/** Jobs that an owner deleted and may still put back. */
export async function deletedJobs(db: Database, user: string): Promise<{ id: string; name: string }[]> {
  const rows = await db
    .select({ id: jobs.id, name: sql<string>`${jobs.document} ->> 'name'` })
    .from(jobs)
    .innerJoin(members, and(eq(members.jobId, jobs.id), eq(members.userId, user), eq(members.role, 'owner')))
    .where(isNotNull(jobs.deletedAt));
  return rows;
}

/** The jobs of a person, and where each stands. */
export const jobRevisions = async (
  db: Queries,
  user: string,
): Promise<{ id: string; name: string; revision: number }[]> => {
  const rows = await db
    .select({ id: jobs.id, document: jobs.document, revision: jobs.revision })
    .from(members)
    .innerJoin(jobs, eq(jobs.id, members.jobId))
    .where(and(eq(members.userId, user), isNull(jobs.deletedAt)))
    .orderBy(asc(jobs.createdAt));
  return rows.map(({ id, document, revision }) => ({ id, name: storedJob(document).name, revision }));
};

/** The jobs a person belongs to, with the role there. */
export async function listJobs(
  db: Database,
  user: string,
): Promise<{ job: Job; role: Role; openings: number; archived: boolean }[]> {
  const rows = await db
    .select({
      job: jobs.document,
      role: members.role,
      archived: sql<boolean>`${jobs.archivedAt} is not null`,
      openings: sql<number>`(select count(*)::int from openings o where o.job_id = ${jobs.id} and o.removed_at is null)`,
    })
    .from(jobs)
    .innerJoin(members, and(eq(members.jobId, jobs.id), eq(members.userId, user)))
    .where(isNull(jobs.deletedAt))
    .orderBy(asc(jobs.createdAt));
  return rows.map((row) => ({ ...row, job: storedJob(row.job) }));
}

export async function loadContext(db: Queries, id: string): Promise<JobContext | null> {
  const [row] = await db.select().from(jobs).where(eq(jobs.id, id));
  return row ? storedContext(row) : null;
}

/**
 * Where a new job begins to count, s since 2026: a job of the same id that was here before has counted less far, so that
 * nothing that a server or a device keeps of that one is taken for this one.
 */
const NEVER_SEEN = sql`extract(epoch from now())::int - extract(epoch from timestamptz '2026-01-01Z')::int`;

/** Who brings a file, and what it is called. */
export interface BroughtBy {
  /** Becomes owner of the job. */
  readonly user: string | null;
  readonly file: string;
  /** Names in the file that stand for accounts here: only of files that came with the program. */
  readonly accounts?: ReadonlyMap<string, string>;
  /** What is stored with it, or it is not stored either. */
  readonly also?: (tx: Queries) => Promise<void>;
}

const NOBODY: BroughtBy = { user: null, file: '' };

/** The ids under which the people that a file names stand in its job: brought by somebody, never an account by its name. */
async function broughtIn(
  tx: Queries,
  job: string,
  makers: readonly Maker[],
  { user, file, accounts }: BroughtBy,
): Promise<(maker: Maker) => { userId: string | null; broughtId: string | null }> {
  // Two accounts of one name stay two.
  const key = ({ person, account }: Maker): string => JSON.stringify([person, account ?? null]);
  const people = new Map(makers.map((maker) => [key(maker), maker.person]));
  const foreign = [...people].filter(([, name]) => !accounts?.has(name));
  const ids = new Map(foreign.map(([known]) => [known, randomUUID()]));
  for (const part of parts(foreign))
    await tx
      .insert(brought)
      .values(part.map(([known, name]) => ({ id: ids.get(known), jobId: job, name, userId: user, file })));
  return (maker) => ({
    userId: accounts?.get(maker.person) ?? null,
    broughtId: ids.get(key(maker)) ?? null,
  });
}

/** Stores a whole job file, all of it or nothing; `false` when the job or one of its records is there already. */
export async function importJob(db: Database, file: JobFile, by: BroughtBy = NOBODY): Promise<boolean> {
  const { job, walls, units, methods, materials = [], records } = file;
  return inTransaction(db, async (tx) => {
    const added = await tx
      .insert(jobs)
      .values({
        id: job.id,
        document: withoutCalendarAccounts(job),
        walls,
        units,
        methods,
        materials,
        revision: NEVER_SEEN,
      })
      .onConflictDoNothing()
      .returning({ id: jobs.id });
    if (added.length === 0) throw new AlreadyThere();
    if (by.user !== null) await tx.insert(members).values({ jobId: job.id, userId: by.user, role: 'owner' });
    const makers = [...records.readings, ...records.issues, ...records.entries];
    const idOf = await broughtIn(tx, job.id, makers, by);
    await addOpenings(tx, job.id, file.openings.map(withoutAccounts));
    for (const part of parts(
      records.readings.map((reading) => ({ ...readingRow(job.id, asTaken(reading)), ...idOf(reading) })),
    )) {
      const stored = await tx
        .insert(readings)
        .values(part)
        .onConflictDoNothing()
        .returning({ id: readings.id });
      if (stored.length < part.length) throw new AlreadyThere();
    }
    const issues = records.issues.map((issue) => ({
      ...issueRow(job.id, bareIssue(filledIn(issue, job))),
      ...idOf(issue),
    }));
    for (const part of parts(issues)) await tx.insert(planIssues).values(part);
    await tx
      .update(openings)
      .set({ planned: sql`${openings.revision}` })
      .where(eq(openings.jobId, job.id));
    for (const part of parts(
      records.entries.map((entry) => ({ ...entryRow(job.id, asTaken(entry)), ...idOf(entry) })),
    )) {
      const stored = await tx
        .insert(entries)
        .values(part)
        .onConflictDoNothing()
        .returning({ id: entries.id });
      if (stored.length < part.length) throw new AlreadyThere();
    }
    await by.also?.(tx);
    return true;
  }).catch((error: unknown) => {
    if (error instanceof AlreadyThere) return false;
    throw error;
  });
}

/** Accounts that a file names are those of another server: their names stay as they are written. */
function withoutAccounts<Document extends Pick<OpeningDocument, 'deviations'>>(document: Document): Document {
  if (!document.deviations) return document;
  const deviations = document.deviations.map(({ account: _, ...rest }) => rest);
  return { ...document, deviations };
}

/** What a file says nothing of counts as taken when it was made. */
const asTaken = <Record extends Entry | Reading>(record: Record): Record =>
  record.received === undefined && record.at !== null ? { ...record, received: record.at } : record;

const bareIssue = (issue: Issue): Issue => ({ ...issue, opening: withoutAccounts(issue.opening) });

/** Ends an import whose job or records are stored already; the transaction takes everything back. */
class AlreadyThere extends Error {}

/** The protocol carries at most 65 535 values in one statement. */
const ROWS_AT_ONCE = 2000;
const parts = <T>(rows: readonly T[]): T[][] =>
  Array.from({ length: Math.ceil(rows.length / ROWS_AT_ONCE) }, (_, i) =>
    rows.slice(i * ROWS_AT_ONCE, (i + 1) * ROWS_AT_ONCE),
  );

const headOf = ({
  job,
  walls,
  units,
  methods,
  materials,
}: JobContext): Omit<JobFile, 'openings' | 'records'> => ({
  format: JOB_FORMAT,
  version: JOB_VERSION,
  job,
  walls: [...walls],
  units: [...units],
  methods: [...methods],
  ...(materials && materials.length > 0 && { materials: [...materials] }),
});

/** What was chosen in a job, without anything that was measured, planned or done in it. */
export async function choicesOf(db: Queries, id: string): Promise<Omit<JobFile, 'records'> | null> {
  const context = await loadContext(db, id);
  return context && { ...headOf(context), openings: await loadDocuments(db, id) };
}

/** Reads a job back as the file it came from. Pictures are named in it, not carried. */
export async function exportJob(db: Queries, id: string): Promise<JobFile | null> {
  const context = await loadContext(db, id);
  if (!context) return null;
  const parts = await loadParts(db, id);
  return {
    ...headOf(context),
    openings: parts.map((part) => part.document),
    records: {
      readings: parts.flatMap((part) => part.readings),
      issues: parts.flatMap((part) => part.issues),
      entries: parts.flatMap((part) => part.entries),
    },
  };
}

export async function setUnitSystem(db: Queries, job: string, units: Job['units']): Promise<void> {
  await db
    .update(jobs)
    .set({ document: sql`jsonb_set(${jobs.document}, '{units}', ${JSON.stringify(units)}::jsonb)` })
    .where(eq(jobs.id, job));
  await announce(db, { job, opening: null });
}

/** Changes parts of the job that still are what `was` says; a part left out of `change` is taken away. */
export async function changeJob(
  db: Database,
  job: string,
  was: SitePart,
  change: SitePart,
): Promise<boolean> {
  return inTransaction(db, async (tx) => {
    const [row] = await tx
      .select({ document: jobs.document })
      .from(jobs)
      .where(eq(jobs.id, job))
      .for('update');
    if (!row) return false;
    const document = storedJob(row.document);
    const now = sitePartsOf(document);
    const rest = Object.fromEntries(Object.entries(document).filter(([k]) => !(k in now)));
    // Only what the sender knew of can have been meant.
    const known = Object.fromEntries(
      Object.keys({ ...was, ...change }).map((k) => [k, now[k as keyof SitePart]]),
    );
    if (contentHash(known) !== contentHash(was)) return false;
    const kept = Object.fromEntries(Object.entries(now).filter(([k]) => !(k in known)));
    await tx
      .update(jobs)
      .set({ document: { ...rest, ...kept, ...change } })
      .where(eq(jobs.id, job));
    await announce(tx, { job, opening: null });
    return true;
  });
}
