/** Receipts of a job's log: made soon after entries are taken, in one chain, whose head is signed and handed out. */
import {
  commitmentsOf,
  digestOf,
  hashWith,
  headOf,
  headText,
  SEED,
  saidBy,
  withhold,
  type LogFile,
  type Receipt,
  type SignedHead,
} from '@hulvek/core';
import { and, asc, desc, eq, isNull, sql } from 'drizzle-orm';
import { hash, randomBytes } from 'node:crypto';
import * as z from 'zod/mini';
import { inTransaction, type Database, type Queries } from '../db/index.ts';
import { entries, jobs, receipts } from '../db/schema/index.ts';
import { storedEntry, storedJob, storedSalts } from '../db/stored.ts';
import { signingKey } from '../evidence-key.ts';
import { namesIn } from './names.ts';

hashWith((text) => hash('sha256', text));

/** A number of its own among the locks of the database; the job makes the second. */
const SEALING = 4_851_023;
/** Entries that get their receipts in one transaction. */
const AT_ONCE = 2000;
/** Stands for whoever has no account here. */
const NOBODY = '-';

const salt = (): string => randomBytes(16).toString('hex');

/** Gives every entry of a job that has none a receipt, in the order in which they were taken. */
export async function sealLog(db: Database, job: string): Promise<void> {
  for (;;) {
    const sealed = await inTransaction(db, async (tx) => {
      await tx.execute(sql`select pg_advisory_xact_lock(${SEALING}, hashtext(${job}))`);
      return sealSome(tx, job);
    });
    if (sealed < AT_ONCE) return;
  }
}

async function sealSome(tx: Queries, job: string): Promise<number> {
  const [last] = await tx
    .select({ seq: receipts.seq, head: receipts.head })
    .from(receipts)
    .where(eq(receipts.jobId, job))
    .orderBy(desc(receipts.seq))
    .limit(1);
  const rows = await tx
    .select({ entry: entries })
    .from(entries)
    .leftJoin(receipts, eq(receipts.entryId, entries.id))
    .where(and(eq(entries.jobId, job), isNull(receipts.entryId)))
    .orderBy(asc(entries.seq))
    .limit(AT_ONCE);
  let [seq, previous] = [last?.seq ?? 0, last?.head ?? ''];
  const made: (typeof receipts.$inferInsert)[] = [];
  const add = (one: Omit<typeof receipts.$inferInsert, 'jobId' | 'seq' | 'head'>) => {
    seq += 1;
    const { digest: entry, received, by } = one;
    const head = headOf({ job, seq, previous, entry, received: received.toISOString(), by });
    made.push({ ...one, jobId: job, seq, head });
    previous = head;
  };
  const { key } = signingKey();
  if (rows.length > 0 && (await keyOf(tx, job)) !== key)
    add({ key, digest: digestOf({ key }), received: new Date(), by: NOBODY, salts: {} });
  const firstBlock = last === undefined;
  for (const { entry: row } of rows) {
    const entry = storedEntry(row, row.userId === null ? undefined : { person: '-', account: row.userId });
    const said = saidBy(entry);
    const salts = { [SEED]: entry.salts?.[SEED] ?? salt() };
    add({
      entryId: row.id,
      digest: digestOf(commitmentsOf(said, salts)),
      received: row.receivedAt,
      by: row.userId ?? NOBODY,
      salts,
      firstBlock,
    });
  }
  if (made.length > 0) await tx.insert(receipts).values(made);
  return rows.length;
}

/** The key that signs a job's heads by its newest receipt of one. */
async function keyOf(tx: Queries, job: string): Promise<string | null> {
  const [row] = await tx
    .select({ key: receipts.key })
    .from(receipts)
    .where(and(eq(receipts.jobId, job), sql`${receipts.key} is not null`))
    .orderBy(desc(receipts.seq))
    .limit(1);
  return row?.key ?? null;
}

/** The head of a job's log as it is now, signed; `null` before there is any entry. */
export async function signedHead(db: Database, job: string): Promise<SignedHead | null> {
  await sealLog(db, job);
  const [last] = await db
    .select({ seq: receipts.seq, head: receipts.head })
    .from(receipts)
    .where(eq(receipts.jobId, job))
    .orderBy(desc(receipts.seq))
    .limit(1);
  if (!last) return null;
  const head = { job, ...last, at: new Date().toISOString() };
  const { key, sign } = signingKey();
  return { ...head, key, signature: sign(headText(head)) };
}

/** Many devices ask at once: they are told one head, that is no older than this, ms. */
const RECENT_ms = 10_000;
const recent = new Map<string, { readonly at: number; readonly head: Promise<SignedHead | null> }>();

/** A signed head of a job's log that is at most some seconds old. */
export function recentHead(db: Database, job: string): Promise<SignedHead | null> {
  const known = recent.get(job);
  if (known && Date.now() - known.at < RECENT_ms) return known.head;
  const head = signedHead(db, job);
  recent.set(job, { at: Date.now(), head });
  head.catch(() => recent.delete(job));
  return head;
}

/** Whether a head that somebody kept is one of this log's. */
export async function isOwnHead(
  db: Queries,
  job: string,
  { seq, head }: { readonly seq: number; readonly head: string },
): Promise<boolean> {
  const [row] = await db
    .select({ head: receipts.head })
    .from(receipts)
    .where(and(eq(receipts.jobId, job), eq(receipts.seq, seq)));
  return row?.head === head;
}

/** The whole log with its receipts, as it is handed out. @param names whether it says who the accounts are */
export async function exportLog(db: Database, job: string, names: boolean): Promise<LogFile | null> {
  const head = await signedHead(db, job);
  const [row] = await db.select({ document: jobs.document }).from(jobs).where(eq(jobs.id, job));
  if (!row) return null;
  const rows = await db.select().from(receipts).where(eq(receipts.jobId, job)).orderBy(asc(receipts.seq));
  const told = rows.filter(({ seq }) => seq <= (head?.seq ?? 0));
  const all = await db.select().from(entries).where(eq(entries.jobId, job)).orderBy(asc(entries.seq));
  const sealed = new Set(told.map(({ entryId }) => entryId));
  const people = names ? await namesIn(db, job, all) : null;
  const logged = all
    .filter(({ id }) => sealed.has(id))
    .map((one) => {
      const maker = one.userId === null ? undefined : { person: '-', account: one.userId };
      return { ...saidBy(storedEntry(one, maker)), id: one.id };
    });
  const log: LogFile = {
    format: 'hulvek-log',
    version: 1,
    job,
    ...(names && { name: storedJob(row.document).name }),
    firstBlock: told.filter(({ firstBlock }) => firstBlock).length,
    head,
    receipts: told.map(({ seq, entryId, key, digest, received, by, head: own, salts }): Receipt => ({
      seq,
      entry: digest,
      received: received.toISOString(),
      by,
      head: own,
      salts: storedSalts(salts),
      of: entryId === null ? { key: key ?? '' } : { entry: entryId },
    })),
    entries: logged,
    ...(people && {
      people: Object.fromEntries(
        [...new Set(all.flatMap(({ userId }) => userId ?? []))].map((id) => [id, people.account(id)]),
      ),
    }),
  };
  // Who accepted a departure, or is to mend a fault, is named in what the entry says.
  return names ? log : withhold(log, ({ facts }) => (namesSomebody(facts) ? ['facts'] : []));
}

const naming = z.union([
  z.looseObject({ kind: z.literal('deviation'), accepted: z.string() }),
  z.looseObject({ kind: z.literal('fault'), owner: z.string() }),
]);
const namesSomebody = (facts: unknown): boolean => naming.safeParse(facts).success;
