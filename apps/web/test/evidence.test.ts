/** The log of a job with its receipts: sealed in the order in which entries were taken, and every change behind it found. */
import { randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { skarvPoint, verifyLog, type LogFile } from '@hulvek/core';
import { sql } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { keyIn } from '../src/lib/server/evidence-key.ts';
import { createUser } from '../src/lib/server/services/accounts.ts';
import { exportLog, isOwnHead, sealLog, signedHead } from '../src/lib/server/services/evidence.ts';
import { importJob } from '../src/lib/server/services/jobs.ts';
import { takeRecords, type Sender, type SentRecord } from '../src/lib/server/services/records.ts';
import { run } from '../../../packages/cli/src/run.ts';
import { OwnDatabases } from './own-database.ts';

const databases = new OwnDatabases();
afterAll(() => databases.drop());
const db = await databases.migrated(await databases.empty());
const JOB = 'skarv-point';
const OPENING = skarvPoint().openings.find(({ mark }) => mark === 'S-05')!.id;
const BROUGHT = skarvPoint().records.entries.length;
let sender: Sender;

beforeAll(async () => {
  await importJob(db, skarvPoint());
  const id = await createUser(db, {
    email: 'ane@log.invalid',
    name: 'Ane Vik',
    password: 'not to be guessed',
  });
  sender = {
    person: { id: id ?? '', name: '', email: '', keepsShelf: false, reads: null },
    role: 'lead',
    lookRule: 'not-the-doer',
  };
});

const note = (text: string): SentRecord => ({
  type: 'entry',
  record: {
    id: randomUUID() as never,
    opening: OPENING,
    issue: 1,
    kind: 'note',
    step: 'bead',
    undoes: null,
    at: '2026-11-29T11:00:00.000Z',
    note: text,
    photo: null,
  } as never,
});
const send = (...texts: string[]) =>
  takeRecords(db, JOB, texts.map(note), sender, {
    sentAt: '2026-11-29T11:00:00.000Z',
    now: new Date('2026-11-29T11:00:01.000Z'),
  });
const log = async (names = false): Promise<LogFile> => {
  const file = await exportLog(db, JOB, names);
  if (!file) throw new Error('no job');
  return JSON.parse(JSON.stringify(file)) as LogFile;
};

describe('a job’s log', () => {
  it('has entries from before as one first block, and every later one in the order in which it was taken', async () => {
    const first = await log();
    expect(verifyLog(first).problems).toEqual([]);
    expect(first.firstBlock).toBe(BROUGHT);
    await send('one', 'two');
    await send('three');
    const later = await log();
    expect(verifyLog(later, [first.head!]).problems).toEqual([]);
    expect(later.receipts.slice(0, first.receipts.length)).toEqual(first.receipts);
    const told = later.receipts.slice(first.receipts.length).map(({ of }) => {
      const id = 'entry' in of ? of.entry : '';
      return later.entries.find((entry) => entry.id === id)?.note;
    });
    expect(told).toEqual(['one', 'two', 'three']);
    expect(later.firstBlock).toBe(BROUGHT);
  });

  it('says no name unless it is asked to, and then beside the entries, so that nothing sealed hangs on it', async () => {
    expect(JSON.stringify(await log())).not.toContain('Ane Vik');
    const named = await log(true);
    expect(Object.values(named.people ?? {})).toContain('Ane Vik');
    expect(verifyLog(named).problems).toEqual([]);
  });

  it('sealed by two servers at once gives each entry one receipt', async () => {
    await send(...Array.from({ length: 20 }, (_, i) => `both ${i}`));
    await Promise.all(Array.from({ length: 6 }, () => sealLog(db, JOB)));
    const { problems } = verifyLog(await log());
    expect(problems).toEqual([]);
  });

  it('changed in the database itself is found, and a log cut off by whoever keeps a head', async () => {
    const before = await signedHead(db, JOB);
    await send('last of all');
    const kept = await signedHead(db, JOB);
    if (!before || !kept) throw new Error('no head');
    expect(await isOwnHead(db, JOB, before)).toBe(true);
    await db.execute(sql`alter table entries disable trigger user`);
    await db.execute(sql`update entries set note = 'two, and more' where note = 'two'`);
    expect(verifyLog(await log()).problems.map(({ code }) => code)).toEqual(['entry']);
    await db.execute(sql`update entries set note = 'two' where note = 'two, and more'`);
    await db.execute(sql`alter table receipts disable trigger user`);
    await db.execute(sql`delete from receipts where seq = ${kept.seq}`);
    await db.execute(sql`delete from entries where note = 'last of all'`);
    await db.execute(sql`alter table entries enable trigger user`);
    expect(await isOwnHead(db, JOB, kept)).toBe(false);
    expect(verifyLog(await log(), [kept]).problems.map(({ code }) => code)).toEqual(['head']);
  });

  it('is refused to be changed by anybody who only writes', async () => {
    await db.execute(sql`alter table receipts enable trigger user`);
    await expect(db.execute(sql`update receipts set head = 'x'`)).rejects.toThrow();
  });

  it('is verified from the command line, with what is held beside it', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'hulvek-log-'));
    const file = await log();
    const [path, head] = [join(folder, 'job.log.json'), join(folder, 'head.json')];
    writeFileSync(path, JSON.stringify(file));
    writeFileSync(head, JSON.stringify(file.head));
    const read = (one: string) => readFileSync(one, 'utf8');
    const sound = run(['verify', path, '--head', head], read);
    expect(sound).toMatchObject({
      exit: 0,
      out: expect.stringContaining(`that ${head} holds is of this log`),
    });
    const [first] = file.entries;
    writeFileSync(
      path,
      JSON.stringify({ ...file, entries: [{ ...first, note: 'another' }, ...file.entries.slice(1)] }),
    );
    expect(run(['verify', path], read)).toMatchObject({
      exit: 1,
      out: expect.stringContaining('does not say what was sealed'),
    });
    writeFileSync(path, '{}');
    expect(run(['verify', path], read)).toMatchObject({ exit: 2 });
  });
});

describe('the key', () => {
  it('is made once, for its owner alone, and read again', () => {
    const path = join(mkdtempSync(join(tmpdir(), 'hulvek-key-')), 'evidence/key.pem');
    const made = keyIn(path).export({ type: 'pkcs8', format: 'pem' });
    expect(statSync(path).mode & 0o777).toBe(0o600);
    expect(keyIn(path).export({ type: 'pkcs8', format: 'pem' })).toBe(made);
  });
});
