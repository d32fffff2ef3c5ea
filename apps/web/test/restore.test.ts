/** A package out, an empty installation restored from it: row by row and byte by byte equal; brought in elsewhere it stands as brought. */
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fingerprintOf, skarvPoint, type Manifest } from '@hulvek/core';
import { getTableName } from 'drizzle-orm';
import { unzipSync, zipSync, type Zippable } from 'fflate';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { rightsOf } from '../src/lib/contract/rights.ts';
import { takePackage } from '../src/lib/server/beside/take-package.ts';
import type { Database } from '../src/lib/server/db/index.ts';
import { signingKey } from '../src/lib/server/evidence-key.ts';
import { createUser, signIn } from '../src/lib/server/services/accounts.ts';
import { deleteJob, importJob, purgeJobs } from '../src/lib/server/services/jobs.ts';
import { addPart, beginPackage } from '../src/lib/server/services/package-parts.ts';
import {
  allTables,
  NOT_PACKED,
  PACKED_TABLES,
  rowsOf,
  rowsPath,
} from '../src/lib/server/services/package-rows.ts';
import { packageOf } from '../src/lib/server/services/package.ts';
import { setMember } from '../src/lib/server/services/people.ts';
import { sha256, takeRecords, type Sender } from '../src/lib/server/services/records.ts';
import { makeTold, sayRead } from '../src/lib/server/services/told.ts';
import { OwnDatabases } from './own-database.ts';

const databases = new OwnDatabases();
afterAll(() => databases.drop());
const JOB = 'skarv-point';
const OPENING = skarvPoint().openings.find(({ mark }) => mark === 'S-05')!.id;
const PICTURE = new Uint8Array(readFileSync(join(import.meta.dirname, 'fixtures/pane.jpg')));
const PASSWORD = 'not to be guessed';

const url = await databases.empty();
const db = await databases.migrated(url);
const ids: Record<string, string> = {};

async function person(on: Database, email: string): Promise<string> {
  return (await createUser(on, { email, name: `Name of ${email}`, password: PASSWORD })) ?? '';
}
async function picture(on: Database, id: string): Promise<void> {
  const sender: Sender = {
    person: { id, name: '', email: '', keepsShelf: false, reads: null },
    role: 'lead',
    lookRule: 'not-the-doer',
  };
  const digest = sha256(PICTURE);
  const record = {
    id: randomUUID() as never,
    opening: OPENING,
    issue: 1,
    kind: 'photo' as const,
    step: 'pan',
    undoes: null,
    at: '2026-11-29T11:00:00.123Z',
    note: 'a corner, “seen”',
    photo: {
      sha256: digest,
      type: 'image/jpeg' as const,
      width_px: 48,
      height_px: 32,
      bytes: PICTURE.length,
    },
    facts: { kind: 'picture' as const, sha256: digest },
  };
  const now = new Date('2026-11-29T12:00:00.000Z');
  const sent = [{ type: 'entry' as const, picture: PICTURE, record }];
  expect(await takeRecords(on, JOB, sent, sender, { sentAt: now.toISOString(), now })).toEqual([
    { ok: true },
  ]);
}

let zip = new Uint8Array();
/** Every packed row of the job, by table. */
const kept = async (on: Database) =>
  Object.fromEntries(
    await Promise.all(
      PACKED_TABLES.map(
        async (packed) => [getTableName(packed.table), await rowsOf(on, JOB, packed)] as const,
      ),
    ),
  );
let before: Record<string, string> = {};

beforeAll(async () => {
  await importJob(db, skarvPoint());
  for (const email of ['lead@pack.invalid', 'owner@pack.invalid']) ids[email] = await person(db, email);
  await setMember(db, JOB, ids['owner@pack.invalid'] ?? '', 'owner');
  await setMember(db, JOB, ids['lead@pack.invalid'] ?? '', 'lead');
  await picture(db, ids['lead@pack.invalid'] ?? '');
  const told = { to: 'Roofers', lines: [{ text: 'Nothing is screwed through the membrane.', where: '' }] };
  const [link = ''] = await makeTold(db, {
    job: JOB,
    kind: 'notice',
    list: [told],
    madeBy: ids['owner@pack.invalid'] ?? '',
  });
  expect(await sayRead(db, link, 'Somebody')).toBe(true);
  zip = await packed(true);
  before = await kept(db);
});

async function packed(rows: boolean): Promise<Uint8Array<ArrayBuffer>> {
  const stream = await packageOf(db, {
    job: JOB,
    names: true,
    pictures: true,
    rows,
    drawings: false,
    person: '',
    rights: rightsOf('owner'),
  });
  return new Uint8Array(await new Response(stream).arrayBuffer());
}

/** Sends a package to an installation and does a step with it. */
async function taken(
  at: { db: Database; url: string; user: string },
  bytes: Uint8Array,
  step: 'look' | 'bring' | 'restore',
  over: { fingerprint?: string; ownKey?: string; isKeeper?: boolean } = {},
) {
  const id = await beginPackage(at.db, { user: at.user, name: 'p.zip', size_bytes: bytes.length });
  // In parts that end anywhere.
  const PART = 100_003;
  for (let from = 0; from < bytes.length; from += PART)
    await addPart(at.db, { user: at.user, id, from, bytes: bytes.slice(from, from + PART) });
  return takePackage({
    url: at.url,
    task: randomUUID(),
    user: at.user,
    package: id,
    file: 'p.zip',
    step,
    fingerprint: over.fingerprint ?? '',
    ownKey: over.ownKey ?? signingKey().key,
    isKeeper: over.isKeeper ?? true,
  });
}

async function installation(email: string) {
  const own = await databases.empty();
  const on = await databases.migrated(own);
  return { db: on, url: own, user: await person(on, email) };
}

describe('an empty installation', () => {
  it('is restored row by row and byte by byte, pictures too, and goes on from there', async () => {
    const fresh = await installation('owner@pack.invalid');
    const looked = await taken(fresh, zip, 'look');
    expect(looked).toMatchObject({
      ok: true,
      looked: { canRestore: true, canBring: true, own: true, pictures: 1 },
    });
    expect(await taken(fresh, zip, 'restore')).toEqual({ ok: true, job: JOB });
    // What was noted of the restoring itself stands behind what was there.
    const after = await kept(fresh.db);
    for (const [table, rows] of Object.entries(before))
      if (table === 'audit') expect(after[table]?.startsWith(rows)).toBe(true);
      else expect(after[table], table).toBe(rows);
    const back = { ...fresh, user: ids['owner@pack.invalid'] ?? '' };
    expect((await taken(back, zip, 'look')) as unknown).toMatchObject({ looked: { canRestore: false } });
    // Again a package of it is the same but for the moment and what was noted.
    const again = unzipSync(
      new Uint8Array(
        await new Response(
          await packageOf(fresh.db, {
            job: JOB,
            names: true,
            pictures: true,
            rows: true,
            drawings: false,
            person: '',
            rights: rightsOf('owner'),
          }),
        ).arrayBuffer(),
      ),
    );
    for (const [path, bytes] of Object.entries(unzipSync(zip)))
      if (!['manifest.json', 'log.json', rowsPath('audit')].includes(path))
        expect(Buffer.from(again[path] ?? []).equals(Buffer.from(bytes)), path).toBe(true);
    // Whoever restored is the owner of before, with the password of now; nobody else gets in.
    expect(await signIn(fresh.db, 'owner@pack.invalid', PASSWORD)).not.toBeNull();
    expect(await signIn(fresh.db, 'lead@pack.invalid', PASSWORD)).toBeNull();
    // The counters go on behind what came back.
    await picture(fresh.db, ids['lead@pack.invalid'] ?? '');
  });

  it('of another key wants the fingerprint that somebody was told', async () => {
    const fresh = await installation('new@pack.invalid');
    const manifest = JSON.parse(Buffer.from(unzipSync(zip)['manifest.json'] ?? []).toString()) as Manifest;
    const ownKey = Buffer.alloc(32, 7).toString('base64');
    for (const fingerprint of ['', '0000 0000 0000 0000 0000', fingerprintOf(manifest.key).slice(0, 19)])
      expect(await taken(fresh, zip, 'restore', { ownKey, fingerprint })).toMatchObject({ ok: false });
    expect(await taken(fresh, zip, 'restore', { isKeeper: false })).toMatchObject({ ok: false });
    const fingerprint = fingerprintOf(manifest.key).toUpperCase().replaceAll(' ', '-');
    expect(await taken(fresh, zip, 'restore', { ownKey, fingerprint })).toEqual({ ok: true, job: JOB });
    const after = await kept(fresh.db);
    expect(after.entries).toBe(before.entries);
  });

  it('takes nothing of a package in which one byte is another, and says where', async () => {
    const fresh = await installation('strict@pack.invalid');
    const files = unzipSync(zip);
    for (const path of Object.keys(files)) {
      const bytes = files[path]?.slice() ?? new Uint8Array();
      if (bytes.length === 0) continue;
      bytes[bytes.length >> 1] = (bytes[bytes.length >> 1] ?? 0) ^ 1;
      const other = zipSync({ ...files, [path]: bytes } as Zippable, { level: 1 });
      const answer = await taken(fresh, other, 'restore');
      expect(answer, path).toMatchObject({ ok: false });
      if (path !== 'manifest.json') expect(JSON.stringify(answer)).toContain(path);
    }
    expect(await fresh.db.$client.query('select count(*)::int n from jobs')).toMatchObject({
      rows: [{ n: 0 }],
    });
  });

  it('is not restored from a package that was made without rows, nor one with jobs in it', async () => {
    const fresh = await installation('rows@pack.invalid');
    expect(await taken(fresh, await packed(false), 'restore')).toMatchObject({ ok: false });
    await importJob(fresh.db, { ...skarvPoint(), job: { ...skarvPoint().job, id: 'other' as never } }).catch(
      () => false,
    );
    expect(await taken(fresh, zip, 'restore')).toMatchObject({ ok: false });
  });

  it('has every table either in a package or named with the reason why not', () =>
    expect(
      [...PACKED_TABLES.map(({ table }) => getTableName(table)), ...Object.keys(NOT_PACKED)].sort(),
    ).toEqual(allTables().sort()));
});

describe('a package brought in', () => {
  it('stands as brought by whoever brought it, with its pictures and its own log beside it', async () => {
    const other = await installation('else@pack.invalid');
    expect(await taken(other, await packed(false), 'bring')).toEqual({ ok: true, job: JOB });
    const { rows: brought } = await other.db.$client.query(
      'select count(*)::int n from entries where user_id is not null',
    );
    expect(brought).toEqual([{ n: 0 }]);
    const { rows } = await other.db.$client.query(
      `select f.log, f.manifest, f.user_id, (select encode(bytes, 'hex') from photos limit 1) picture from foreign_logs f`,
    );
    expect(rows).toHaveLength(1);
    expect(JSON.parse(rows[0].log)).toMatchObject({ format: 'hulvek-log', job: JOB });
    expect(rows[0]).toMatchObject({ user_id: other.user, picture: Buffer.from(PICTURE).toString('hex') });
    // Once more it is there already.
    expect(await taken(other, zip, 'bring')).toMatchObject({ ok: false, there: skarvPoint().job.name });
    // Somebody else gets one of his own, with the same pictures.
    const second = { ...other, user: await person(other.db, 'third@pack.invalid') };
    const answer = await taken(second, zip, 'bring');
    expect(answer).toMatchObject({ ok: true });
    expect((answer as { job: string }).job).not.toBe(JOB);
    expect(await other.db.$client.query('select count(*)::int n from photos')).toMatchObject({
      rows: [{ n: 2 }],
    });
  });

  it('goes with its job when that goes for good', async () => {
    const other = await installation('gone@pack.invalid');
    await taken(other, zip, 'bring');
    await deleteJob(other.db, JOB, other.user);
    await other.db.$client.query(`update jobs set deleted_at = now() - interval '90 days'`);
    await purgeJobs(other.db);
    expect(await other.db.$client.query('select count(*)::int n from foreign_logs')).toMatchObject({
      rows: [{ n: 0 }],
    });
  });
});
