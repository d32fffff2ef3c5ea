/**
 * The rows of a job as the database keeps them, for a package that an empty installation can be restored from: one JSON object a
 * line, every column as it is. What can be made again (heat, verdicts), and links, which are secrets, stay out.
 */
import { getTableName, is, sql } from 'drizzle-orm';
import { PgTable } from 'drizzle-orm/pg-core';
import type { Queries } from '../db/index.ts';
import * as schema from '../db/schema/index.ts';

export interface RowsOf {
  readonly table: PgTable;
  /** In the order in which they stand in the file. */
  readonly order: string;
  /** Which rows; those of the job by its column without it. */
  readonly where?: string;
  /** Left out, and what stands in its place when it is put back. */
  readonly without?: Readonly<Record<string, string>>;
  /** The counter that goes on behind the largest that is put back. */
  readonly counter?: string;
}

/** Whoever is a member of the job or made something in it. */
const PEOPLE = `id in (
  select user_id from members where job_id = $job
  union select user_id from entries where job_id = $job
  union select user_id from readings where job_id = $job
  union select user_id from plan_issues where job_id = $job
  union select user_id from opening_versions where job_id = $job
  union select user_id from job_item_versions where job_id = $job
  union select removed_by from openings where job_id = $job
  union select user_id from brought where job_id = $job
  union select user_id from foreign_logs where job_id = $job
  union select answered_by from questions where job_id = $job
  union select user_id from audit where job_id = $job)`;

/** In the order in which they can be put back. */
export const PACKED_TABLES: readonly RowsOf[] = [
  // Nobody gets in by a package: whoever is to come back is given a link for a new password.
  { table: schema.users, order: 'id', where: PEOPLE, without: { password_hash: '' } },
  { table: schema.jobs, order: 'id', where: 'id = $job' },
  { table: schema.members, order: 'user_id' },
  { table: schema.brought, order: 'id' },
  { table: schema.foreignLogs, order: 'id' },
  { table: schema.jobItemVersions, order: 'kind, id, version' },
  { table: schema.openings, order: 'position, id' },
  { table: schema.openingVersions, order: 'opening_id, version' },
  { table: schema.readings, order: 'seq', counter: 'seq' },
  { table: schema.planIssues, order: 'opening_id, version' },
  { table: schema.entries, order: 'seq', counter: 'seq' },
  { table: schema.receipts, order: 'seq' },
  { table: schema.acknowledgements, order: 'id', counter: 'id' },
  { table: schema.questions, order: 'id', counter: 'id' },
  { table: schema.audit, order: 'id', counter: 'id' },
];

/** What is in no package, and why: a new table has to be put in one of the two lists. */
export const NOT_PACKED = {
  photos: 'their bytes are files of the package',
  sessions: 'nobody stays signed in',
  tokens: 'links are secrets',
  tries: 'of no job',
  tasks: 'of no job',
  task_files: 'made again',
  packages: 'of no job',
  package_parts: 'of no job',
  shelf_versions: 'of all jobs',
  heat_runs: 'made again',
  heat_sides: 'made again',
  heat_results: 'made again',
  judgements: 'made again',
  practice_answers: 'of no job',
  practice_sharing: 'somebody’s leave, to be given again',
  practice_rounds: 'no part of what was built',
} as const;

export const allTables = (): string[] =>
  Object.values(schema).flatMap((one) => (is(one, PgTable) ? [getTableName(one)] : []));

export const rowsPath = (table: string): string => `rows/${table}.ndjson`;

/** One table's rows of a job, as text. */
export async function rowsOf(
  db: Queries,
  job: string,
  { table, order, where, without }: RowsOf,
): Promise<string> {
  const name = getTableName(table);
  const literal = `'${job.replaceAll("'", "''")}'`;
  const which = (where ?? 'job_id = $job').replaceAll('$job', literal);
  const bare = Object.keys(without ?? {}).map((column) => ` - '${column}'`);
  const { rows } = await db.execute<{ line: string }>(
    sql.raw(
      `select (to_jsonb(t)${bare.join('')})::text as line from ${name} t where ${which} order by ${order}`,
    ),
  );
  return rows.map(({ line }) => `${line}\n`).join('');
}

/** Rows that go over the line at once. */
const AT_ONCE = 500;

/** Puts rows back as they were. @throws where one is there already, or is none of the table's */
export async function putRowsBack(
  tx: Queries,
  { table, without, counter }: RowsOf,
  lines: readonly string[],
): Promise<void> {
  const name = getTableName(table);
  for (let at = 0; at < lines.length; at += AT_ONCE) {
    const part = lines.slice(at, at + AT_ONCE);
    await tx.execute(sql`
      insert into ${sql.raw(name)}
      select (jsonb_populate_record(null::${sql.raw(name)}, line || ${JSON.stringify(without ?? {})}::jsonb)).*
      from unnest(array[${sql.join(
        part.map((line) => sql`${line}::jsonb`),
        sql`, `,
      )}]) as line`);
  }
  if (counter && lines.length > 0)
    await tx.execute(
      sql.raw(
        `select setval(pg_get_serial_sequence('${name}', '${counter}'),
          greatest((select max(${counter}) from ${name}), (select last_value from ${name}_${counter}_seq)))`,
      ),
    );
}
