/** Rows of the openings of a job. */
import { and, eq, inArray, type SQL } from 'drizzle-orm';
import type { PgColumn } from 'drizzle-orm/pg-core';

/** Of all openings of a job, or of those named. */
export const inJob =
  (job: string, opening?: string | readonly string[]) =>
  (table: { jobId: PgColumn; openingId: PgColumn }): SQL | undefined =>
    and(
      eq(table.jobId, job),
      typeof opening === 'string'
        ? eq(table.openingId, opening)
        : opening && inArray(table.openingId, [...opening]),
    );

export function byOpening<Row extends { openingId: string }>(rows: readonly Row[]): Map<string, Row[]> {
  const groups = new Map<string, Row[]>();
  for (const row of rows) {
    const group = groups.get(row.openingId);
    if (group) group.push(row);
    else groups.set(row.openingId, [row]);
  }
  return groups;
}

/** What is kept of a record beside who made it: that is an account, or somebody a file names. */
export type Kept<Row> = Omit<Row, 'userId' | 'broughtId' | 'seq'>;
