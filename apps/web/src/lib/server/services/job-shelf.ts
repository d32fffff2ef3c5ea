/** A job's own walls, units, methods and materials: changed, taken out, and what they were before. */
import { contentHash, type ShelfDocument, type ShelfKind } from '@hulvek/core';
import { and, asc, eq, max } from 'drizzle-orm';
import { inTransaction, type Database, type Queries } from '../db/index.ts';
import { jobItemVersions, jobs, openings, openingVersions } from '../db/schema/index.ts';
import { storedContext, storedItem, storedOpening } from '../db/stored.ts';
import { announce } from './changes.ts';
import { newestVersion } from './openings.ts';
import { namesOf } from './names.ts';

/** `was`: what the sender started from, `null` for a new one; `item`: what it is to be, `null` to take it out. */
export interface ItemChange {
  readonly kind: ShelfKind;
  readonly was: ShelfDocument | null;
  readonly item: ShelfDocument | null;
}

/** Which field of an opening names an item of a kind. */
const NAMED_BY = { walls: 'wall', units: 'unit', methods: 'method' } as const;

/** Adds an item to a job, replaces or takes out the one that still is what `was` says. */
export async function putItem(
  db: Database,
  job: string,
  { kind, was, item }: ItemChange,
  user: string,
): Promise<'kept' | 'changed' | 'used'> {
  const id = item?.id ?? was?.id;
  if (id === undefined) return 'changed';
  return inTransaction(db, async (tx) => {
    const [row] = await tx.select().from(jobs).where(eq(jobs.id, job)).for('update');
    if (!row) return 'changed';
    const context = storedContext(row);
    const shelf: readonly ShelfDocument[] = context[kind] ?? [];
    const stored = shelf.find((other) => other.id === id) ?? null;
    if (contentHash(stored) !== contentHash(was)) return 'changed';
    if (!item && kind !== 'materials') {
      const named = NAMED_BY[kind];
      // Of removed openings too: they may come back.
      const rows = await tx
        .select({ document: openingVersions.document })
        .from(openings)
        .innerJoin(openingVersions, newestVersion)
        .where(eq(openings.jobId, job));
      const used = rows.some(({ document }) => storedOpening(document)[named] === id);
      if (used || context.job.usual?.[named] === id) return 'used';
    }
    const next = item
      ? stored
        ? shelf.map((other) => (other.id === id ? item : other))
        : [...shelf, item]
      : shelf.filter((other) => other.id !== id);
    await tx
      .update(jobs)
      .set({ [kind]: next })
      .where(eq(jobs.id, job));
    await keepVersion(tx, { job, kind, id, was: stored, item, user });
    await announce(tx, { job, opening: null });
    return 'kept';
  });
}

async function keepVersion(
  tx: Queries,
  v: Omit<ItemChange, 'was'> & { job: string; id: string; was: ShelfDocument | null; user: string },
): Promise<void> {
  const of = and(
    eq(jobItemVersions.jobId, v.job),
    eq(jobItemVersions.kind, v.kind),
    eq(jobItemVersions.id, v.id),
  );
  const [newest] = await tx
    .select({ version: max(jobItemVersions.version) })
    .from(jobItemVersions)
    .where(of);
  let version = newest?.version ?? 0;
  const row = { jobId: v.job, kind: v.kind, id: v.id };
  // What was there before versions were kept is the first of them.
  if (version === 0 && v.was)
    await tx.insert(jobItemVersions).values({ ...row, version: ++version, document: v.was, userId: null });
  await tx.insert(jobItemVersions).values({ ...row, version: version + 1, document: v.item, userId: v.user });
}

/** Every version of one item of a job, the oldest first. */
export async function itemVersions(
  db: Queries,
  job: string,
  kind: ShelfKind,
  id: string,
): Promise<{ version: number; document: ShelfDocument | null; person: string; at: Date }[]> {
  const rows = await db
    .select()
    .from(jobItemVersions)
    .where(and(eq(jobItemVersions.jobId, job), eq(jobItemVersions.kind, kind), eq(jobItemVersions.id, id)))
    .orderBy(asc(jobItemVersions.version));
  const names = await namesOf(
    db,
    rows.map(({ userId }) => userId),
  );
  return rows.map(({ version, document, userId, at }) => ({
    version,
    document: document === null ? null : storedItem(kind, document),
    person: userId === null ? '' : names.account(userId),
    at,
  }));
}
