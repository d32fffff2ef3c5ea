import { execFile, spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { generator } from '../../../packages/core/src/quantities/random.ts';
import PgBoss from 'pg-boss';
import { afterAll, describe, expect, it } from 'vitest';
import { loadDemoIfEmpty } from '../src/lib/server/services/demo.ts';
import { invite } from '../src/lib/server/services/people.ts';
import { OwnDatabases } from './own-database.ts';
import { count } from '../../../packages/core/test/support/count.ts';

const root = join(import.meta.dirname, '../../..');
const databases = new OwnDatabases();
afterAll(() => databases.drop());

/** Every row of every table of records, as text, in a fixed order: the worker's queue is none of them. */
async function allRows(url: string): Promise<Record<string, string[]>> {
  const client = await databases.client(url);
  // A restore ends the connections of what it replaces.
  client.on('error', () => undefined);
  const { rows: tables } = await client.query<{ name: string }>(
    `select quote_ident(schemaname) || '.' || quote_ident(tablename) as name from pg_tables
     where schemaname not in ('pg_catalog', 'information_schema', 'heat_queue') order by 1`,
  );
  const all: Record<string, string[]> = {};
  for (const { name } of tables) {
    const { rows } = await client.query<{ row: string }>(`select t::text as row from ${name} t order by 1`);
    all[name] = rows.map((r) => r.row);
  }
  return all;
}

/** A database with a demo and the queue that a worker makes as soon as it looks for work. */
async function worked(): Promise<string> {
  const url = await databases.empty();
  const db = await databases.migrated(url);
  await loadDemoIfEmpty(db);
  await invite(db, 'skarv-point', 'viewer', null);
  const boss = new PgBoss({
    connectionString: url,
    schema: 'heat_queue',
    max: 2,
    supervise: false,
    schedule: false,
  });
  boss.on('error', () => undefined);
  await boss.start();
  await boss.createQueue('solve');
  await boss.send('solve', { of: 'a side' });
  await boss.stop({ graceful: false });
  return url;
}

/** Calls the functions that ./hulvek backup and ./hulvek restore call. */
const call = (verb: 'dump_database' | 'load_database', url: string, file: string) =>
  promisify(execFile)(
    'bash',
    ['-c', `. scripts/base.sh; . scripts/backup.sh; ${verb} "$1" "$2"`, 'bash', url, file],
    { cwd: root },
  );
const callLetIn = (url: string) =>
  promisify(execFile)(
    'bash',
    ['-c', `. scripts/base.sh; . scripts/backup.sh; pg_bin; let_in "$1"`, 'bash', url],
    {
      cwd: root,
    },
  );

describe('back-up and restore', () => {
  const file = join(mkdtempSync(join(tmpdir(), 'hulvek-backup-')), 'all.dump');

  it('what was wiped comes back row by row, and so it does on an empty server', async () => {
    const url = await worked();
    const before = await allRows(url);
    expect(before['public.entries']).toHaveLength(10);
    expect(before['public.members']).toHaveLength(15);
    await call('dump_database', url, file);
    const wiping = await databases.client(url);
    wiping.on('error', () => undefined);
    await wiping.query('delete from jobs; delete from users');
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

  it('a back-up that another program wrote, or a newer Hulvek, is refused before anything is touched', async () => {
    const url = await databases.empty();
    await call('load_database', url, file);
    const before = await allRows(url);
    const foreign = await databases.empty();
    await (await databases.client(foreign)).query('create table birds (name text)');
    await promisify(execFile)('bash', [
      '-c',
      `cd ${root}; . scripts/base.sh; . scripts/database.sh; . scripts/backup.sh; pg_bin; "$PG_BIN/pg_dump" -Fc -d "$1" -f "$2"`,
      'bash',
      foreign,
      `${file}.foreign`,
    ]);
    await expect(call('load_database', url, `${file}.foreign`)).rejects.toThrow(/not a back-up of Hulvek/);
    const newer = await databases.empty();
    await call('load_database', newer, file);
    await (
      await databases.client(newer)
    ).query(`update drizzle.__drizzle_migrations set created_at = created_at + 1e12`);
    await call('dump_database', newer, `${file}.newer`);
    await expect(call('load_database', url, `${file}.newer`)).rejects.toThrow(/newer Hulvek/);
    const cut = `${file}.cut`;
    const whole = readFileSync(file);
    writeFileSync(cut, whole.subarray(0, Math.floor(whole.length * 0.7)));
    await expect(call('load_database', url, cut)).rejects.toThrow();
    expect(await allRows(url)).toEqual(before);
  });

  it('killed at any moment of a restore, what was there or what was restored stands, whole', async () => {
    const url = await databases.empty();
    await call('load_database', url, file);
    const restored = await allRows(url);
    const was = await databases.client(url);
    was.on('error', () => undefined);
    await was.query('delete from judgements; delete from heat_sides');
    await was.query(`update jobs set document = document || '{"note": "before"}'`);
    const there = await allRows(url);
    expect(there).not.toEqual(restored);
    const other = `${file}.there`;
    await call('dump_database', url, other);
    const seen = { there: 0, restored: 0 };
    const random = generator(20261128);
    const kills = count(20, 5);
    for (let i = 0; i < kills; i++) {
      const child = spawn(
        'bash',
        [
          '-c',
          `. scripts/base.sh; . scripts/database.sh; . scripts/backup.sh; load_database "$1" "$2"`,
          'bash',
          url,
          file,
        ],
        { cwd: root, detached: true, stdio: 'ignore' },
      );
      const ended = new Promise((resolve) => child.once('exit', resolve));
      const timer = setTimeout(() => child.pid && process.kill(-child.pid, 'SIGKILL'), random() * 2500);
      await ended;
      clearTimeout(timer);
      await callLetIn(url);
      const now = await allRows(url);
      const is = JSON.stringify(now) === JSON.stringify(there) ? 'there' : 'restored';
      seen[is] += 1;
      if (is === 'there') continue;
      expect(now).toEqual(restored);
      await call('load_database', url, other);
    }
    expect(seen.there + seen.restored).toBe(kills);
  }, 300_000);

  it('pictures and very many entries come back row by row, from a database that has had a worker', async () => {
    const url = await worked();
    const client = await databases.client(url);
    client.on('error', () => undefined);
    const entries = count(100_000, 2000);
    await client.query(
      `insert into entries (id, job_id, opening_id, issue, kind, step, at, note)
        select gen_random_uuid(), job_id, opening_id, issue, 'note', step, at + n * interval '1 second', 'entry ' || n
        from (select * from entries limit 1) one, generate_series(1, $1::int) n`,
      [entries],
    );
    await client.query(
      `insert into photos (id, bytes)
        select id, decode(repeat(md5(id::text), 4000), 'hex') from entries
        where note like 'entry %' order by id limit 50`,
    );
    const before = await allRows(url);
    expect(before['public.entries']?.length).toBeGreaterThanOrEqual(entries);
    const many = `${file}.many`;
    await call('dump_database', url, many);
    const elsewhere = await databases.empty();
    await call('load_database', elsewhere, many);
    const after = await allRows(elsewhere);
    for (const [table, rows] of Object.entries(before))
      expect(
        after[table]?.length === rows.length && rows.every((row, i) => after[table]?.[i] === row),
        table,
      ).toBe(true);
  }, 300_000);
});
