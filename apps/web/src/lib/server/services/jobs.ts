/** Jobs and their openings: what people entered, read and written as the documents of the core. */
import {
  JOB_FORMAT,
  JOB_VERSION,
  type Entry,
  type Issue,
  type Job,
  type JobContext,
  type JobFile,
  type Opening,
  type Unit,
} from '@hulvek/core';
import { and, asc, eq, sql } from 'drizzle-orm';
import { inTransaction, type Database } from '../db/index.ts';
import { entries, jobs, members, openings, planIssues } from '../db/schema/index.ts';
import type { Role } from '../rights.ts';

export interface StoredOpening {
  readonly opening: Opening;
  readonly version: number;
}

export interface StoredJob {
  readonly context: JobContext;
  readonly openings: readonly StoredOpening[];
}

export async function countJobs(db: Database): Promise<number> {
  return db.$count(jobs);
}

/** The jobs a person belongs to, with the role there. */
export async function listJobs(
  db: Database,
  user: string,
): Promise<{ job: Job; role: Role; openings: number }[]> {
  return db
    .select({
      job: jobs.document,
      role: members.role,
      openings: sql<number>`(select count(*)::int from openings o where o.job_id = ${jobs.id})`,
    })
    .from(jobs)
    .innerJoin(members, and(eq(members.jobId, jobs.id), eq(members.userId, user)))
    .orderBy(asc(jobs.createdAt));
}

export async function loadJob(db: Database, id: string): Promise<StoredJob | null> {
  const [row] = await db.select().from(jobs).where(eq(jobs.id, id));
  if (!row) return null;
  const list = await db.select().from(openings).where(eq(openings.jobId, id)).orderBy(asc(openings.position));
  return {
    context: { job: row.document, walls: row.walls, units: row.units, methods: row.methods },
    openings: list.map(({ document, version }) => ({ opening: document, version })),
  };
}

/** Stores a whole job file, all of it or nothing; `false` when the job or one of its entries is there already. */
export async function importJob(db: Database, file: JobFile, owner: string | null = null): Promise<boolean> {
  const { job, walls, units, methods, records } = file;
  return inTransaction(db, async (tx) => {
    const added = await tx
      .insert(jobs)
      .values({ id: job.id, document: job, walls, units, methods })
      .onConflictDoNothing()
      .returning({ id: jobs.id });
    if (added.length === 0) throw new AlreadyThere();
    if (owner !== null) await tx.insert(members).values({ jobId: job.id, userId: owner, role: 'owner' });
    const rows = file.openings.map((document, position) => ({
      jobId: job.id,
      id: document.id,
      position,
      document,
    }));
    for (const part of parts(rows)) await tx.insert(openings).values(part);
    const issues = records.issues.map((document) => ({
      jobId: job.id,
      openingId: document.opening.id,
      version: document.version,
      document,
    }));
    for (const part of parts(issues)) await tx.insert(planIssues).values(part);
    for (const part of parts(records.entries.map((entry) => entryRow(job.id, entry)))) {
      const stored = await tx
        .insert(entries)
        .values(part)
        .onConflictDoNothing()
        .returning({ id: entries.id });
      if (stored.length < part.length) throw new AlreadyThere();
    }
    return true;
  }).catch((error: unknown) => {
    if (error instanceof AlreadyThere) return false;
    throw error;
  });
}

/** Ends an import whose job or entries are stored already; the transaction takes everything back. */
class AlreadyThere extends Error {}

/** The protocol carries at most 65 535 values in one statement. */
const ROWS_AT_ONCE = 2000;
const parts = <T>(rows: readonly T[]): T[][] =>
  Array.from({ length: Math.ceil(rows.length / ROWS_AT_ONCE) }, (_, i) =>
    rows.slice(i * ROWS_AT_ONCE, (i + 1) * ROWS_AT_ONCE),
  );

/** Reads a job back as the file it came from. */
export async function exportJob(db: Database, id: string): Promise<JobFile | null> {
  const stored = await loadJob(db, id);
  if (!stored) return null;
  const issues = await db
    .select({ document: planIssues.document })
    .from(planIssues)
    .where(eq(planIssues.jobId, id))
    .orderBy(asc(planIssues.openingId), asc(planIssues.version));
  const list = await db
    .select()
    .from(entries)
    .where(eq(entries.jobId, id))
    .orderBy(asc(entries.at), asc(entries.id));
  const { job, walls, units, methods } = stored.context;
  return {
    format: JOB_FORMAT,
    version: JOB_VERSION,
    job,
    walls: [...walls],
    units: [...units],
    methods: [...methods],
    openings: stored.openings.map((o) => o.opening),
    records: { issues: issues.map((i) => i.document), entries: list.map(entryOf) },
  };
}

export type SaveResult =
  | { readonly ok: true; readonly version: number }
  | { readonly ok: false; readonly theirs: StoredOpening | null };

/** Saves an opening when nobody else saved it since `from`; otherwise gives back what is stored now. */
export async function saveOpening(
  db: Database,
  job: string,
  opening: Opening,
  from: number,
): Promise<SaveResult> {
  const here = and(eq(openings.jobId, job), eq(openings.id, opening.id));
  const [saved] = await db
    .update(openings)
    .set({ document: opening, version: from + 1 })
    .where(and(here, eq(openings.version, from)))
    .returning({ version: openings.version });
  if (saved) return { ok: true, version: saved.version };
  const [now] = await db.select().from(openings).where(here);
  return { ok: false, theirs: now ? { opening: now.document, version: now.version } : null };
}

export async function addOpening(db: Database, job: string, opening: Opening): Promise<boolean> {
  const added = await db
    .insert(openings)
    .values({
      jobId: job,
      id: opening.id,
      document: opening,
      position: sql`(select coalesce(max(position), -1) + 1 from openings where job_id = ${job})`,
    })
    .onConflictDoNothing()
    .returning({ id: openings.id });
  return added.length > 0;
}

export async function addUnit(db: Database, job: string, unit: Unit): Promise<void> {
  await db
    .update(jobs)
    .set({ units: sql`${jobs.units} || ${JSON.stringify([unit])}::jsonb` })
    .where(eq(jobs.id, job));
}

export async function setUnitSystem(db: Database, job: string, units: Job['units']): Promise<void> {
  await db
    .update(jobs)
    .set({ document: sql`jsonb_set(${jobs.document}, '{units}', ${JSON.stringify(units)}::jsonb)` })
    .where(eq(jobs.id, job));
}

export interface Field {
  readonly issues: readonly Issue[];
  readonly entries: readonly Entry[];
}

export async function loadField(db: Pick<Database, 'select'>, job: string, opening: string): Promise<Field> {
  const issues = await db
    .select({ document: planIssues.document })
    .from(planIssues)
    .where(and(eq(planIssues.jobId, job), eq(planIssues.openingId, opening)))
    .orderBy(asc(planIssues.version));
  const list = await db
    .select()
    .from(entries)
    .where(and(eq(entries.jobId, job), eq(entries.openingId, opening)))
    .orderBy(asc(entries.at), asc(entries.id));
  return { issues: issues.map((i) => i.document), entries: list.map(entryOf) };
}

/** Field records of a whole job, by opening. */
export async function loadFields(db: Database, job: string): Promise<ReadonlyMap<string, Field>> {
  const issues = await db
    .select()
    .from(planIssues)
    .where(eq(planIssues.jobId, job))
    .orderBy(asc(planIssues.version));
  const list = await db
    .select()
    .from(entries)
    .where(eq(entries.jobId, job))
    .orderBy(asc(entries.at), asc(entries.id));
  const ids = new Set(issues.map((i) => i.openingId));
  return new Map(
    [...ids].map((id) => [
      id,
      {
        issues: issues.filter((i) => i.openingId === id).map((i) => i.document),
        entries: list.filter((e) => e.openingId === id).map(entryOf),
      },
    ]),
  );
}

/** Freezes a plan; `false` when that version exists already. */
export async function freezePlan(db: Database, job: string, issue: Issue): Promise<boolean> {
  const added = await db
    .insert(planIssues)
    .values({ jobId: job, openingId: issue.opening.id, version: issue.version, document: issue })
    .onConflictDoNothing()
    .returning({ version: planIssues.version });
  return added.length > 0;
}

/** Adds an entry in the order of arrival under a lock on its opening, when `allow` finds nothing against it. */
export async function addEntry<Refusal>(
  db: Database,
  job: string,
  entry: Entry,
  userId: string,
  allow: (field: Field) => Refusal | null,
): Promise<{ ok: true } | { ok: false; refusal: Refusal }> {
  return inTransaction(db, async (tx) => {
    await tx
      .select({ id: openings.id })
      .from(openings)
      .where(and(eq(openings.jobId, job), eq(openings.id, entry.opening)))
      .for('update');
    const known = await tx.select({ id: entries.id }).from(entries).where(eq(entries.id, entry.id));
    if (known.length > 0) return { ok: true as const };
    const refusal = allow(await loadField(tx, job, entry.opening));
    if (refusal !== null) return { ok: false as const, refusal };
    await tx.insert(entries).values({ ...entryRow(job, entry), userId });
    return { ok: true as const };
  });
}

const entryRow = (jobId: string, { opening, at, ...rest }: Entry): typeof entries.$inferInsert => ({
  ...rest,
  jobId,
  openingId: opening,
  at: new Date(at),
});

const entryOf = ({
  id,
  openingId,
  issue,
  kind,
  step,
  undoes,
  person,
  at,
  note,
}: typeof entries.$inferSelect): Entry => ({
  id,
  opening: openingId as Entry['opening'],
  issue,
  kind: kind as Entry['kind'],
  step,
  undoes,
  person,
  at: at.toISOString(),
  note,
});
