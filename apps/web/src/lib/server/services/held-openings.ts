/** Openings held for one transaction, and what is known to be done at them. */
import type { Entry, Maker } from '@hulvek/core';
import { and, asc, eq, inArray, sql } from 'drizzle-orm';
import { makerWords } from '$words/contract.ts';
import type { Queries } from '../db/index.ts';
import { entries } from '../db/schema/index.ts';
import { storedEntry } from '../db/stored.ts';
import { LRU } from '../lru.ts';
import { byOpening } from './by-opening.ts';

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

/** Everything done at some openings, in the order in which it was taken. Without names: accounts are enough to judge by. */
async function loadEntries(db: Queries, job: string, at: readonly string[]): Promise<Map<string, Entry[]>> {
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
