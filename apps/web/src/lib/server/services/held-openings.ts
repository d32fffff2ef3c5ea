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

/** What is known to be done at an opening, as far as work goes by it: notes and pictures move no step. */
export interface Done {
  readonly entries: readonly Entry[];
  /** The last entry of any kind; `null` before the first. */
  readonly last: string | null;
}

const movesSteps = ({ kind }: Entry): boolean => kind !== 'note' && kind !== 'photo';

/** What is done with some more entries. */
export const withEntries = ({ entries, last }: Done, more: readonly Entry[]): Done => ({
  entries: more.some(movesSteps) ? [...entries, ...more.filter(movesSteps)] : entries,
  last: more.at(-1)?.id ?? last,
});

const NOTHING: Done = { entries: [], last: null };

/** What this server has read, by opening, as of a revision. */
const knownDone = new LRU<{ readonly revision: number; readonly done: Done }>(2000);
const placeOf = (job: string, opening: string): string => `${job} ${opening}`;

/** What is done at openings that are held: of what this server knows already, only what came since is read. */
export async function doneAt(
  tx: Queries,
  job: string,
  held: ReadonlyMap<string, Held>,
): Promise<Map<string, Done>> {
  const found = new Map<string, Done>();
  const behind = new Map<string, Done>();
  for (const [id, { revision }] of held) {
    const known = knownDone.get(placeOf(job, id));
    (known?.revision === revision ? found : behind).set(id, known?.done ?? NOTHING);
  }
  for (const [id, done] of await broughtUp(tx, job, behind)) found.set(id, done);
  return found;
}

/** What is done, with what was taken after it. Where the last entry is gone, with its job, all is read anew. */
async function broughtUp(
  tx: Queries,
  job: string,
  behind: ReadonlyMap<string, Done>,
): Promise<Map<string, Done>> {
  const since = [...behind].flatMap(([opening, { last }]) => (last === null ? [] : [{ opening, last }]));
  const later = since.length > 0 ? await loadEntries(tx, job, since) : new Map<string, Entry[]>();
  const brought = new Map<string, Done>();
  const unknown: { opening: string }[] = [];
  for (const [opening, done] of behind) {
    const [last, ...rest] = later.get(opening) ?? [];
    if (last && last.id === done.last) brought.set(opening, withEntries(done, rest));
    else unknown.push({ opening });
  }
  if (unknown.length === 0) return brought;
  const read = await loadEntries(tx, job, unknown);
  for (const { opening } of unknown) brought.set(opening, withEntries(NOTHING, read.get(opening) ?? []));
  return brought;
}

/** Every entry of an opening, notes and pictures too. */
export const allEntries = async (tx: Queries, job: string, opening: string): Promise<Entry[]> =>
  (await loadEntries(tx, job, [{ opening }])).get(opening) ?? [];

/** Once it is committed: the next record of the opening is judged by what is known here. */
export const keepDone = (job: string, opening: string, revision: number, done: Done): void =>
  knownDone.set(placeOf(job, opening), { revision, done });

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
