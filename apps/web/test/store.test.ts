import { randomUUID } from 'node:crypto';
import {
  jobFileSchema,
  readJobFile,
  skarvPoint,
  startingShelf,
  writeJobFile,
  type Entry,
  type JobFile,
} from '@hulvek/core';
import { sql } from 'drizzle-orm';
import { afterAll, describe, expect, it } from 'vitest';
import { injured } from '../../../packages/core/test/support/mutations.ts';
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
import { exportJob, importJob, listJobs, loadContext } from '../src/lib/server/services/jobs.ts';
import {
  freezePlan,
  loadPart,
  loadParts,
  loadVersions,
  saveOpening,
} from '../src/lib/server/services/openings.ts';
import {
  loadPhoto,
  onServerTime,
  takeEntry,
  takeReading,
  type Sender,
} from '../src/lib/server/services/records.ts';
import { pictureOf } from '../src/lib/server/picture.ts';
import {
  loadShelf,
  loadShelfVersions,
  putOnSharedShelf,
  stockEmptyShelf,
} from '../src/lib/server/services/shelf.ts';
import { OwnDatabases } from './own-database.ts';

const databases = new OwnDatabases();
afterAll(() => databases.drop());
const db = await databases.migrated();

const lead = async (job: string, more: Partial<Sender> = {}): Promise<Sender> => ({
  person: { id: randomUUID(), name: 'Tove Aas', email: '' },
  role: 'lead',
  context: (await loadContext(db, job)) ?? skarvPoint(),
  lookRule: 'not-the-doer',
  ...more,
});

/** The demo job under another id. */
const copy = (id: string): JobFile => {
  const file = skarvPoint();
  return jobFileSchema.parse({
    ...file,
    job: { ...file.job, id },
    records: {
      ...file.records,
      entries: file.records.entries.map((e) => ({ ...e, id: randomUUID() })),
      readings: file.records.readings.map((r) => ({ ...r, id: randomUUID() })),
    },
  });
};
const byId = (a: { id: string }, b: { id: string }) => (a.id < b.id ? -1 : 1);
const settled = (file: JobFile | null) =>
  file && {
    ...file,
    records: {
      ...file.records,
      entries: [...file.records.entries].sort(byId),
      readings: [...file.records.readings].sort(byId),
    },
  };

describe('jobs in the database', () => {
  it('a job file goes in and comes out without loss', async () => {
    const file = copy('round-trip');
    expect(await importJob(db, file)).toBe(true);
    expect(settled(await exportJob(db, 'round-trip'))).toEqual(settled(file));
  });

  it('importing the same job twice changes nothing and says so', async () => {
    expect(await importJob(db, copy('round-trip'))).toBe(false);
    expect((await loadPart(db, 'round-trip', 'skarv-s-05'))?.entries).toHaveLength(10);
  });

  it('an import that breaks half way leaves nothing behind', async () => {
    const file = copy('half');
    const entries = [...file.records.entries, ...file.records.entries.slice(0, 1)];
    expect(await importJob(db, { ...file, records: { ...file.records, entries } })).toBe(false);
    expect(await loadContext(db, 'half')).toBeNull();
  });

  it('of two people who save the same version one is told what the other stored', async () => {
    await importJob(db, copy('conflict'));
    const [first] = await loadParts(db, 'conflict');
    if (!first) throw new Error('no opening');
    const save = (name: string) =>
      saveOpening(db, 'conflict', {
        document: { ...first.document, name },
        from: first.version,
        person: name,
      });
    const results = await Promise.all([save('mine'), save('theirs')]);
    const [winner] = results.filter((r) => r.ok);
    const [loser] = results.filter((r) => !r.ok);
    expect(winner).toEqual({ ok: true, version: first.version + 1 });
    expect(loser).toMatchObject({ ok: false, theirs: { version: first.version + 1 } });
    const versions = await loadVersions(db, 'conflict', first.document.id);
    expect(versions.map((v) => [v.version, v.document.name])).toEqual([
      [1, first.document.name],
      [2, versions[1]?.person],
    ]);
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
    photo: null,
    ...more,
  });

  it('sent five times at once, an entry is stored once', async () => {
    const file = copy('retry');
    await importJob(db, file);
    const one = entry(file);
    const sender = await lead('retry');
    const answers = await Promise.all(Array.from({ length: 5 }, () => takeEntry(db, 'retry', one, sender)));
    expect(answers.every((a) => a.ok)).toBe(true);
    const stored = (await loadPart(db, 'retry', one.opening))?.entries ?? [];
    expect(stored.filter((e) => e.id === one.id)).toEqual([one]);
  });

  it('a refused entry is not stored, one whose id stands in another job neither', async () => {
    const early = entry(copy('retry'), { step: 'fasten' });
    expect(await takeEntry(db, 'retry', early, await lead('retry'))).toEqual({
      ok: false,
      refusal: 'blocked',
    });
    expect((await loadPart(db, 'retry', early.opening))?.entries.some((e) => e.id === early.id)).toBe(false);
    const file = copy('elsewhere');
    await importJob(db, file);
    const [known] = (await loadPart(db, 'retry', early.opening))?.entries ?? [];
    const clash = entry(file, { id: known?.id ?? '' });
    expect(await takeEntry(db, 'elsewhere', clash, await lead('elsewhere'))).toEqual({
      ok: false,
      refusal: 'other-job',
    });
  });

  it('ticks of two devices for the same steps, arriving late and crosswise, are all kept and the look stays good', async () => {
    const file = copy('crosswise');
    await importJob(db, file);
    const sender = await lead('crosswise');
    const at = (minute: number) => new Date(Date.UTC(2026, 10, 16, 10, minute)).toISOString();
    const tick = (step: string, minute: number) => entry(file, { step, at: at(minute) });
    const first = [tick('bead', 0), tick('set', 5)];
    const second = [tick('bead', 1), tick('set', 2)];
    const order = [first[0], second[1], second[0], first[1]].flatMap((e) => e ?? []);
    for (const one of order) {
      const taken = await takeEntry(db, 'crosswise', one, sender);
      expect(taken, `${one.step} ${one.at}`).toEqual({ ok: true });
    }
    const stored = (await loadPart(db, 'crosswise', first[0]?.opening ?? ''))?.entries ?? [];
    expect(order.every((one) => stored.some((e) => e.id === one.id))).toBe(true);
  });

  it('what a role does not allow is refused record by record, and a look may be taken back by who looked', async () => {
    const file = copy('roles');
    await importJob(db, file);
    const inspector = await lead('roles', { role: 'inspector' });
    expect(await takeEntry(db, 'roles', entry(file), inspector)).toEqual({
      ok: false,
      refusal: 'not-allowed',
    });
    const reading = file.records.readings[0];
    if (!reading) throw new Error('no reading');
    expect(await takeReading(db, 'roles', { ...reading, id: randomUUID() }, inspector)).toEqual({
      ok: false,
      refusal: 'not-allowed',
    });
    const [look, tick] = (['look', 'tick'] as const).map((kind) =>
      file.records.entries.find((e) => e.step === 'pan' && e.kind === kind),
    );
    const undo = (id = '') => entry(file, { kind: 'undo', step: 'pan', undoes: id });
    expect(await takeEntry(db, 'roles', undo(tick?.id), inspector)).toEqual({
      ok: false,
      refusal: 'not-allowed',
    });
    expect(await takeEntry(db, 'roles', undo(look?.id), inspector)).toEqual({
      ok: false,
      refusal: 'later-step-done',
    });
  });

  it('a device whose clock is three hours wrong is put right, and no entry lies in the future', () => {
    const now = new Date('2026-11-23T12:00:00.000Z');
    const at = '2026-11-23T14:50:00.000Z';
    expect(onServerTime(at, '2026-11-23T15:00:00.000Z', now)).toBe('2026-11-23T11:50:00.000Z');
    expect(onServerTime('2026-11-23T15:10:00.000Z', '2026-11-23T15:00:00.000Z', now)).toBe(now.toISOString());
  });

  it('a picture is stored with its entry or not at all, and known by its content alone', async () => {
    // 1 × 1 px, the smallest PNG there is.
    const png = Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==',
      'base64',
    );
    expect(pictureOf(png)).toMatchObject({ type: 'image/png', width_px: 1, height_px: 1 });
    const bad = [
      png.subarray(0, 40),
      Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'),
      Buffer.alloc(0),
    ];
    expect(bad.map((bytes) => pictureOf(bytes))).toEqual([null, null, null]);
    const file = copy('pictures');
    await importJob(db, file);
    const one = entry(file, { kind: 'photo', photo: pictureOf(png) });
    const sender = await lead('pictures');
    expect(await takeEntry(db, 'pictures', { ...one, step: 'no-such-step' }, sender, png)).toMatchObject({
      ok: false,
    });
    expect(await loadPhoto(db, 'pictures', one.id)).toBeNull();
    expect(await takeEntry(db, 'pictures', one, sender, png)).toEqual({ ok: true });
    expect(await loadPhoto(db, 'pictures', one.id)).toEqual({ type: 'image/png', bytes: png });
    expect(await loadPhoto(db, 'roles', one.id)).toBeNull();
  });

  it.each([
    'update entries set note = $$changed$$',
    'delete from entries',
    'update readings set person = $$changed$$',
    'delete from readings',
    'update opening_versions set person = $$changed$$',
    'delete from photos',
    'update plan_issues set version = 9',
  ])('%s is refused by the database itself', async (statement) => {
    await expect(db.execute(sql.raw(statement))).rejects.toMatchObject({
      cause: { message: expect.stringMatching(/only ever added/) },
    });
  });

  it('a frozen plan is never overwritten', async () => {
    const file = copy('retry');
    const [issue] = file.records.issues;
    if (!issue) throw new Error('no plan');
    expect(await freezePlan(db, 'retry', { ...issue, person: 'somebody else' })).toBe(false);
    expect((await loadPart(db, 'retry', issue.opening.id))?.issues[0]?.person).toBe('Ines Kallas');
  });
});

describe('the shelf of all jobs', () => {
  it('begins stocked, takes the next version only from who knew the last, and never changes one', async () => {
    await stockEmptyShelf(db);
    await stockEmptyShelf(db);
    const items = await loadShelf(db);
    expect(items).toHaveLength(startingShelf().length);
    const pocket = items.find((i) => i.kind === 'methods' && i.id === 'pocket');
    if (!pocket) throw new Error('no pocket method on the shelf');
    const document = { ...pocket.document, name: 'Pocket, our way' };
    const put = { kind: 'methods', document, person: 'Ines Kallas' } as const;
    expect((await putOnSharedShelf(db, { ...put, after: 1 }))?.version).toBe(2);
    expect(await putOnSharedShelf(db, { ...put, document: pocket.document, after: 1 })).toBeNull();
    expect((await putOnSharedShelf(db, { ...put, after: 2 }))?.version).toBe(2);
    const both = await Promise.all(
      ['A', 'B'].map((name) =>
        putOnSharedShelf(db, { ...put, document: { ...document, name }, after: 2 }).catch(() => null),
      ),
    );
    expect(both.filter(Boolean)).toHaveLength(1);
    expect((await loadShelfVersions(db, 'methods', pocket.document.id)).map((v) => v.version)).toEqual([
      3, 2, 1,
    ]);
    for (const statement of ['delete from shelf_versions', 'update shelf_versions set person = null'])
      await expect(db.execute(sql.raw(statement))).rejects.toThrow();
  });
});

describe('accounts and the demo', () => {
  it('the demo fills an empty database once and can be put back', async () => {
    await db.execute(sql`delete from jobs`);
    await loadDemoIfEmpty(db);
    await loadDemoIfEmpty(db);
    const ines = (await userByEmail(db, 'ines@demo.invalid')) ?? '';
    expect((await listJobs(db, ines)).map((j) => [j.job.id, j.role, j.openings])).toEqual([
      ['skarv-point', 'owner', 14],
      ['tannery-row', 'owner', 8],
      ['quince-court', 'owner', 6],
    ]);
    const [first] = await loadParts(db, 'skarv-point');
    if (!first) throw new Error('no opening');
    const document = { ...first.document, name: 'changed' };
    await saveOpening(db, 'skarv-point', { document, from: first.version, person: 'Ines Kallas' });
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
  it('of 2 000 injured files those refused leave no row, those taken come back whole', async () => {
    await db.execute(sql`delete from jobs`);
    const text = writeJobFile(copy('injured'));
    let taken = 0;
    for (let seed = 1; seed <= 2000; seed++) {
      const result = readJobFile(injured(text, seed));
      if (result.ok) {
        taken++;
        expect(await importJob(db, result.value)).toBe(true);
        expect(settled(await exportJob(db, result.value.job.id))).toEqual(settled(result.value));
        await db.execute(sql`delete from jobs`);
      }
      const { rows } = await db.execute(
        sql`select (select count(*) from jobs) + (select count(*) from openings) + (select count(*) from entries) + (select count(*) from readings) as n`,
      );
      expect(Number(rows[0]?.n)).toBe(0);
    }
    expect(taken).toBeGreaterThan(20);
    expect(taken).toBeLessThan(1500);
  }, 240_000);
});
