/** Openings: what was chosen, in versions, and what was measured and done there, in records that are only added. */
import {
  openingOf,
  type Entry,
  type Issue,
  type Maker,
  type Opening,
  type OpeningDocument,
  type Reading,
} from '@hulvek/core';
import { and, asc, eq, inArray, isNull, sql, type SQL } from 'drizzle-orm';
import { makerWords } from '$words/contract.ts';
import type { PgColumn } from 'drizzle-orm/pg-core';
import { inTransaction, type Database, type Queries } from '../db/index.ts';
import { entries, judgements, openings, openingVersions, planIssues, readings } from '../db/schema/index.ts';
import type { OpeningPart } from '../../contract/pack.ts';
import { storedEntry, storedIssue, storedJudged, storedOpening, storedReading } from '../db/stored.ts';
import { LRU } from '../lru.ts';
import { announce, announceAll } from './changes.ts';
import { namesIn, unnamed, type MadeBy, type Names } from './names.ts';

export type { OpeningPart };

export const openingOfPart = (part: OpeningPart): Opening => openingOf(part.document, part.readings);

const newestVersion = and(
  eq(openingVersions.jobId, openings.jobId),
  eq(openingVersions.openingId, openings.id),
  eq(openingVersions.version, openings.version),
);

const inJob =
  (job: string, opening?: string | readonly string[]) =>
  (table: { jobId: PgColumn; openingId: PgColumn }): SQL | undefined =>
    and(
      eq(table.jobId, job),
      typeof opening === 'string'
        ? eq(table.openingId, opening)
        : opening && inArray(table.openingId, [...opening]),
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

/** Frozen plans by opening, oldest first. */
export async function issuesByOpening(
  db: Queries,
  job: string,
  opening?: string | readonly string[],
): Promise<Map<string, Issue[]>> {
  const plans = await loadPlans(db, inJob(job, opening)(planIssues));
  const names = await namesIn(db, job, plans);
  return new Map(
    [...byOpening(plans)].map(([id, own]) => [id, own.map((row) => withNames(row.issue, row, names))]),
  );
}

function withJudged(row: typeof judgements.$inferSelect | undefined): Pick<OpeningPart, 'judged'> {
  const judged = storedJudged(row);
  return judged ? { judged } : {};
}

/** The openings of a job as plans are made of them, without what was done there. */
export async function loadOpenings(db: Queries, job: string): Promise<Opening[]> {
  const documents = await db
    .select({ document: openingVersions.document })
    .from(openings)
    .innerJoin(openingVersions, newestVersion)
    .where(and(eq(openings.jobId, job), isNull(openings.removedAt)))
    .orderBy(asc(openings.position));
  const measured = byOpening(
    await db
      .select()
      .from(readings)
      .where(eq(readings.jobId, job))
      .orderBy(asc(readings.receivedAt), asc(readings.seq)),
  );
  const names = await namesIn(db, job);
  return documents.map(({ document: stored }) => {
    const document = names.named(storedOpening(stored));
    return openingOf(
      document,
      (measured.get(document.id) ?? []).map((row) => storedReading(row)),
    );
  });
}

/** Everything done at some openings, in the order in which it was taken. Without names: accounts are enough to judge by. */
export async function loadEntries(
  db: Queries,
  job: string,
  at: readonly string[],
): Promise<Map<string, Entry[]>> {
  const rows = await db
    .select()
    .from(entries)
    .where(and(eq(entries.jobId, job), inArray(entries.openingId, [...at])))
    .orderBy(asc(entries.seq));
  return new Map(
    [...byOpening(rows)].map(([opening, own]) => [
      opening,
      own.map((row) => storedEntry(row, accountOnly(row))),
    ]),
  );
}

const accountOnly = ({ userId }: { userId: string | null }): Maker => ({
  person: makerWords.account,
  ...(userId !== null && { account: userId }),
});

const withNames = (issue: Issue, row: MadeBy, names: Names): Issue => ({
  ...issue,
  ...names.of(row),
  opening: names.named(issue.opening),
});

interface Plan extends MadeBy {
  readonly openingId: string;
  readonly issue: Issue;
}

/** Frozen plans, each read from the database once. */
async function loadPlans(db: Queries, here: SQL | undefined): Promise<Plan[]> {
  const rows = await db
    .select({
      jobId: planIssues.jobId,
      openingId: planIssues.openingId,
      version: planIssues.version,
      userId: planIssues.userId,
      broughtId: planIssues.broughtId,
      written: sql<string>`${planIssues}.xmin::text`,
    })
    .from(planIssues)
    .where(here)
    .orderBy(asc(planIssues.version));
  const keyOf = (row: (typeof rows)[number]) => `${row.jobId} ${row.openingId} ${row.version}:${row.written}`;
  const found = new Map(rows.map((row) => [keyOf(row), knownIssues.get(keyOf(row))]));
  const missing = rows.filter((row) => found.get(keyOf(row)) === undefined);
  if (missing.length > 0) {
    const places = [...new Set(missing.map(({ openingId }) => openingId))];
    const read = await db
      .select({
        openingId: planIssues.openingId,
        version: planIssues.version,
        document: planIssues.document,
      })
      .from(planIssues)
      .where(and(here, inArray(planIssues.openingId, places)));
    for (const { openingId, version, document } of read) {
      const row = missing.find((one) => one.openingId === openingId && one.version === version);
      if (!row) continue;
      const issue = storedIssue(document);
      found.set(keyOf(row), issue);
      if (issue.build) knownIssues.set(keyOf(row), issue);
    }
  }
  return rows.flatMap((row) => {
    const issue = found.get(keyOf(row));
    return issue ? [{ ...row, issue }] : [];
  });
}

/** Frozen plans already read, by their place and the transaction that wrote them: they never change. */
const knownIssues = new LRU<Issue>(1000);

/** The frozen plans of an opening, oldest first; each is read from the database once. @param stamp see `lockOpenings` */
export async function loadIssues(
  db: Queries,
  job: string,
  opening: string,
  stamp?: string,
): Promise<Issue[]> {
  const here = and(eq(planIssues.jobId, job), eq(planIssues.openingId, opening));
  const stamps = stamp === '' ? [] : (stamp?.split(',') ?? []);
  const key = (one: string) => `${job} ${opening} ${one}`;
  if (stamp !== undefined && stamps.every((one) => knownIssues.has(key(one))))
    return stamps.flatMap((one) => knownIssues.get(key(one)) ?? []);
  const rows = await db.select().from(planIssues).where(here).orderBy(asc(planIssues.version));
  const issues = rows.map((row) => storedIssue(row.document));
  issues.forEach((issue, i) => {
    const own = stamps[i];
    if (own !== undefined && issue.build) knownIssues.set(key(own), issue);
  });
  return issues;
}

/** An opening that is held for one transaction. */
export interface Held {
  /** The job's revision when anything of it was stored last. */
  readonly revision: number;
  /** Its frozen plans, each by version and the transaction that wrote it. */
  readonly plans: string;
}

/** Holds openings until the transaction ends; locks are taken in one order, so that none waits for ever. */
export async function lockOpenings(
  tx: Queries,
  job: string,
  at: readonly string[],
): Promise<Map<string, Held>> {
  const { rows } = await tx.execute<{ id: string; revision: number; plans: string }>(sql`
    with held as (
      select id, revision from openings where job_id = ${job} and id = any(${sql.param([...at])}::text[])
      order by id for update
    )
    select held.id, held.revision, coalesce((
      select string_agg(version || ':' || plan_issues.xmin::text, ',' order by version)
      from plan_issues where job_id = ${job} and opening_id = held.id
    ), '') as plans
    from held`);
  return new Map(rows.map(({ id, revision, plans }) => [id, { revision, plans }]));
}

/** Entries already read, by opening, as of a revision. */
const knownEntries = new LRU<{ readonly revision: number; readonly entries: readonly Entry[] }>(2000);
const placeOf = (job: string, opening: string): string => `${job} ${opening}`;

/** What is done at openings that are held: read where this server does not know it yet. */
export async function entriesHeld(
  tx: Queries,
  job: string,
  held: ReadonlyMap<string, Held>,
): Promise<Map<string, readonly Entry[]>> {
  const found = new Map<string, readonly Entry[]>();
  const unknown: string[] = [];
  for (const [id, { revision }] of held) {
    const known = knownEntries.get(placeOf(job, id));
    if (known?.revision === revision) found.set(id, known.entries);
    else unknown.push(id);
  }
  if (unknown.length === 0) return found;
  const read = await loadEntries(tx, job, unknown);
  for (const id of unknown) found.set(id, read.get(id) ?? []);
  return found;
}

/** Once it is committed: the next record of the opening is judged by what is known here. */
export const keepEntries = (
  job: string,
  opening: string,
  revision: number,
  entries: readonly Entry[],
): void => knownEntries.set(placeOf(job, opening), { revision, entries });

/** What a device needs of frozen plans: work goes by the newest, of older ones the fingerprints are enough. */
export const forDevice = (issues: readonly Issue[]): Issue[] =>
  issues.map((issue, i) => {
    if (i === issues.length - 1) return issue;
    const { build: _, ...rest } = issue;
    return rest;
  });

function byOpening<Row extends { openingId: string }>(rows: readonly Row[]): Map<string, Row[]> {
  const groups = new Map<string, Row[]>();
  for (const row of rows) {
    const group = groups.get(row.openingId);
    if (group) group.push(row);
    else groups.set(row.openingId, [row]);
  }
  return groups;
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
      const at = { jobId: job, openingId: document.id, version: saved.version };
      const row = { ...at, document: unnamed(document), userId: user };
      await tx.insert(openingVersions).values(row);
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
  const next = sql<number>`(select coalesce(max(position), -1) + 1 from openings where job_id = ${job})`;
  const added = await db
    .insert(openings)
    .values(
      documents.map(({ id }, i) => ({ jobId: job, id, position: sql`${next} + ${sql.raw(String(i))}` })),
    )
    .onConflictDoNothing()
    .returning({ id: openings.id });
  if (added.length < documents.length) return false;
  await db.insert(openingVersions).values(
    documents.map((document) => ({
      jobId: job,
      openingId: document.id,
      version: 1,
      document: unnamed(document),
      ...by,
    })),
  );
  await announce(db, { job, opening: null });
  return true;
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

/** Freezes a plan; `false` when that version exists already. */
export async function freezePlan(
  db: Database,
  job: string,
  issue: Issue,
  user: string | null,
): Promise<boolean> {
  return inTransaction(db, async (tx) => {
    const added = await tx
      .insert(planIssues)
      .values({ ...issueRow(job, issue), userId: user })
      .onConflictDoNothing()
      .returning({ version: planIssues.version });
    await announceAll(tx, { job, openings: [issue.opening.id], frozen: true });
    return added.length > 0;
  });
}

/** What is kept of a record beside who made it: that is an account, or somebody a file names. */
type Kept<Row> = Omit<Row, 'userId' | 'broughtId' | 'seq'>;

export const issueRow = (jobId: string, issue: Issue): Kept<typeof planIssues.$inferInsert> => {
  const { person: _person, account: _account, brought: _brought, ...document } = issue;
  return {
    jobId,
    openingId: issue.opening.id,
    version: issue.version,
    document: { ...document, opening: unnamed(issue.opening) },
  };
};

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
