/** Tells every open page of a job that something was stored, whichever server stored it. */
import { eq, sql } from 'drizzle-orm';
import pg from 'pg';
import type { Queries } from '../db/index.ts';
import type * as z from 'zod/mini';
import { numberedChangeSchema } from '../../contract/answers.ts';
import { inText } from '../../contract/read.ts';
import { jobs } from '../db/schema/index.ts';

/** `opening` is `null` when the job itself changed. */
export interface Change {
  readonly job: string;
  readonly opening: string | null;
}

/** A change with the job's revision after it. Revisions of a job have no gaps. */
export type NumberedChange = Readonly<z.infer<typeof numberedChangeSchema>>;

const CHANNEL = 'hulvek_changes';
const RECONNECT_ms = 1000;

/** Sent when the transaction commits, and only then. */
export async function announce(tx: Queries, change: Change): Promise<void> {
  const [job] = await tx
    .update(jobs)
    .set({ revision: sql`${jobs.revision} + 1` })
    .where(eq(jobs.id, change.job))
    .returning({ revision: jobs.revision });
  const numbered: NumberedChange = { ...change, revision: job?.revision ?? 0 };
  await tx.execute(sql`select pg_notify(${CHANNEL}, ${JSON.stringify(numbered)})`);
}

/** Of some openings at once: more than a few are told as the whole job. */
export async function announceOf(tx: Queries, job: string, at: readonly string[]): Promise<void> {
  if (at.length > FEW) return announce(tx, { job, opening: null });
  for (const opening of at) await announce(tx, { job, opening });
}

const FEW = 4;

export async function revisionOf(db: Queries, job: string): Promise<number> {
  const [row] = await db.select({ revision: jobs.revision }).from(jobs).where(eq(jobs.id, job));
  return row?.revision ?? 0;
}

type Listener = (change: NumberedChange | 'reconnected') => void;

/** Stands for every job there is. */
export const EVERY_JOB = '';

/** One listening connection for all pages that this server has open. */
class ChangeHub {
  readonly #listeners = new Map<string, Set<Listener>>();
  #connected = false;
  #url = '';

  /** Calls `listener` for every change of a job, or of `EVERY_JOB`, until the returned function is called. */
  listen(url: string, job: string, listener: Listener): () => void {
    this.#url = url;
    const own = this.#listeners.get(job) ?? new Set();
    this.#listeners.set(job, own.add(listener));
    if (!this.#connected) void this.#connect();
    return () => {
      own.delete(listener);
      if (own.size === 0) this.#listeners.delete(job);
    };
  }

  async #connect(): Promise<void> {
    this.#connected = true;
    const client = new pg.Client({ connectionString: this.#url });
    const again = () => {
      client.removeAllListeners();
      client.on('error', () => undefined);
      void client.end().catch(() => undefined);
      setTimeout(() => void this.#connect(), RECONNECT_ms).unref();
    };
    client.on('error', again);
    client.on('end', again);
    client.on('notification', ({ payload }) => this.#pass(inText(numberedChangeSchema, payload ?? null)));
    try {
      await client.connect();
      await client.query(`listen ${CHANNEL}`);
      // What happened while nobody listened is not told again.
      for (const own of this.#listeners.values()) for (const listener of own) listener('reconnected');
    } catch {
      again();
    }
  }

  #pass(change: NumberedChange | null): void {
    if (!change) return;
    for (const job of [change.job, EVERY_JOB])
      for (const listener of this.#listeners.get(job) ?? []) listener(change);
  }
}

export const changes = new ChangeHub();
