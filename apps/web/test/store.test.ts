import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { jobFileSchema, readJobFile, skarvPoint, writeJobFile, type Entry, type JobFile } from '@hulvek/core';
import { sql } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { injured } from '../../../packages/core/test/support/mutations.ts';
import { migrateDatabase, openDatabase } from '../src/lib/server/db/index.ts';
import {
  createUser,
  noteFailure,
  personOf,
  signIn,
  signOut,
  tooManyTries,
  userByEmail,
} from '../src/lib/server/services/accounts.ts';
import { DEMO_PASSWORD, DEMO_PEOPLE, loadDemoIfEmpty, resetDemo } from '../src/lib/server/services/demo.ts';
import {
  addEntry,
  exportJob,
  freezePlan,
  importJob,
  listJobs,
  loadField,
  loadJob,
  saveOpening,
} from '../src/lib/server/services/jobs.ts';

process.env.HULVEK_MIGRATIONS = join(import.meta.dirname, '../drizzle');
const { db, pool } = openDatabase(inject('databaseUrl'));
beforeAll(() => migrateDatabase(db));
afterAll(() => pool.end());

/** An account id for entries whose sender does not matter. */
const STRANGER = randomUUID();

/** The demo job under another id. */
const copy = (id: string): JobFile => {
  const file = skarvPoint();
  return jobFileSchema.parse({
    ...file,
    job: { ...file.job, id },
    records: { ...file.records, entries: file.records.entries.map((e) => ({ ...e, id: randomUUID() })) },
  });
};
const byId = (a: { id: string }, b: { id: string }) => (a.id < b.id ? -1 : 1);
const settled = (file: JobFile | null) =>
  file && { ...file, records: { ...file.records, entries: [...file.records.entries].sort(byId) } };

describe('jobs in the database', () => {
  it('a job file goes in and comes out without loss', async () => {
    const file = copy('round-trip');
    expect(await importJob(db, file)).toBe(true);
    expect(settled(await exportJob(db, 'round-trip'))).toEqual(settled(file));
  });

  it('importing the same job twice changes nothing and says so', async () => {
    expect(await importJob(db, copy('round-trip'))).toBe(false);
    expect((await loadField(db, 'round-trip', 'skarv-s-05')).entries).toHaveLength(9);
  });

  it('an import that breaks half way leaves nothing behind', async () => {
    const file = copy('half');
    const entries = [...file.records.entries, ...file.records.entries.slice(0, 1)];
    expect(await importJob(db, { ...file, records: { ...file.records, entries } })).toBe(false);
    expect(await loadJob(db, 'half')).toBeNull();
  });

  it('of two people who save the same version one is told what the other stored', async () => {
    await importJob(db, copy('conflict'));
    const [first] = (await loadJob(db, 'conflict'))?.openings ?? [];
    if (!first) throw new Error('no opening');
    const mine = { ...first.opening, name: 'mine' };
    const theirs = { ...first.opening, name: 'theirs' };
    const results = await Promise.all([
      saveOpening(db, 'conflict', mine, first.version),
      saveOpening(db, 'conflict', theirs, first.version),
    ]);
    const [winner] = results.filter((r) => r.ok);
    const [loser] = results.filter((r) => !r.ok);
    expect(winner).toEqual({ ok: true, version: first.version + 1 });
    expect(loser).toMatchObject({ ok: false, theirs: { version: first.version + 1 } });
  });
});

describe('field entries', () => {
  const entry = (file: JobFile, more: Partial<Entry> = {}): Entry => ({
    id: randomUUID(),
    opening: file.openings.find((o) => o.mark === 'S-05')?.id ?? file.openings[0]!.id,
    issue: 1,
    kind: 'tick',
    step: 'bead',
    undoes: null,
    person: 'Ines Kallas',
    at: '2026-11-16T10:00:00.000Z',
    note: '',
    ...more,
  });

  it('sent five times at once, an entry is stored once', async () => {
    const file = copy('retry');
    await importJob(db, file);
    const one = entry(file);
    const answers = await Promise.all(
      Array.from({ length: 5 }, () => addEntry(db, 'retry', one, STRANGER, () => null)),
    );
    expect(answers.every((a) => a.ok)).toBe(true);
    expect((await loadField(db, 'retry', one.opening)).entries.filter((e) => e.id === one.id)).toEqual([one]);
  });

  it('a refused entry is not stored', async () => {
    const one = entry(copy('retry'));
    expect(await addEntry(db, 'retry', one, STRANGER, () => 'blocked' as const)).toEqual({
      ok: false,
      refusal: 'blocked',
    });
    expect((await loadField(db, 'retry', one.opening)).entries.some((e) => e.id === one.id)).toBe(false);
  });

  it.each(['update entries set note = $$changed$$', 'delete from entries'])(
    '%s is refused by the database itself',
    async (statement) => {
      await expect(db.execute(sql.raw(statement))).rejects.toMatchObject({
        cause: { message: expect.stringMatching(/only ever added/) },
      });
    },
  );

  it('a frozen plan is never overwritten', async () => {
    const file = copy('retry');
    const [issue] = file.records.issues;
    if (!issue) throw new Error('no plan');
    expect(await freezePlan(db, 'retry', { ...issue, person: 'somebody else' })).toBe(false);
    expect((await loadField(db, 'retry', issue.opening.id)).issues[0]?.person).toBe('Ines Kallas');
  });
});

describe('accounts and the demo', () => {
  it('the demo fills an empty database once and can be put back', async () => {
    await db.execute(sql`delete from jobs`);
    await loadDemoIfEmpty(db);
    await loadDemoIfEmpty(db);
    const ines = (await userByEmail(db, 'ines@demo.invalid')) ?? '';
    expect((await listJobs(db, ines)).map((j) => [j.job.id, j.role, j.openings])).toEqual([
      ['skarv-point', 'owner', 8],
    ]);
    const [first] = (await loadJob(db, 'skarv-point'))?.openings ?? [];
    if (!first) throw new Error('no opening');
    await saveOpening(db, 'skarv-point', { ...first.opening, name: 'changed' }, first.version);
    await resetDemo(db);
    expect(settled(await exportJob(db, 'skarv-point'))).toEqual(settled(skarvPoint()));
  });

  it('the right password signs in until signing out; a wrong one and a stranger do not', async () => {
    const [ines] = DEMO_PEOPLE;
    if (!ines) throw new Error('no demo people');
    expect(await signIn(db, ines.email, 'wrong')).toBeNull();
    expect(await signIn(db, 'nobody@demo.invalid', DEMO_PASSWORD)).toBeNull();
    const token = await signIn(db, ` ${ines.email.toUpperCase()} `, DEMO_PASSWORD);
    if (!token) throw new Error('not signed in');
    expect(await personOf(db, token)).toMatchObject({ name: ines.name });
    await signOut(db, token);
    expect(await personOf(db, token)).toBeNull();
  });

  it('neither password nor session token stands in the database', async () => {
    await createUser(db, { email: 'siv@demo.invalid', name: 'Siv Hauge', password: 'spirit-bubble-9' });
    const token = (await signIn(db, 'siv@demo.invalid', 'spirit-bubble-9')) ?? '';
    const { rows } = await db.execute(
      sql`select (select string_agg(u::text, ' ') from users u) || (select string_agg(s::text, ' ') from sessions s) as all`,
    );
    expect(String(rows[0]?.all)).toMatch(/argon2id/);
    expect(String(rows[0]?.all)).not.toContain('spirit-bubble-9');
    expect(String(rows[0]?.all)).not.toContain(token);
  });

  it('after five failures the door stays shut for a quarter of an hour', () => {
    for (let i = 0; i < 5; i++) noteFailure('1.2.3.4 a', 1000 + i);
    expect(tooManyTries('1.2.3.4 a', 2000)).toBe(true);
    expect(tooManyTries('1.2.3.4 a', 2000 + 15 * 60_000)).toBe(false);
    expect(tooManyTries('1.2.3.5 a', 2000)).toBe(false);
  });
});

describe('import of bad files', () => {
  it('of 400 injured files those refused leave no row, those taken come back whole', async () => {
    await db.execute(sql`delete from jobs`);
    const text = writeJobFile(copy('injured'));
    let taken = 0;
    for (let seed = 1; seed <= 400; seed++) {
      const result = readJobFile(injured(text, seed));
      if (result.ok) {
        taken++;
        expect(await importJob(db, result.value)).toBe(true);
        expect(settled(await exportJob(db, result.value.job.id))).toEqual(settled(result.value));
        await db.execute(sql`delete from jobs`);
      }
      const { rows } = await db.execute(
        sql`select (select count(*) from jobs) + (select count(*) from openings) + (select count(*) from entries) as n`,
      );
      expect(Number(rows[0]?.n)).toBe(0);
    }
    expect(taken).toBeGreaterThan(5);
    expect(taken).toBeLessThan(300);
  }, 60_000);
});
