/** Takes tasks from the queue and gives them to threads: sides of heat, and openings to be judged. */
import { availableParallelism, hostname } from 'node:os';
import type { JobWithMetadata } from 'pg-boss';
import type PgBoss from 'pg-boss';
import Piscina from 'piscina';
import { database, databaseUrl } from '../db/index.ts';
import { log } from '../log.ts';
import { readFile } from 'node:fs/promises';
import { allJobs, engineOf, judgeJob, type Judging, type JudgingThreads } from '../judging/judgements.ts';
import { changes, EVERY_JOB } from '../services/changes.ts';
import {
  JUDGE_QUEUE,
  PLAN_QUEUE,
  queue,
  SOLVE_QUEUE,
  type JudgeJobTask,
  type PlanTask,
  type SolveTask,
} from './queue.ts';
import { failRun, isWanted, keepResult, planRun } from './runs.ts';
import type { planSides, PlannedSide, SolvedTask } from './tasks.ts';

/** How often an idle worker looks for tasks, s. */
const LOOK_s = 0.5;
/** Changes of this time are one, ms. */
const TOGETHER_ms = 300;
/** Tasks taken at once for each thread. */
const AT_ONCE = 8;

/**
 * Works until stopped. What a worker that dies had taken goes to another one when its time is over.
 *
 * @param thread file with the tasks that threads run
 */
export async function startHeatWorker(thread: string): Promise<{ stop: () => Promise<void> }> {
  const db = database();
  const boss = await queue(true);
  const threads = Math.max(1, availableParallelism() - 1);
  const pool = new Piscina({ filename: thread, maxThreads: threads });
  const worker = `${hostname()} ${process.pid}`;
  const plan = (openings: readonly Parameters<typeof planSides>[0][]) =>
    Promise.all(openings.map((o): Promise<PlannedSide[]> => pool.run(o, { name: 'planSides' })));
  const solve = async ({ data: { content, json }, ...task }: JobWithMetadata<SolveTask>) => {
    if (!(await isWanted(db, content))) return;
    const solved = await pool.run(json, { name: 'solveSide' }).catch((error: Error): SolvedTask => {
      log.error({ content, error: error.message }, 'not solved');
      if (isLastTry(task)) return { problem: 'not-converged' };
      throw error;
    });
    if (await keepResult(db, { content, ...(solved as SolvedTask), worker }))
      log.info({ content, worker }, 'solved');
  };
  await boss.work<PlanTask>(
    PLAN_QUEUE,
    { batchSize: 1, pollingIntervalSeconds: LOOK_s, includeMetadata: true },
    async ([task]: JobWithMetadata<PlanTask>[]) => {
      if (!task) return;
      await planRun(db, task.data.run, plan).catch(async (error: Error) => {
        log.error({ run: task.data.run, error: error.message }, 'not planned');
        if (!isLastTry(task)) throw error;
        await failRun(db, task.data.run);
      });
    },
  );
  await boss.work<SolveTask>(
    SOLVE_QUEUE,
    // About as much as is solved until the next look; others get their share.
    { batchSize: AT_ONCE * threads, pollingIntervalSeconds: LOOK_s, includeMetadata: true },
    async (tasks: JobWithMetadata<SolveTask>[]) => {
      await Promise.all(tasks.map(solve));
    },
  );
  const run =
    <Task, Answer>(name: string) =>
    (task: Task): Promise<Answer> =>
      pool.run(task, { name });
  const computing: JudgingThreads = {
    collidingOf: run('collidingOf'),
    judgeOpening: run('judgeOpening'),
    planSides: run('planSides'),
    solveSide: run('solveSide'),
  };
  const engine = engineOf(await readFile(thread));
  const unheard = await judgeWhatChanges(boss, { db, threads: computing, engine, worker });
  log.info({ worker, threads }, 'heat worker');
  return {
    stop: async () => {
      unheard();
      await boss.stop({ graceful: true, timeout: 10_000 });
      await pool.close();
    },
  };
}

/** Judges every job once, and again whatever changes in one, until the function it returns is called. */
async function judgeWhatChanges(boss: PgBoss, judging: Judging): Promise<() => void> {
  const ask = async (jobs: readonly string[]): Promise<void> => {
    await boss.insert(jobs.map((job) => ({ name: JUDGE_QUEUE, data: { job }, singletonKey: job })));
  };
  const askAll = async (): Promise<void> => ask(await allJobs(judging.db));
  const failed = (error: Error) => log.error({ error: error.message }, 'not asked to judge');
  await boss.work<JudgeJobTask>(
    JUDGE_QUEUE,
    { batchSize: 1, pollingIntervalSeconds: LOOK_s },
    async ([task]) => {
      if (!task) return;
      const { job } = task.data;
      const judged = await judgeJob(judging, job).catch((error: Error) => {
        log.error({ job, error: error.message }, 'not judged');
        throw error;
      });
      if (judged > 0) log.info({ job, judged, worker: judging.worker }, 'judged');
    },
  );
  // Changes that follow each other are asked for together.
  const changed = new Set<string>();
  const asking = setInterval(() => {
    if (changed.size === 0) return;
    ask([...changed]).catch(failed);
    changed.clear();
  }, TOGETHER_ms);
  const unlisten = changes.listen(databaseUrl(), EVERY_JOB, (change) => {
    if (change === 'reconnected') askAll().catch(failed);
    else if (change.plans) changed.add(change.job);
  });
  const unheard = () => {
    clearInterval(asking);
    unlisten();
  };
  await askAll();
  return unheard;
}

const isLastTry = ({ retryCount, retryLimit }: { retryCount: number; retryLimit: number }): boolean =>
  retryCount >= retryLimit;
