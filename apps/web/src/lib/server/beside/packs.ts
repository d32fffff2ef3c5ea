/** Packs from what this server has written down of their openings: only what changed since is read anew. */
import { and, asc, eq, isNull } from 'drizzle-orm';
import { databaseUrl, type Database } from '../db/index.ts';
import { jobs, openings } from '../db/schema/index.ts';
import { LRU } from '../lru.ts';
import { beside } from './threads.ts';

/** Jobs whose parts are kept. */
const MOST_JOBS = 20;

/** What is written down of one opening, and as of which revision. */
type Shelf = Map<string, { readonly revision: number; readonly bytes: Uint8Array }>;
const kept = new LRU<{ readonly parts: Shelf; readonly plans: Shelf }>(MOST_JOBS);

export interface Packed {
  readonly revision: number;
  /** The revision it goes on from, where the device has one that it can go on from. */
  readonly since: number | null;
  readonly context: Uint8Array;
  /** All openings in their order. */
  readonly order: readonly string[];
  /** Those that changed since a revision, in their order; of frozen plans only those that are newer than it. */
  readonly changed: readonly Uint8Array[];
}

const EMPTY = new TextEncoder().encode('null');
/** Less than any revision. */
const NEVER = -1;

/** @param asked the revision a device has: what has not changed since need not be there */
export async function packed(db: Database, job: string, asked = NEVER): Promise<Packed | null> {
  // Read first: what is stored while the rest is read comes again, nothing is left out.
  const [row] = await db.select({ revision: jobs.revision }).from(jobs).where(eq(jobs.id, job));
  if (!row) return null;
  // A device that knows of more than there is has a job of another day.
  const since = asked <= row.revision ? asked : NEVER;
  const order = await db
    .select({ id: openings.id, revision: openings.revision, planned: openings.planned })
    .from(openings)
    .where(and(eq(openings.jobId, job), isNull(openings.removedAt)))
    .orderBy(asc(openings.position));
  const own = kept.get(job) ?? { parts: new Map(), plans: new Map() };
  kept.set(job, own);
  const parts = new Map(order.flatMap((o) => (o.revision > since ? [[o.id, o.revision] as const] : [])));
  const plans = new Map(order.flatMap((o) => (o.planned > since ? [[o.id, o.planned] as const] : [])));
  const read = await beside('packOf', {
    url: databaseUrl(),
    job,
    parts: stale(own.parts, parts),
    plans: stale(own.plans, plans),
  });
  if (!read) return null;
  shelve(own.parts, parts, read.parts);
  shelve(own.plans, plans, read.plans);
  return {
    revision: row.revision,
    since: since === NEVER ? null : since,
    context: read.context,
    order: order.map(({ id }) => id),
    changed: [...parts.keys()].map((id) => {
      const part = own.parts.get(id)?.bytes ?? EMPTY;
      return plans.has(id) ? within(part, 'issues', own.plans.get(id)?.bytes ?? EMPTY) : part;
    }),
  };
}

const stale = (shelf: Shelf, wanted: ReadonlyMap<string, number>): string[] =>
  [...wanted].flatMap(([id, revision]) => (shelf.get(id)?.revision === revision ? [] : [id]));

function shelve(
  shelf: Shelf,
  revisions: ReadonlyMap<string, number>,
  read: readonly (readonly [string, Uint8Array])[],
): void {
  for (const [id, bytes] of read) {
    const revision = revisions.get(id) ?? 0;
    // Somebody who asked earlier may come later: what is newer stays.
    if ((shelf.get(id)?.revision ?? NEVER) <= revision) shelf.set(id, { revision, bytes });
  }
}

/** A JSON object with one more value in it. */
const within = (object: Uint8Array, name: string, value: Uint8Array): Uint8Array =>
  Buffer.concat([object.subarray(0, -1), text(`,${JSON.stringify(name)}:`), value, text('}')]);

const text = (value: string): Uint8Array => new TextEncoder().encode(value);

/** A JSON object of values, some of which are written down already. */
export function written(values: Readonly<Record<string, Uint8Array | readonly Uint8Array[]>>): Uint8Array {
  const chunks: Uint8Array[] = [];
  Object.entries(values).forEach(([name, value], i) => {
    chunks.push(text(`${i === 0 ? '{' : ','}${JSON.stringify(name)}:`));
    if (value instanceof Uint8Array) chunks.push(value);
    else {
      chunks.push(text('['));
      value.forEach((one, j) => chunks.push(...(j === 0 ? [one] : [text(','), one])));
      chunks.push(text(']'));
    }
  });
  chunks.push(text('}'));
  return Buffer.concat(chunks);
}
