/** Frozen plans: what field records refer to. They never change, so each is read from the database once. */
import type { Issue, JobContext, Opening } from '@hulvek/core';
import { and, asc, eq, inArray, sql, type SQL } from 'drizzle-orm';
import { judgeMark } from '../../contract/judged.ts';
import type { OpeningPart } from '../../contract/pack.ts';
import { inTransaction, type Database, type Queries } from '../db/index.ts';
import { planIssues } from '../db/schema/index.ts';
import { storedIssue } from '../db/stored.ts';
import { LRU } from '../lru.ts';
import { byOpening, inJob, type Kept } from './by-opening.ts';
import { announceAll } from './changes.ts';
import { namesIn, unnamed, type MadeBy, type Names } from './names.ts';

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

/** What a device needs of frozen plans: work goes by the newest, of older ones the fingerprints are enough. */
export const forDevice = (issues: readonly Issue[]): Issue[] =>
  issues.map((issue, i) => {
    if (i === issues.length - 1) return issue;
    const { build: _, ...rest } = issue;
    return rest;
  });

/**
 * Whether work on an opening begins although something fails or is not known, and nobody has said why. It goes by the verdict
 * that is kept of the opening exactly as it stands; while there is none, by what the sender knows.
 */
export function reasonMissing(
  { judged }: Pick<OpeningPart, 'judged'>,
  opening: Opening,
  context: JobContext,
  despite: Issue['despite'],
): boolean {
  if (judged?.mark !== judgeMark(context)(opening)) return false;
  const { grade } = judged.judgement;
  return (grade === 'fails' || grade === 'not-checkable') && despite?.grade !== grade;
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

export const issueRow = (jobId: string, issue: Issue): Kept<typeof planIssues.$inferInsert> => {
  const { person: _person, account: _account, brought: _brought, ...document } = issue;
  return {
    jobId,
    openingId: issue.opening.id,
    version: issue.version,
    document: { ...document, opening: unnamed(issue.opening) },
  };
};
