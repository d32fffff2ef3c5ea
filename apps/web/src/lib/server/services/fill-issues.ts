/** Frozen plans from before their walls were kept get them once, when the server starts: planned from their own inputs. */
import { filledIn } from '@hulvek/core';
import { and, eq, sql } from 'drizzle-orm';
import type { Database } from '../db/index.ts';
import { jobs, planIssues } from '../db/schema/index.ts';
import { storedIssue, storedJob } from '../db/stored.ts';
import { log } from '../log.ts';

export async function fillIssues(db: Database): Promise<number> {
  const rows = await db
    .select({ job: jobs.document, issue: planIssues })
    .from(planIssues)
    .innerJoin(jobs, eq(jobs.id, planIssues.jobId))
    .where(sql`not ${planIssues.document} ? 'build'`);
  let filled = 0;
  for (const { job, issue } of rows) {
    const { jobId, openingId, version, document } = issue;
    try {
      const { build } = filledIn(storedIssue(document), storedJob(job));
      if (!build) continue;
      const here = and(
        eq(planIssues.jobId, jobId),
        eq(planIssues.openingId, openingId),
        eq(planIssues.version, version),
      );
      const whole = sql`${planIssues.document} || ${JSON.stringify({ build })}::jsonb`;
      await db.update(planIssues).set({ document: whole }).where(here);
      filled += 1;
    } catch (error) {
      // One that cannot be read must not keep the others from being served; whoever opens it is told.
      const why = error instanceof Error ? error.message : String(error);
      log.error({ job: jobId, opening: openingId, version, error: why }, 'frozen plan not filled in');
    }
  }
  if (filled > 0) log.info({ filled }, 'frozen plans filled in');
  return filled;
}
