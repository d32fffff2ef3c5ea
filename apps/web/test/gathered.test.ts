/** Sends of many devices to one job, taken together: each is answered for itself, whatever the others sent. */
import { randomUUID } from 'node:crypto';
import { progress, skarvPoint, thawedIssue } from '@hulvek/core';
import { sql } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createUser } from '../src/lib/server/services/accounts.ts';
import { takeGathered } from '../src/lib/server/services/gathered.ts';
import { importJob } from '../src/lib/server/services/jobs.ts';
import { loadParts } from '../src/lib/server/services/openings.ts';
import type { Send, SentRecord } from '../src/lib/server/services/records.ts';
import type { Role } from '../src/lib/contract/rights.ts';
import { OwnDatabases } from './own-database.ts';

const databases = new OwnDatabases();
afterAll(() => databases.drop());
const db = await databases.migrated(await databases.empty());
const JOB = 'skarv-point';
const OPENING = skarvPoint().openings.find(({ mark }) => mark === 'S-05')!.id;
const clocks = { sentAt: '2026-11-28T12:00:00.000Z', now: new Date('2026-11-28T12:00:00.000Z') };
const people: string[] = [];

beforeAll(async () => {
  await importJob(db, skarvPoint());
  for (const name of ['Ane', 'Bo', 'Cis'])
    people.push(
      (await createUser(db, { email: `${name}@gathered.invalid`, name, password: 'not to be guessed' })) ??
        '',
    );
});

const senderOf = (i: number, role: Role = 'lead'): Send['sender'] => ({
  person: { id: people[i] ?? '', name: '', email: '', keepsShelf: false, reads: null },
  role,
  lookRule: 'not-the-doer',
});
type Kind = Extract<SentRecord, { type: 'entry' }>['record']['kind'];
const entry = (
  kind: Kind,
  of: { note?: string; step?: string; undoes?: string; id?: string } = {},
): SentRecord => ({
  type: 'entry',
  record: {
    id: (of.id ?? randomUUID()) as never,
    opening: OPENING,
    issue: 1,
    kind,
    step: of.step ?? 'bead',
    undoes: (of.undoes ?? null) as never,
    at: '2026-11-28T11:00:00.000Z',
    note: of.note ?? '',
    photo: null,
  } as never,
});
const send = (sent: readonly SentRecord[], i = 0, role: Role = 'lead') =>
  takeGathered(db, JOB, { sent, sender: senderOf(i, role), clocks });
const stored = async () => (await loadParts(db, JOB, OPENING)).flatMap(({ entries }) => entries);
const transactions = async () =>
  (await db.execute<{ revision: number }>(sql`select revision from jobs where id = ${JOB}`)).rows[0]
    ?.revision ?? 0;

describe('sends that come while one is taken', () => {
  it('are stored once each under who sent them, in far fewer transactions than sends', async () => {
    const before = await transactions();
    const sends = Array.from({ length: 60 }, (_, n) => [entry('note', { note: `together ${n}` })]);
    const answers = await Promise.all(sends.map((sent, n) => send(sent, n % 3)));
    expect(answers).toEqual(sends.map(() => [{ ok: true }]));
    const own = (await stored()).filter(({ note }) => note.startsWith('together'));
    expect(own).toHaveLength(60);
    for (const { note, account } of own) expect(account).toBe(people[Number(note.slice(9)) % 3]);
    expect((await transactions()) - before).toBeLessThan(12);
  });

  it('are judged each by its own rights, and one that is refused holds none of the others up', async () => {
    const [first, second, third] = await Promise.all([
      send([entry('note', { note: 'from a lead' })]),
      send([entry('note', { note: 'from a viewer' })], 1, 'viewer'),
      send([entry('tick', { step: 'no-such-step' }), entry('note', { note: 'after a refusal' })], 2),
    ]);
    expect(first).toEqual([{ ok: true }]);
    expect(second).toEqual([{ ok: false, refusal: 'not-allowed' }]);
    expect(third).toEqual([{ ok: false, refusal: 'unknown-step' }, { ok: true }]);
    const notes = (await stored()).map(({ note }) => note);
    expect(notes).toEqual(expect.arrayContaining(['from a lead', 'after a refusal']));
    expect(notes).not.toContain('from a viewer');
  });

  it('fail alone where the database takes no part of one: the others are tried again without it', async () => {
    const bad = entry('note', { note: 'bad' });
    // No time of this kind is stored: the statement itself fails.
    Object.assign(bad.record, { at: 'never' });
    const [good, failed, other] = await Promise.allSettled([
      send([entry('note', { note: 'beside the bad, 1' })]),
      send([bad], 1),
      send([entry('note', { note: 'beside the bad, 2' })], 2),
    ]);
    expect(failed.status).toBe('rejected');
    expect([good.status, other.status]).toEqual(['fulfilled', 'fulfilled']);
    expect((await stored()).filter(({ note }) => note.startsWith('beside the bad'))).toHaveLength(2);
  });

  it('and come a second time after a lost answer, beside new ones, are answered as they were and stored once', async () => {
    const lost = [entry('note', { note: 'lost answer' })];
    expect(await send(lost)).toEqual([{ ok: true }]);
    const [again, fresh] = await Promise.all([send(lost), send([entry('note', { note: 'fresh' })], 1)]);
    expect([again, fresh]).toEqual([[{ ok: true }], [{ ok: true }]]);
    expect((await stored()).filter(({ note }) => note === 'lost answer')).toHaveLength(1);
  });
});

describe('what this server remembers of an opening', () => {
  it('leaves notes out, and still lets one be taken back, once', async () => {
    const note = entry('note', { note: 'to be taken back' });
    await send([note]);
    expect(await send([entry('undo', { undoes: note.record.id })])).toEqual([{ ok: true }]);
    expect(await send([entry('undo', { undoes: note.record.id })])).toEqual([
      { ok: false, refusal: 'nothing-to-undo' },
    ]);
  });

  it('is brought up by what another server stored: a step that waited for it may be done', async () => {
    const now = '2027-01-01T12:00:00.000Z';
    const states = async () => {
      const [part] = await loadParts(db, JOB, OPENING);
      const issue = part?.issues.at(-1);
      const build = issue && thawedIssue(issue)?.build;
      if (!part || !build) throw new Error('nothing is frozen there');
      return progress(build.steps, part.issues, part.entries, now);
    };
    const before = await states();
    const open = before.find(({ status }) => status === 'open');
    if (!open) throw new Error('no step is open in the demo');
    // As from another process: past the memory of this one, with the revision that it counts.
    await db.execute(sql`insert into entries (id, job_id, opening_id, issue, kind, step, user_id, at, note)
      values (${randomUUID()}, ${JOB}, ${OPENING}, 1, 'tick', ${open.id}, ${people[1]}, '2026-12-01T10:00:00Z', '')`);
    await db.execute(
      sql`update openings set revision = revision + 1 where job_id = ${JOB} and id = ${OPENING}`,
    );
    const waited = (await states()).find(
      ({ id, status }) => status === 'open' && before.find((one) => one.id === id)?.status === 'blocked',
    );
    if (!waited) throw new Error('nothing waited for that step');
    const tick = entry('tick', { step: waited.id });
    Object.assign(tick.record, { at: now });
    const later = { sentAt: now, now: new Date(now) };
    const sent = [tick];
    expect(await takeGathered(db, JOB, { sent, sender: senderOf(0), clocks: later })).toEqual([{ ok: true }]);
  });
});
