import { execFile } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { existsSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import pg from 'pg';
import { afterAll, describe, expect, inject, it } from 'vitest';
import { migrateDatabase, openDatabase } from '../src/lib/server/db/index.ts';
import { loadDemoIfEmpty } from '../src/lib/server/services/demo.ts';
import { invite } from '../src/lib/server/services/people.ts';

const root = join(import.meta.dirname, '../../..');
process.env.HULVEK_MIGRATIONS = join(root, 'apps/web/drizzle');
const admin = new pg.Client({ connectionString: inject('databaseUrl') });
const connected = admin.connect();
const made: string[] = [];

/** An empty database on the test server. */
async function emptyDatabase(): Promise<string> {
  await connected;
  const name = `hulvek_backup_${randomBytes(6).toString('hex')}`;
  await admin.query(`create database ${name}`);
  made.push(name);
  const url = new URL(inject('databaseUrl'));
  url.pathname = `/${name}`;
  return url.toString();
}

afterAll(async () => {
  for (const name of made) await admin.query(`drop database ${name} with (force)`);
  await admin.end();
});

/** Every row of every table, as text, in a fixed order. */
async function allRows(url: string): Promise<Record<string, string[]>> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const { rows: tables } = await client.query<{ name: string }>(
    `select quote_ident(schemaname) || '.' || quote_ident(tablename) as name from pg_tables
     where schemaname not in ('pg_catalog', 'information_schema') order by 1`,
  );
  const all: Record<string, string[]> = {};
  for (const { name } of tables) {
    const { rows } = await client.query<{ row: string }>(`select t::text as row from ${name} t order by 1`);
    all[name] = rows.map((r) => r.row);
  }
  await client.end();
  return all;
}

/** Calls the functions that ./hulvek backup and ./hulvek restore call. */
const call = (verb: 'dump_database' | 'load_database', url: string, file: string) =>
  promisify(execFile)(
    'bash',
    ['-c', `. scripts/base.sh; . scripts/backup.sh; ${verb} "$1" "$2"`, 'bash', url, file],
    { cwd: root },
  );

describe('back-up and restore', () => {
  const file = join(mkdtempSync(join(tmpdir(), 'hulvek-backup-')), 'all.dump');

  it('what was wiped comes back row by row, and so it does on an empty server', async () => {
    const url = await emptyDatabase();
    const { db, pool } = openDatabase(url);
    await migrateDatabase(db);
    await loadDemoIfEmpty(db);
    await invite(db, 'skarv-point', 'viewer');
    const before = await allRows(url);
    expect(before['public.entries']).toHaveLength(9);
    expect(before['public.members']).toHaveLength(10);
    await call('dump_database', url, file);
    await db.execute('delete from jobs; delete from users');
    await pool.end();
    expect((await allRows(url))['public.entries']).toHaveLength(0);
    await call('load_database', url, file);
    expect(await allRows(url)).toEqual(before);
    const elsewhere = await emptyDatabase();
    await call('load_database', elsewhere, file);
    expect(await allRows(elsewhere)).toEqual(before);
  });

  it('a restored database still refuses to change entries', async () => {
    const url = await emptyDatabase();
    await call('load_database', url, file);
    const client = new pg.Client({ connectionString: url });
    await client.connect();
    await expect(client.query('delete from entries')).rejects.toThrow(/only ever added/);
    await client.end();
  });

  it('a damaged back-up changes nothing', async () => {
    const url = await emptyDatabase();
    await call('load_database', url, file);
    const before = await allRows(url);
    const bad = `${file}.bad`;
    writeFileSync(bad, 'not a back-up');
    await expect(call('load_database', url, bad)).rejects.toThrow();
    expect(await allRows(url)).toEqual(before);
    await expect(
      call('dump_database', 'postgresql://nobody@127.0.0.1:1/none', `${file}.none`),
    ).rejects.toThrow();
    expect(existsSync(`${file}.none`)).toBe(false);
  });
});
