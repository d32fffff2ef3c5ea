import { statfs } from 'node:fs/promises';
import { database } from '$lib/server/db/index.ts';
import { wasReady } from '$lib/server/metrics.ts';
import { json } from '@sveltejs/kit';
import { sql } from 'drizzle-orm';

/** Below this share of free room the disk is called full. */
const LEAST_FREE = 0.02;

async function databaseState(): Promise<'up' | 'down'> {
  try {
    await database().execute(sql`select 1`);
    return 'up';
  } catch {
    return 'down';
  }
}

/** Tasks that wait for a worker; `null` before a worker ever made the queue. */
async function waiting(): Promise<number | null> {
  try {
    const { rows } = await database().execute<{ n: number }>(
      sql`select count(*)::int n from pgboss.job where state in ('created', 'retry')`,
    );
    return rows[0]?.n ?? 0;
  } catch {
    return null;
  }
}

async function freeShare(): Promise<number | null> {
  try {
    const { bavail, blocks } = await statfs(process.cwd());
    return Math.round((bavail / blocks) * 1000) / 1000;
  } catch {
    return null;
  }
}

/** Whether this process answers, whether it is ready, and how what it rests on is. */
export const GET = async () => {
  const [state, queue, free] = await Promise.all([databaseState(), waiting(), freeShare()]);
  const disk = free === null || free > LEAST_FREE ? 'room' : 'full';
  const ready = wasReady() && state === 'up' && disk === 'room';
  return json(
    { server: 'up', ready, database: state, queue: { waiting: queue }, disk: { state: disk, free } },
    { status: ready ? 200 : 503, headers: { 'cache-control': 'no-store' } },
  );
};
