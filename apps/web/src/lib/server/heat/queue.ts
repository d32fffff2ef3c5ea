/** The queue of heat in the database: any number of machines that share the database share its work. */
import PgBoss from 'pg-boss';
import { log } from '../log.ts';
import { databaseUrl, type Queries } from '../db/index.ts';
import { sql } from 'drizzle-orm';

/** Openings of one run are planned in one task; every side to be solved is a task of its own. */
export const PLAN_QUEUE = 'heat-plan';
export const SOLVE_QUEUE = 'heat-solve';
/** Of every job whose openings may have to be judged anew one task waits at most. */
export const JUDGE_QUEUE = 'judge-job';

export interface PlanTask {
  readonly run: string;
}
export interface JudgeJobTask {
  readonly job: string;
}
/** Says all there is to know: whoever takes it needs nothing else. */
export interface SolveTask {
  readonly content: string;
  /** A junction and its conditions, see `sideContent`. */
  readonly json: string;
}

/** A task whose worker has not finished it after so long goes to another one, s. */
const LEASE_s = Number(process.env.HULVEK_HEAT_LEASE_S ?? 60);
const RETRIES = 5;
const MAINTAIN_s = 2;

let started: Promise<PgBoss> | undefined;

/**
 * Opened on first use; it keeps tables of its own in the same database.
 *
 * @param tends whether this process also looks after tasks whose worker died: workers do, the server only asks
 */
export function queue(tends = false): Promise<PgBoss> {
  started ??= open(tends).catch((error: unknown) => {
    started = undefined;
    throw error;
  });
  return started;
}

async function open(tends: boolean): Promise<PgBoss> {
  const url = databaseUrl();
  const boss = new PgBoss({
    connectionString: url,
    max: 4,
    schema: 'heat_queue',
    supervise: tends,
    schedule: false,
    maintenanceIntervalSeconds: MAINTAIN_s,
  });
  boss.on('error', (error) => log.error({ error: error.message }, 'queue of heat'));
  await boss.start();
  // The server ends once nothing is open any more.
  process.once('sveltekit:shutdown', () => void boss.stop({ graceful: false }));
  // Of equal tasks one waits and one is worked on at most.
  const rules = { policy: 'stately', expireInSeconds: LEASE_s, retryLimit: RETRIES, retryDelay: 1 } as const;
  for (const name of [PLAN_QUEUE, SOLVE_QUEUE, JUDGE_QUEUE]) await boss.createQueue(name, { name, ...rules });
  return boss;
}

/** Puts tasks into the queue as part of a transaction: they are there exactly when it is committed. */
export async function enqueue(
  tx: Queries,
  name: string,
  tasks: readonly { readonly key: string; readonly data: object }[],
): Promise<void> {
  if (tasks.length === 0) return;
  const boss = await queue();
  const jobs = tasks.map(({ key, data }) => ({ name, data, singletonKey: key }));
  await boss.insert(jobs, { db: { executeSql: (text, values) => run(tx, text, values) } });
}

/** The queue writes its own SQL with numbered places; here they become places of the transaction's own kind. */
async function run(tx: Queries, text: string, values: unknown[]): Promise<{ rows: unknown[] }> {
  const parts = text.split(/\$(\d+)/);
  const query = sql.join(
    parts.map((part, i) => (i % 2 === 0 ? sql.raw(part) : sql`${values[Number(part) - 1] ?? null}`)),
  );
  const { rows } = await tx.execute(query);
  return { rows };
}
