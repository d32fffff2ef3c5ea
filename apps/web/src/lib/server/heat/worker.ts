/** Takes tasks of heat from the queue and gives them to threads. */
import { availableParallelism, hostname } from 'node:os';
import type { Job } from 'pg-boss';
import Piscina from 'piscina';
import { database } from '../db/index.ts';
import { log } from '../log.ts';
import { PLAN_QUEUE, queue, SOLVE_QUEUE, type PlanTask, type SolveTask } from './queue.ts';
import { isWanted, keepResult, planRun } from './runs.ts';
import type { planSides, PlannedSide, SolvedTask } from './tasks.ts';

/** How often an idle worker looks for tasks, s. */
const LOOK_s = 0.5;
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
  const solve = async ({ content, json }: SolveTask) => {
    if (!(await isWanted(db, content))) return;
    const solved = (await pool.run(json, { name: 'solveSide' })) as SolvedTask;
    if (await keepResult(db, { content, ...solved, worker })) log.info({ content, worker }, 'solved');
  };
  await boss.work<PlanTask>(
    PLAN_QUEUE,
    { batchSize: 1, pollingIntervalSeconds: LOOK_s },
    async ([task]: Job<PlanTask>[]) => {
      if (task) await planRun(db, task.data.run, plan);
    },
  );
  await boss.work<SolveTask>(
    SOLVE_QUEUE,
    // About as much as is solved until the next look; others get their share.
    { batchSize: AT_ONCE * threads, pollingIntervalSeconds: LOOK_s },
    async (tasks: Job<SolveTask>[]) => {
      await Promise.all(tasks.map(({ data }) => solve(data)));
    },
  );
  log.info({ worker, threads }, 'heat worker');
  return {
    stop: async () => {
      await boss.stop({ graceful: true, timeout: 10_000 });
      await pool.close();
    },
  };
}
