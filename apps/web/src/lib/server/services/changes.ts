/** Tells every open page of a job that something was stored, whichever server stored it. */
import { eq, sql } from 'drizzle-orm';
import pg from 'pg';
import type { Queries } from '../db/index.ts';
import * as z from 'zod/mini';
import { numberedChangeSchema } from '../../contract/answers.ts';
import { inText, mustBe } from '../../contract/read.ts';
import { jobs } from '../db/schema/index.ts';

/** What one transaction changed in a job. */
export interface Change {
  readonly job: string;
  /** Openings of which something changed beside records; `null` where the job itself did, or all of them. */
  readonly openings: readonly string[] | null;
  /** Whether a plan may be another one now. */
  readonly plans?: boolean;
  /** Whether the openings have frozen plans that they had not. */
  readonly frozen?: boolean;
  /** Records that were added, by opening: they travel as they are. */
  readonly records?: readonly { readonly opening: string; readonly id: string }[];
}

/** A change with the job's revision after it. Revisions of a job have no gaps. */
export type NumberedChange = Readonly<z.infer<typeof numberedChangeSchema>>;

const CHANNEL = 'hulvek_changes';
const RECONNECT_ms = 1000;
/** Where a notice gets its number: only the database knows it. */
const UNNUMBERED = '"revision":-1';
/** As much as one notice of the database carries, bytes. */
const LONGEST_NOTICE = 7900;

/** The statement that numbers a change and sends word of it, when its transaction commits and only then. */
export function announcement(change: Change): string {
  const { job, records = [] } = change;
  const touched = change.openings && [
    ...new Set([...change.openings, ...records.map(({ opening }) => opening)]),
  ];
  const whole: NumberedChange = {
    job,
    revision: -1,
    openings: change.openings && [...change.openings],
    plans: change.plans ?? true,
    records: records.map(({ id }) => id),
  };
  const bare: NumberedChange = { ...whole, openings: touched, records: [] };
  const notice = [whole, bare, { ...bare, openings: null }]
    .map((one) => JSON.stringify(one))
    .find((text) => Buffer.byteLength(text) < LONGEST_NOTICE);
  const quoted = (text: string) => pg.escapeLiteral(text);
  const some = touched && `id = any(array[${touched.map(quoted).join(', ')}]::text[])`;
  // One statement: a send is mostly made of the ways to the database and back.
  return `
    with numbered as (
      update jobs set revision = revision + 1 where id = ${quoted(job)} returning revision
    ),
    touched as (
      update openings set revision = numbered.revision${change.frozen ? ', planned = numbered.revision' : ''} from numbered
      where job_id = ${quoted(job)} and ${some ?? 'true'}
    )
    select revision,
      pg_notify(${quoted(CHANNEL)}, replace(${quoted(notice ?? '{}')}, ${quoted(UNNUMBERED)}, '"revision":' || revision))
    from numbered`;
}

const numberedAnswer = z.object({ rows: z.array(z.object({ revision: z.int() })) });
/** The job's revision after a change, of what the database answered. */
export const revisionIn = (answer: unknown): number =>
  mustBe(numberedAnswer, answer, 'the number of a change').rows[0]?.revision ?? 0;

/** Announces a change within a transaction. Returns the job's revision after it. */
export async function announceAll(tx: Queries, change: Change): Promise<number> {
  return revisionIn(await tx.execute(sql.raw(announcement(change))));
}

/** `opening` is `null` when the job itself changed. */
export const announce = (tx: Queries, change: { job: string; opening: string | null }): Promise<number> =>
  announceAll(tx, { job: change.job, openings: change.opening === null ? null : [change.opening] });

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
