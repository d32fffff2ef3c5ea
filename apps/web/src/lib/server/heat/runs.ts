/** Runs of a job's heat: asked for, followed, cancelled, read. */
import { heatMark } from '../../contract/heat-mark.ts';
import type { SideHeat } from '@hulvek/core';
import { and, desc, eq, inArray, isNotNull, isNull, ne, sql } from 'drizzle-orm';
import { inTransaction, type Database, type Queries } from '../db/index.ts';
import type { HeatProblem, HeatRunState, RunView } from '../../contract/heat.ts';
import { heatResults, heatRuns, heatSides } from '../db/schema/index.ts';
import { storedSide, storedWords } from '../db/stored.ts';
import { loadContext } from '../services/jobs.ts';
import { namesIn } from '../services/names.ts';
import { loadOpenings } from '../services/openings.ts';
import { enqueue, PLAN_QUEUE, SOLVE_QUEUE } from './queue.ts';
import type { planSides, PlannedSide } from './tasks.ts';

const OPEN: HeatRunState[] = ['planning', 'solving'];

/** Starts a run, or gives back the one that is still at work. */
export async function startRun(db: Database, job: string, user: string): Promise<string> {
  return inTransaction(db, async (tx) => {
    await tx.execute(sql`select pg_advisory_xact_lock(hashtext(${`heat ${job}`}))`);
    const last = await lastRun(tx, job);
    if (last && (await isAtWork(tx, last))) return last.id;
    const [run] = await tx
      .insert(heatRuns)
      .values({ jobId: job, userId: user })
      .returning({ id: heatRuns.id });
    if (!run) throw new Error('the run was not stored');
    // What an older run was is known by its results; only the newest is read.
    await tx.delete(heatRuns).where(and(eq(heatRuns.jobId, job), ne(heatRuns.id, run.id)));
    await enqueue(tx, PLAN_QUEUE, [{ key: run.id, data: { run: run.id } }]);
    return run.id;
  });
}

async function lastRun(db: Queries, job: string) {
  const [run] = await db
    .select()
    .from(heatRuns)
    .where(eq(heatRuns.jobId, job))
    .orderBy(desc(heatRuns.at))
    .limit(1);
  return run ?? null;
}

async function isAtWork(db: Queries, run: { id: string; state: HeatRunState }): Promise<boolean> {
  if (run.state !== 'solving') return run.state === 'planning';
  const [unsolved] = await db
    .select({ content: heatSides.content })
    .from(heatSides)
    .leftJoin(heatResults, eq(heatResults.content, heatSides.content))
    .where(and(eq(heatSides.runId, run.id), isNotNull(heatSides.content), isNull(heatResults.content)))
    .limit(1);
  return unsolved !== undefined;
}

/** Stops a run: what nobody else waits for is not begun any more; what is solved stays. */
export async function cancelRun(db: Database, job: string): Promise<void> {
  await db
    .update(heatRuns)
    .set({ state: 'cancelled' })
    .where(and(eq(heatRuns.jobId, job), inArray(heatRuns.state, OPEN)));
}

/** A run that cannot be planned at all: it can be asked for again. */
export async function failRun(db: Queries, id: string): Promise<void> {
  await db.update(heatRuns).set({ state: 'failed' }).where(eq(heatRuns.id, id));
}

/** The newest run of a job with what is solved of it; `null` where none was asked for. */
export async function runOf(db: Queries, job: string): Promise<RunView | null> {
  const run = await lastRun(db, job);
  if (!run) return null;
  const rows = await db
    .select({
      opening: heatSides.openingId,
      cut: heatSides.cut,
      mark: heatSides.opening,
      leftOut: heatSides.leftOut,
      side: heatResults.side,
      unplanned: heatSides.problem,
      unsolved: heatResults.problem,
    })
    .from(heatSides)
    .leftJoin(heatResults, eq(heatResults.content, heatSides.content))
    .where(eq(heatSides.runId, run.id));
  const sides = rows.map(({ unplanned, unsolved, ...row }) => ({
    ...row,
    side: storedSide(row.side),
    leftOut: storedWords(row.leftOut),
    problem: unplanned ?? unsolved,
  }));
  const done = run.state === 'solving' && sides.every((s) => s.side !== null || s.problem !== null);
  const { id, userId } = run;
  const { person } = (await namesIn(db, job, [{ userId }])).of({ userId });
  return { id, person, at: run.at.toISOString(), state: done ? 'done' : run.state, sides };
}

export type PlanOpenings = (openings: readonly Parameters<typeof planSides>[0][]) => Promise<PlannedSide[][]>;

/** Plans the openings of a run and queues what nobody has solved yet, all of it or nothing. */
export async function planRun(db: Database, id: string, plan: PlanOpenings): Promise<void> {
  const [run] = await db.select().from(heatRuns).where(eq(heatRuns.id, id));
  if (run?.state !== 'planning') return;
  const context = await loadContext(db, run.jobId);
  if (!context) return;
  const mark = heatMark(context);
  const openings = await loadOpenings(db, run.jobId);
  const planned = await plan(openings.map((opening) => ({ opening, context })));
  await inTransaction(db, async (tx) => {
    const rows = openings.flatMap((opening, i) =>
      (planned[i] ?? []).map((side) => ({
        runId: id,
        openingId: opening.id,
        cut: side.cut,
        opening: mark(opening),
        ...('content' in side
          ? { content: side.content, leftOut: [...side.leftOut] }
          : { problem: side.problem }),
      })),
    );
    if (rows.length > 0) await tx.insert(heatSides).values(rows).onConflictDoNothing();
    await tx
      .update(heatRuns)
      .set({ state: 'solving' })
      .where(and(eq(heatRuns.id, id), eq(heatRuns.state, 'planning')));
    const wanted = new Map(planned.flat().flatMap((s) => ('content' in s ? [[s.content, s.json]] : [])));
    const known = await tx
      .select({ content: heatResults.content })
      .from(heatResults)
      .where(inArray(heatResults.content, [...wanted.keys(), '']));
    for (const { content } of known) wanted.delete(content);
    await enqueue(
      tx,
      SOLVE_QUEUE,
      [...wanted].map(([content, json]) => ({ key: content, data: { content, json } })),
    );
  });
}

/** Whether somebody waits for a content and nobody has it. */
export async function isWanted(db: Queries, content: string): Promise<boolean> {
  const [known] = await db
    .select({ content: heatResults.content })
    .from(heatResults)
    .where(eq(heatResults.content, content));
  if (known) return false;
  const [waiting] = await db
    .select({ run: heatSides.runId })
    .from(heatSides)
    .innerJoin(heatRuns, eq(heatRuns.id, heatSides.runId))
    .where(and(eq(heatSides.content, content), eq(heatRuns.state, 'solving')))
    .limit(1);
  return waiting !== undefined;
}

/** Keeps a result; of two the first stays. */
export async function keepResult(
  db: Queries,
  result: { content: string; side?: SideHeat; problem?: HeatProblem; worker: string },
): Promise<boolean> {
  const kept = await db
    .insert(heatResults)
    .values(result)
    .onConflictDoNothing()
    .returning({ content: heatResults.content });
  return kept.length > 0;
}
