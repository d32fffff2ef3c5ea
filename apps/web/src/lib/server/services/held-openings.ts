/** Openings held for one transaction, and what is known to be done at them. */
import type { Entry, Maker } from '@hulvek/core';
import { and, asc, eq, gte, or, sql } from 'drizzle-orm';
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

/** What is done at openings that are held: of what this server knows already, only what came since is read. */
export async function entriesHeld(
  tx: Queries,
  job: string,
  held: ReadonlyMap<string, Held>,
): Promise<Map<string, readonly Entry[]>> {
  const found = new Map<string, readonly Entry[]>();
  const behind = new Map<string, readonly Entry[]>();
  for (const [id, { revision }] of held) {
    const known = knownEntries.get(placeOf(job, id));
    (known?.revision === revision ? found : behind).set(id, known?.entries ?? []);
  }
  for (const [id, list] of await broughtUp(tx, job, behind)) found.set(id, list);
  return found;
}

/** Lists of entries with what was taken after them. One whose last entry is gone, with its job, is read anew. */
async function broughtUp(
  tx: Queries,
  job: string,
  behind: ReadonlyMap<string, readonly Entry[]>,
): Promise<Map<string, readonly Entry[]>> {
  const since = [...behind].flatMap(([opening, list]) => {
    const last = list.at(-1);
    return last ? [{ opening, last: last.id }] : [];
  });
  const later = since.length > 0 ? await loadEntries(tx, job, since) : new Map<string, Entry[]>();
  const brought = new Map<string, readonly Entry[]>();
  const unknown: string[] = [];
  for (const [opening, list] of behind) {
    const [last, ...rest] = later.get(opening) ?? [];
    if (last && last.id === list.at(-1)?.id) brought.set(opening, [...list, ...rest]);
    else unknown.push(opening);
  }
  if (unknown.length === 0) return brought;
  const read = await loadEntries(
    tx,
    job,
    unknown.map((opening) => ({ opening })),
  );
  for (const opening of unknown) brought.set(opening, read.get(opening) ?? []);
  return brought;
}

/** Once it is committed: the next record of the opening is judged by what is known here. */
export const keepEntries = (
  job: string,
  opening: string,
  revision: number,
  entries: readonly Entry[],
): void => knownEntries.set(placeOf(job, opening), { revision, entries });

/**
 * What was done at some openings, in the order in which it was taken; of those with a `last` entry from that one on. Without
 * names: accounts are enough to judge by.
 */
async function loadEntries(
  db: Queries,
  job: string,
  at: readonly { readonly opening: string; readonly last?: string }[],
): Promise<Map<string, Entry[]>> {
  const here = at.map(({ opening, last }) =>
    last === undefined
      ? eq(entries.openingId, opening)
      : and(
          eq(entries.openingId, opening),
          gte(entries.seq, sql`(select seq from entries as known where known.id = ${last})`),
        ),
  );
  const rows = await db
    .select()
    .from(entries)
    .where(and(eq(entries.jobId, job), or(...here)))
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
