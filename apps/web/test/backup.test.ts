import { execFile } from 'node:child_process';
import { existsSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { afterAll, describe, expect, it } from 'vitest';
import { loadDemoIfEmpty } from '../src/lib/server/services/demo.ts';
import { invite } from '../src/lib/server/services/people.ts';
import { OwnDatabases } from './own-database.ts';

const root = join(import.meta.dirname, '../../..');
const databases = new OwnDatabases();
afterAll(() => databases.drop());

/** Every row of every table, as text, in a fixed order. */
async function allRows(url: string): Promise<Record<string, string[]>> {
  const client = await databases.client(url);
  const { rows: tables } = await client.query<{ name: string }>(
    `select quote_ident(schemaname) || '.' || quote_ident(tablename) as name from pg_tables
     where schemaname not in ('pg_catalog', 'information_schema') order by 1`,
  );
  const all: Record<string, string[]> = {};
  for (const { name } of tables) {
    const { rows } = await client.query<{ row: string }>(`select t::text as row from ${name} t order by 1`);
    all[name] = rows.map((r) => r.row);
  }
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
    const url = await databases.empty();
    const db = await databases.migrated(url);
    await loadDemoIfEmpty(db);
    await invite(db, 'skarv-point', 'viewer');
    const before = await allRows(url);
    expect(before['public.entries']).toHaveLength(10);
    expect(before['public.members']).toHaveLength(15);
    await call('dump_database', url, file);
    await db.execute('delete from jobs; delete from users');
    expect((await allRows(url))['public.entries']).toHaveLength(0);
    await call('load_database', url, file);
    expect(await allRows(url)).toEqual(before);
    const elsewhere = await databases.empty();
    await call('load_database', elsewhere, file);
    expect(await allRows(elsewhere)).toEqual(before);
  });

  it('a restored database still refuses to change entries', async () => {
    const url = await databases.empty();
    await call('load_database', url, file);
    const client = await databases.client(url);
    await expect(client.query('delete from entries')).rejects.toThrow(/only ever added/);
  });

  it('a damaged back-up changes nothing', async () => {
    const url = await databases.empty();
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
