/** Keeps the verdict of every opening of a job: of what changed at once without heat, and again when it is solved. */
import { createHash } from 'node:crypto';
import type { JobContext, Judgement, Opening } from '@hulvek/core';
import { eq, inArray, sql } from 'drizzle-orm';
import { judgeMark, type Judged } from '../../contract/judged.ts';
import { inTransaction, type Database, type Queries } from '../db/index.ts';
import { heatResults, judgements } from '../db/schema/index.ts';
import { storedJudged, storedSide } from '../db/stored.ts';
import { keepResult } from '../heat/runs.ts';
import type { PlannedSide, SolvedTask } from '../heat/tasks.ts';
import { log } from '../log.ts';
import { announce, announceAll } from '../services/changes.ts';
import { loadContext } from '../services/jobs.ts';
import { loadOpenings } from '../services/openings.ts';
import type { collidingOf, JudgeTask, SolvedHeat } from './tasks.ts';

/** The threads that do the computing. */
export interface JudgingThreads {
  readonly collidingOf: (task: Parameters<typeof collidingOf>[0]) => Promise<string[]>;
  readonly judgeOpening: (task: JudgeTask) => Promise<Judgement>;
  readonly planSides: (task: { opening: Opening; context: JobContext }) => Promise<PlannedSide[]>;
  readonly solveSide: (json: string) => Promise<SolvedTask>;
}

export interface Judging {
  readonly db: Database;
  readonly threads: JudgingThreads;
  /** SHA-256 of the code that judges: what other code judged is judged again. */
  readonly engine: string;
  readonly worker: string;
}

interface Due {
  readonly opening: Opening;
  readonly mark: string;
  readonly collides: boolean;
}

/** Fingerprint of the file that the threads run. */
export const engineOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');

/** Openings whose heat is solved in one go: a worker that dies loses no more, and others get their share. */
const AT_ONCE = 8;

/**
 * Judges what is not judged yet of a job, or was judged otherwise than it is now: all of it without heat, some of it
 * with. Whatever it keeps is announced, and asks for the rest. Returns how many openings it judged.
 */
export async function judgeJob(judging: Judging, job: string): Promise<number> {
  const { db, threads, engine } = judging;
  const context = await loadContext(db, job);
  if (!context) return 0;
  const openings = await loadOpenings(db, job);
  const mark = judgeMark(context);
  const kept = new Map((await keptOf(db, job)).map((row) => [row.openingId, row]));
  /** What is kept of an opening as it is now. */
  const judgedNow = (opening: Opening): Judged | undefined => {
    const row = kept.get(opening.id);
    const judged = row?.engine === engine ? storedJudged(row) : undefined;
    return judged?.mark === mark(opening) ? judged : undefined;
  };
  const stale = new Set(openings.filter((opening) => judgedNow(opening)?.judgement.working !== false));
  if (stale.size === 0) return 0;
  const placed = openings.filter(({ position }) => position !== undefined);
  const colliding = new Set(await threads.collidingOf({ openings: placed, context }));
  const moved = (opening: Opening) => kept.get(opening.id)?.collides !== colliding.has(opening.id);
  const due = openings
    .filter((opening) => stale.has(opening) || moved(opening))
    .map((opening): Due => ({ opening, mark: mark(opening), collides: colliding.has(opening.id) }));
  const judge = ({ opening, collides }: Due, heat: JudgeTask['heat']) =>
    threads.judgeOpening({ opening, context, collides, heat });

  const first = due.filter(({ opening }) => !judgedNow(opening) || moved(opening));
  const judged = await Promise.all(first.map((of) => judge(of, 'working')));
  await inTransaction(db, async (tx) => {
    for (const [i, of] of first.entries())
      if (judged[i]) await keep(tx, { job, engine, judgement: judged[i], ...of });
    if (first.length > 0) await announceAll(tx, { job, openings: first.map(({ opening }) => opening.id) });
  });
  const now = due.slice(0, AT_ONCE);
  for (const of of now) {
    const heat = await heatOf(judging, { opening: of.opening, context });
    const judgement = await judge(of, heat);
    await inTransaction(db, async (tx) => {
      await keep(tx, { job, engine, judgement, ...of });
      await announce(tx, { job, opening: of.opening.id });
    });
  }
  return now.length;
}

const keptOf = (db: Queries, job: string) => db.select().from(judgements).where(eq(judgements.jobId, job));

async function keep(
  db: Queries,
  { job, opening, ...row }: Due & { job: string; engine: string; judgement: Judgement },
): Promise<void> {
  await db
    .insert(judgements)
    .values({ jobId: job, openingId: opening.id, ...row })
    .onConflictDoUpdate({
      target: [judgements.jobId, judgements.openingId],
      set: { mark: row.mark, engine: row.engine, collides: row.collides, judgement: row.judgement },
    });
}

/** The sides of an opening: those that somebody solved before from their content, the others now. */
async function heatOf(
  { db, threads, worker }: Pick<Judging, 'db' | 'threads' | 'worker'>,
  of: { opening: Opening; context: JobContext },
): Promise<readonly SolvedHeat[] | 'unsolved'> {
  const sides = await threads.planSides(of);
  const contents = sides.flatMap((side) => ('content' in side ? [side.content] : []));
  const known = new Map(
    (
      await db
        .select()
        .from(heatResults)
        .where(inArray(heatResults.content, [...contents, '']))
    ).map((row) => [row.content, row]),
  );
  const solved = await Promise.all(
    sides.map(async (side): Promise<SolvedHeat | null> => {
      if (!('content' in side)) return null;
      const { content, json, leftOut } = side;
      const row = known.get(content);
      if (row) {
        const was = storedSide(row.side);
        return was && { side: was, leftOut };
      }
      const result = await threads.solveSide(json);
      if (await keepResult(db, { content, ...result, worker })) log.info({ content, worker }, 'solved');
      return 'side' in result ? { side: result.side, leftOut } : null;
    }),
  );
  const all = solved.flatMap((side) => side ?? []);
  return all.length === sides.length ? all : 'unsolved';
}

/** Every job there is, for what was stored while nobody judged. */
export const allJobs = async (db: Queries): Promise<string[]> =>
  (await db.execute<{ id: string }>(sql`select id from jobs order by created_at`)).rows.map(({ id }) => id);
