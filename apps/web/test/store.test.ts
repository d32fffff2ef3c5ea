import { randomUUID } from 'node:crypto';
import {
  asTold,
  jobFileSchema,
  readJobFile,
  skarvPoint,
  startingShelf,
  writeJobFile,
  type Entry,
  type JobFile,
  type Reading,
} from '@hulvek/core';
import { sql } from 'drizzle-orm';
import { afterAll, describe, expect, it } from 'vitest';
import { injured } from '../../../packages/core/test/support/mutations.ts';
import { createUser, personOf, signIn, signOut, userByEmail } from '../src/lib/server/services/accounts.ts';
import { DEMO_PASSWORD, DEMO_PEOPLE, loadDemoIfEmpty, resetDemo } from '../src/lib/server/services/demo.ts';
import { exportJob, importJob, listJobs, loadContext } from '../src/lib/server/services/jobs.ts';
import { freezePlan } from '../src/lib/server/services/frozen-plans.ts';
import { loadPart, loadParts, loadVersions, saveOpening } from '../src/lib/server/services/openings.ts';
import {
  loadPhoto,
  takeRecords,
  type Sender,
  type SentRecord,
  type Taken,
} from '../src/lib/server/services/records.ts';
import { pictureOf } from '../src/lib/server/picture.ts';
import {
  loadShelf,
  loadShelfVersions,
  putOnSharedShelf,
  stockEmptyShelf,
} from '../src/lib/server/services/shelf.ts';
import { setMember } from '../src/lib/server/services/people.ts';
import { OwnDatabases } from './own-database.ts';

const databases = new OwnDatabases();
afterAll(() => databases.drop());
const db = await databases.migrated();

const lead = (more: Partial<Sender> = {}): Sender => ({
  person: { id: randomUUID(), name: 'Tove Aas', email: '', keepsShelf: false, reads: null },
  role: 'lead',
  lookRule: 'not-the-doer',
  ...more,
});

const take = async (job: string, one: SentRecord, sender: Sender, now = new Date()): Promise<Taken> => {
  const [taken] = await takeRecords(db, job, [one], sender, { sentAt: now.toISOString(), now });
  if (!taken) throw new Error('no answer');
  return taken;
};
const takeEntry = (job: string, record: Entry, sender: Sender, picture?: Uint8Array) => {
  const { person: _, ...own } = record;
  return take(job, { type: 'entry', record: own, ...(picture && { picture }) }, sender);
};
const takeReading = (job: string, record: Reading, sender: Sender) =>
  take(job, { type: 'reading', record }, sender);
/** What was sent, without what the server says of it. */
const asSent = ({ received: _r, clock_s: _c, account: _a, brought: _b, ...rest }: Entry | Reading) => rest;

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
      entries: file.records.entries.map(asSent).sort(byId),
      readings: file.records.readings.map(asSent).sort(byId),
      issues: file.records.issues.map(({ brought: _b, account: _a, ...issue }) => issue),
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
    const save = async (name: string) => {
      const user = await createUser(db, { email: `${name}@conflict.invalid`, name, password: 'x' });
      const document = { ...first.document, name };
      return saveOpening(db, 'conflict', { document, from: first.version, user });
    };
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
    const sender = lead();
    const answers = await Promise.all(Array.from({ length: 5 }, () => takeEntry('retry', one, sender)));
    expect(answers.every((a) => a.ok)).toBe(true);
    const stored = (await loadPart(db, 'retry', one.opening))?.entries ?? [];
    expect(stored.filter((e) => e.id === one.id).map(asSent)).toEqual([
      { ...one, person: 'an erased account' },
    ]);
    // The same id with something else in it is told, and not dropped.
    expect(await takeEntry('retry', { ...one, note: 'otherwise' }, sender)).toEqual({
      ok: false,
      refusal: 'other-content',
    });
  });

  it('a refused entry is not stored, one whose id stands in another job neither', async () => {
    const early = entry(copy('retry'), { step: 'fasten' });
    expect(await takeEntry('retry', early, lead())).toEqual({
      ok: false,
      refusal: 'blocked',
    });
    expect((await loadPart(db, 'retry', early.opening))?.entries.some((e) => e.id === early.id)).toBe(false);
    const file = copy('elsewhere');
    await importJob(db, file);
    const [known] = (await loadPart(db, 'retry', early.opening))?.entries ?? [];
    const clash = entry(file, { id: known?.id ?? '' });
    expect(await takeEntry('elsewhere', clash, lead())).toEqual({
      ok: false,
      refusal: 'other-job',
    });
  });

  it('ticks of two devices for the same steps, arriving late and crosswise, are all kept and the look stays good', async () => {
    const file = copy('crosswise');
    await importJob(db, file);
    const sender = lead();
    const at = (minute: number) => new Date(Date.UTC(2026, 10, 16, 10, minute)).toISOString();
    const tick = (step: string, minute: number) => entry(file, { step, at: at(minute) });
    const first = [tick('bead', 0), tick('set', 5)];
    const second = [tick('bead', 1), tick('set', 2)];
    const order = [first[0], second[1], second[0], first[1]].flatMap((e) => e ?? []);
    for (const one of order) {
      const taken = await takeEntry('crosswise', one, sender);
      expect(taken, `${one.step} ${one.at}`).toEqual({ ok: true });
    }
    const stored = (await loadPart(db, 'crosswise', first[0]?.opening ?? ''))?.entries ?? [];
    expect(order.every((one) => stored.some((e) => e.id === one.id))).toBe(true);
  });

  it('what a role does not allow is refused record by record, and a look may be taken back by who looked', async () => {
    const file = copy('roles');
    await importJob(db, file);
    const inspector = lead({ role: 'inspector' });
    expect(await takeEntry('roles', entry(file), inspector)).toEqual({
      ok: false,
      refusal: 'not-allowed',
    });
    const reading = file.records.readings[0];
    if (!reading) throw new Error('no reading');
    expect(await takeReading('roles', { ...reading, id: randomUUID() }, inspector)).toEqual({
      ok: false,
      refusal: 'not-allowed',
    });
    const [look, tick] = (['look', 'tick'] as const).map((kind) =>
      file.records.entries.find((e) => e.step === 'pan' && e.kind === kind),
    );
    const undo = (id = '') => entry(file, { kind: 'undo', step: 'pan', undoes: id });
    expect(await takeEntry('roles', undo(tick?.id), inspector)).toEqual({
      ok: false,
      refusal: 'not-allowed',
    });
    expect(await takeEntry('roles', undo(look?.id), inspector)).toEqual({
      ok: false,
      refusal: 'later-step-done',
    });
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
    const sender = lead();
    expect(await takeEntry('pictures', { ...one, step: 'no-such-step' }, sender, png)).toMatchObject({
      ok: false,
    });
    expect(await loadPhoto(db, 'pictures', one.id)).toBeNull();
    expect(await takeEntry('pictures', one, sender, png)).toEqual({ ok: true });
    expect(await loadPhoto(db, 'pictures', one.id)).toMatchObject({ type: 'image/png', bytes: png });
    expect(await loadPhoto(db, 'roles', one.id)).toBeNull();
  });

  it.each([
    'update entries set note = $$changed$$',
    'delete from entries',
    'update readings set point = $$changed$$',
    'delete from readings',
    'update opening_versions set user_id = null',
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
    expect(await freezePlan(db, 'retry', issue, randomUUID())).toBe(false);
    expect((await loadPart(db, 'retry', issue.opening.id))?.issues[0]?.person).toBe('Ines Kallas');
  });
});

describe('who made a record', () => {
  const account = async (name: string, email: string) => {
    const id = await createUser(db, { email, name, password: 'not to be guessed' });
    if (!id) throw new Error('taken');
    return { id, name, email, keepsShelf: false, reads: null };
  };
  const noteOf = (file: JobFile, more: Partial<Entry> = {}): Entry => ({
    id: randomUUID(),
    opening: file.openings.find((o) => o.mark === 'S-05')!.id,
    issue: 1,
    kind: 'note',
    step: 'bead',
    undoes: null,
    person: 'whoever',
    at: '2026-11-16T10:00:00.000Z',
    note: 'seen',
    photo: null,
    ...more,
  });

  it('what comes in with a file is brought by somebody, and nobody’s account for being named like it', async () => {
    const bringer = await account('Ines Kallas', 'bringer@who.invalid');
    const file = copy('brought');
    expect(await importJob(db, file, { user: bringer.id, file: 'site.json' })).toBe(true);
    const parts = await loadParts(db, 'brought');
    const records = parts.flatMap((p) => [...p.entries, ...p.readings, ...p.issues]);
    expect(records.length).toBeGreaterThan(20);
    for (const record of records) {
      expect(record.account).toBeUndefined();
      expect(record.brought).toEqual({ by: 'Ines Kallas', from: 'site.json' });
    }
    expect(new Set(records.map((r) => r.person))).toContain('Ines Kallas');
  });

  it('two of one name are told apart, and each record stays with its account', async () => {
    const file = copy('namesakes');
    await importJob(db, file);
    const both = [await account('Ola Ness', 'a@same.invalid'), await account('Ola Ness', 'b@same.invalid')];
    for (const person of both) {
      await setMember(db, 'namesakes', person.id, 'lead');
      expect(await takeEntry('namesakes', noteOf(file), lead({ person }))).toEqual({ ok: true });
    }
    const entries = (await loadParts(db, 'namesakes')).flatMap((p) => p.entries).slice(-2);
    expect(entries.map((e) => [e.person, e.account])).toEqual([
      ['Ola Ness', both[0]?.id],
      ['Ola Ness · 2', both[1]?.id],
    ]);
  });

  it('an erased account leaves its records without its name, in every table', async () => {
    const file = copy('erased');
    await importJob(db, file);
    const person = await account('Une Vik', 'une@gone.invalid');
    await setMember(db, 'erased', person.id, 'lead');
    const one = noteOf(file);
    await takeEntry('erased', one, lead({ person }));
    const [part] = await loadParts(db, 'erased');
    if (!part) throw new Error('no opening');
    const at = '2026-11-16T10:00:00.000Z';
    const deviation = {
      rule: 'foam-alone',
      reason: 'Tape follows.',
      person: person.name,
      account: person.id,
      at,
    };
    const document = { ...part.document, deviations: [deviation] };
    await saveOpening(db, 'erased', { document, from: part.version, user: person.id });
    expect((await loadPart(db, 'erased', document.id))?.document.deviations).toEqual([deviation]);
    await db.execute(sql`delete from users where id = ${person.id}`);
    const after = await loadPart(db, 'erased', document.id);
    expect(after?.document.deviations?.[0]?.person).toBe('an erased account');
    const entries = (await loadParts(db, 'erased')).flatMap((p) => p.entries);
    expect(entries.find((e) => e.id === one.id)).toMatchObject({
      person: 'an erased account',
      account: person.id,
      note: 'seen',
    });
    for (const table of ['entries', 'readings', 'opening_versions', 'plan_issues', 'shelf_versions'])
      expect(
        (await db.execute(sql`select t::text from ${sql.identifier(table)} t where t::text like '%Une Vik%'`))
          .rows,
        table,
      ).toEqual([]);
  });

  it('the envelope of a record comes back as it was sent, with both clocks', async () => {
    const file = copy('clocks');
    await importJob(db, file);
    const device = randomUUID();
    const now = new Date('2026-11-28T12:00:00.000Z');
    const sent = { sentAt: '2026-11-28T14:00:00.000Z', now };
    const record = (count: number, at: string) => {
      const { person: _, ...rest } = noteOf(file, { device, count, app: 'web 0.1', at, note: `${count}` });
      return { type: 'entry', record: rest } as const;
    };
    // The third was made on a clock that somebody had set back.
    const three = [
      record(7, '2026-11-28T13:00:00.000Z'),
      record(8, '2026-11-28T13:30:00.000Z'),
      record(9, '2026-11-20T13:00:00.000Z'),
    ];
    expect(await takeRecords(db, 'clocks', three, lead(), sent)).toEqual(three.map(() => ({ ok: true })));
    const stored = (await loadParts(db, 'clocks')).flatMap((p) => p.entries).slice(-3);
    expect(stored.map((e) => [e.count, e.device, e.app, e.at, e.received, e.clock_s])).toEqual(
      three.map(({ record: r }) => [r.count, device, 'web 0.1', r.at, now.toISOString(), -7200]),
    );
    expect(asTold(stored).map((e) => e.note)).toEqual(['7', '8', '9']);
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
    const put = { kind: 'methods', document, user: randomUUID() } as const;
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
    for (const statement of ['delete from shelf_versions', 'update shelf_versions set version = null'])
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
    await saveOpening(db, 'skarv-point', { document, from: first.version, user: null });
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
