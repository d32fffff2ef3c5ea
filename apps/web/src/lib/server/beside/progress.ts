/** How far a task is, for whoever follows it. */
import { and, eq, sql } from 'drizzle-orm';
import type { Queries } from '../db/index.ts';
import { tasks } from '../db/schema/index.ts';

export const toldProgress =
  (db: Queries, task: string) =>
  (share: number): Promise<unknown> =>
    db
      .update(tasks)
      .set({ share, seenAt: sql`now()` })
      .where(and(eq(tasks.id, task), eq(tasks.state, 'working')));
