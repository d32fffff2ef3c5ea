/** Packs from what this server has written down of their openings: only what changed since is read anew. */
import { asc, eq } from 'drizzle-orm';
import { databaseUrl, type Database } from '../db/index.ts';
import { jobs, openings } from '../db/schema/index.ts';
import { LRU } from '../lru.ts';
import { beside } from './threads.ts';

/** Jobs whose parts are kept. */
const MOST_JOBS = 20;

interface Kept {
  readonly parts: Map<string, { readonly revision: number; readonly bytes: Uint8Array }>;
}
const kept = new LRU<Kept>(MOST_JOBS);

export interface Packed {
  readonly revision: number;
  readonly context: Uint8Array;
  /** All openings in their order, each with its revision. */
  readonly order: readonly { readonly id: string; readonly revision: number }[];
  readonly partOf: (id: string) => Uint8Array;
}

const EMPTY = new TextEncoder().encode('null');

/** @param since parts that have not changed since need not be there */
export async function packed(db: Database, job: string, since = -1): Promise<Packed | null> {
  // Read first: what is stored while the rest is read comes again, nothing is left out.
  const [row] = await db.select({ revision: jobs.revision }).from(jobs).where(eq(jobs.id, job));
  if (!row) return null;
  const order = await db
    .select({ id: openings.id, revision: openings.revision })
    .from(openings)
    .where(eq(openings.jobId, job))
    .orderBy(asc(openings.position));
  const own = kept.get(job) ?? { parts: new Map() };
  kept.set(job, own);
  const stale = order.filter(
    ({ id, revision }) => revision > since && own.parts.get(id)?.revision !== revision,
  );
  const read = await beside('packOf', { url: databaseUrl(), job, openings: stale.map(({ id }) => id) });
  if (!read) return null;
  const revisions = new Map(order.map(({ id, revision }) => [id, revision]));
  for (const [id, bytes] of read.parts) {
    const revision = revisions.get(id) ?? 0;
    // Somebody who asked earlier may come later: what is newer stays.
    if ((own.parts.get(id)?.revision ?? -1) <= revision) own.parts.set(id, { revision, bytes });
  }
  return {
    revision: row.revision,
    context: read.context,
    order,
    partOf: (id) => own.parts.get(id)?.bytes ?? EMPTY,
  };
}

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
