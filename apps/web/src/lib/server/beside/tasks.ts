/**
 * What takes longer than an answer may: asked for, followed, cancelled, by anybody one at a time. A task lives in the
 * database, so that any server answers for it; the server that took it does it beside itself.
 */
import { and, eq, inArray, lt, sql } from 'drizzle-orm';
import type { TaskKind, TaskState } from '../../contract/doors.ts';
import { databaseUrl, inTransaction, type Database } from '../db/index.ts';
import { taskFiles, tasks } from '../db/schema/index.ts';
import { log } from '../log.ts';
import { signingKey } from '../evidence-key.ts';
import type { PackageStep } from '../../contract/packages.ts';
import { beside, type GivenTo } from './threads.ts';

/** Tasks of all people at once. */
const MOST = 20;
/** Nothing takes longer, ms. */
const LONGEST_ms = 5 * 60_000;
/** How often a task is looked at while it is done. */
const LOOK_ms = 500;
/** Without a sign of life for this long whoever did it is gone, s. */
const LOST_s = 30;

const OPEN = ['waiting', 'working'] as const satisfies readonly TaskState[];

export type Started =
  | { readonly ok: true; readonly task: string }
  | { readonly ok: false; readonly because: 'one-at-a-time' | 'busy' };

/** Takes a job file to be read and stored. */
export async function startImport(
  db: Database,
  of: { readonly user: string; readonly file: string; readonly text: string },
): Promise<Started> {
  const started = await claim(db, { user: of.user, kind: 'import', name: of.file });
  if (!started.ok) return started;
  const { task } = started;
  void perform(db, task, (signal) =>
    beside('importJobFile', { url: databaseUrl(), task, ...of }, signal),
  ).catch((error: unknown) => log.error({ task, error }, 'a task was not ended'));
  return started;
}

/** Takes a package that has come whole to be looked at, brought in or restored from. */
export async function startPackage(
  db: Database,
  of: PackageStep & {
    readonly user: string;
    readonly package: string;
    readonly file: string;
    readonly isKeeper: boolean;
  },
): Promise<Started> {
  const started = await claim(db, { user: of.user, kind: 'package', name: of.file });
  if (!started.ok) return started;
  const { task } = started;
  const given = { url: databaseUrl(), task, ownKey: signingKey().key, ...of };
  void perform(db, task, (signal) => beside('takePackage', given, signal)).catch((error: unknown) =>
    log.error({ task, error }, 'a task was not ended'),
  );
  return started;
}

/** Draws a dossier beside the server; what comes of it is fetched from its task. */
export async function startDossier(
  db: Database,
  of: { readonly user: string; readonly name: string; readonly given: Omit<GivenTo<'drawDossier'>, 'url'> },
): Promise<Started> {
  const started = await claim(db, { user: of.user, kind: 'dossier', name: of.name });
  if (!started.ok) return started;
  const { task } = started;
  const draw = async (signal: AbortSignal) => {
    await beside('drawDossier', { ...of.given, url: databaseUrl(), task }, signal);
    return { ok: true, file: of.name };
  };
  void perform(db, task, draw).catch((error: unknown) => log.error({ task, error }, 'a task was not ended'));
  return started;
}

/** What came of a task of this person, part by part; `null` where nothing did. */
export async function fileOfTask(
  db: Database,
  user: string,
  id: string,
): Promise<ReadableStream<Uint8Array> | null> {
  const task = await taskOf(db, user, id);
  if (task?.state !== 'done' || (await db.$count(taskFiles, eq(taskFiles.taskId, id))) === 0) return null;
  let part = 0;
  return new ReadableStream<Uint8Array>({
    async pull(controller) {
      const [row] = await db
        .select({ bytes: taskFiles.bytes })
        .from(taskFiles)
        .where(and(eq(taskFiles.taskId, id), eq(taskFiles.part, part)));
      part++;
      if (row) controller.enqueue(new Uint8Array(row.bytes));
      else controller.close();
    },
  });
}

async function claim(
  db: Database,
  of: { readonly user: string; readonly kind: TaskKind; readonly name: string },
): Promise<Started> {
  return inTransaction(db, async (tx) => {
    await tx.execute(sql`select pg_advisory_xact_lock(hashtext('tasks'))`);
    const lost = lt(tasks.seenAt, sql`now() - make_interval(secs => ${LOST_s})`);
    await tx
      .update(tasks)
      .set({ state: 'broken' })
      .where(and(inArray(tasks.state, [...OPEN]), lost));
    const open = await tx
      .select({ user: tasks.userId })
      .from(tasks)
      .where(inArray(tasks.state, [...OPEN]));
    if (open.some(({ user }) => user === of.user)) return { ok: false, because: 'one-at-a-time' };
    if (open.length >= MOST) return { ok: false, because: 'busy' };
    const [row] = await tx
      .insert(tasks)
      .values({ userId: of.user, kind: of.kind, name: of.name, state: 'working' })
      .returning({ id: tasks.id });
    if (!row) throw new Error('the task was not stored');
    return { ok: true, task: row.id };
  });
}

/** Does it, with a sign of life now and then; it ends when its time is over or somebody cancels it. */
async function perform(
  db: Database,
  task: string,
  work: (signal: AbortSignal) => Promise<{ readonly ok: boolean }>,
): Promise<void> {
  const stop = new AbortController();
  const late = setTimeout(() => stop.abort(), LONGEST_ms);
  const looking = setInterval(() => {
    void db
      .update(tasks)
      .set({ seenAt: sql`now()` })
      .where(and(eq(tasks.id, task), eq(tasks.state, 'working')))
      .returning({ id: tasks.id })
      .then((rows) => {
        if (rows.length === 0) stop.abort();
      })
      .catch(() => undefined);
  }, LOOK_ms);
  const end = async (state: TaskState, result: unknown) => {
    await db
      .update(tasks)
      .set({ state, result, share: 1 })
      .where(and(eq(tasks.id, task), eq(tasks.state, 'working')));
  };
  try {
    const answer = await work(stop.signal);
    await end(answer.ok ? 'done' : 'refused', answer);
  } catch (error) {
    log.error({ task, error }, 'a task broke off');
    await end('broken', null);
  } finally {
    clearTimeout(late);
    clearInterval(looking);
  }
}

export type Task = typeof tasks.$inferSelect;

/** A task of this person; `null` where there is none, whoever else has one. */
export async function taskOf(db: Database, user: string, id: string): Promise<Task | null> {
  const [row] = await db
    .select()
    .from(tasks)
    .where(and(eq(tasks.id, id), eq(tasks.userId, user)));
  if (!row) return null;
  const silent = Date.now() - row.seenAt.getTime() > LOST_s * 1000;
  return row.state === 'working' && silent ? { ...row, state: 'broken' } : row;
}

export async function cancelTask(db: Database, user: string, id: string): Promise<void> {
  await db
    .update(tasks)
    .set({ state: 'cancelled' })
    .where(and(eq(tasks.id, id), eq(tasks.userId, user), inArray(tasks.state, [...OPEN])));
}
