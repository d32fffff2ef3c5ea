/** The database connection; opened on first use, migrated once when the server starts. */
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';

export type Queries = NodePgDatabase;
export type Database = Queries & { $client: pg.Pool };

export function openDatabase(url: string): { db: Database; pool: pg.Pool } {
  const pool = new pg.Pool({ connectionString: url, max: 10, connectionTimeoutMillis: 5000 });
  // A database that goes away must not take the server with it; the next query reconnects.
  pool.on('error', () => undefined);
  pool.on('connect', (client) => client.on('error', () => undefined));
  return { db: drizzle(pool), pool };
}

/** A number of its own among the locks of the database: whoever migrates holds it. */
const MIGRATING = 4_851_021;

/** Brings the tables up to date; of several programs that start at once one does, and the others wait for it. */
export async function migrateDatabase(db: Database): Promise<void> {
  const folder =
    process.env.HULVEK_MIGRATIONS ??
    ['drizzle', 'apps/web/drizzle'].map((p) => join(process.cwd(), p)).find(existsSync);
  if (!folder) throw new Error('The migrations folder was not found. Start the server with ./hulvek start.');
  await oneAtATime(db, () => migrate(db, { migrationsFolder: folder }));
}

/** Does what only one program may do at a time while it starts; the others wait. */
export async function oneAtATime(db: Database, work: () => Promise<void>): Promise<void> {
  const held = await db.$client.connect();
  try {
    await held.query('select pg_advisory_lock($1)', [MIGRATING]);
    await work();
  } finally {
    await held.query('select pg_advisory_unlock($1)', [MIGRATING]).catch(() => undefined);
    held.release();
  }
}

export interface LastStatement {
  /** Without parameters: whatever stands in it is quoted. */
  readonly text: string;
  /** Called with its answer once it is committed. */
  readonly answered: (answer: unknown) => void;
}

/**
 * Runs `work` in one transaction: all of it is committed when this returns, nothing of it when it throws. A
 * connection that broke on the way is thrown away, also when it broke before the transaction began.
 *
 * `work` may hand over a last statement, which goes with the commit in one message: what it locks, others wait for no longer
 * than the database itself takes, however busy this server is.
 */
export async function inTransaction<Result>(
  db: Database,
  work: (tx: Queries, last: (statement: LastStatement) => void) => Promise<Result>,
): Promise<Result> {
  const client = await db.$client.connect();
  let broken = false;
  try {
    await client.query('begin');
    let last: LastStatement | undefined;
    const result = await work(drizzle(client), (statement) => (last = statement));
    if (!last) await client.query('commit');
    else {
      // Two statements have two answers.
      const answers: unknown = await client.query(`${last.text}; commit`);
      last.answered(Array.isArray(answers) ? answers[0] : answers);
    }
    return result;
  } catch (error) {
    await client.query('rollback').catch(() => (broken = true));
    throw error;
  } finally {
    client.release(broken);
  }
}

/** @throws where the environment names no database */
export function databaseUrl(): string {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set. Start the server with ./hulvek start.');
  return url;
}

let current: Database | undefined;

export function database(): Database {
  const url = databaseUrl();
  current ??= openDatabase(url).db;
  return current;
}
