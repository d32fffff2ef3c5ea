/** Packs put together from what is written down, and live changes numbered without gaps. */
import { randomUUID } from 'node:crypto';
import { skarvPoint } from '@hulvek/core';
import { sql } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { written } from '../src/lib/server/beside/packs.ts';
import { packOf } from '../src/lib/server/beside/pack-of.ts';
import { withFreshIds } from '../src/lib/server/beside/fresh-ids.ts';
import { announce, announceAll, changes, type NumberedChange } from '../src/lib/server/services/changes.ts';
import { createUser } from '../src/lib/server/services/accounts.ts';
import { importJob } from '../src/lib/server/services/jobs.ts';
import { freezePlan } from '../src/lib/server/services/frozen-plans.ts';
import { loadParts } from '../src/lib/server/services/openings.ts';
import { takeRecords } from '../src/lib/server/services/records.ts';
import { openingPartSchema } from '../src/lib/contract/pack.ts';
import { OwnDatabases } from './own-database.ts';

const databases = new OwnDatabases();
afterAll(() => databases.drop());
const url = await databases.empty();
const db = await databases.migrated(url);
const JOB = 'skarv-point';
beforeAll(async () => {
  await importJob(db, skarvPoint());
});

const revisions = async () =>
  (
    await db.execute<{ id: string; revision: number }>(
      sql`select id, revision from openings where job_id = ${JOB} order by position`,
    )
  ).rows;

describe('a change', () => {
  it('raises the revision by one, and that of the openings it touches to the same', async () => {
    const before = await revisions();
    const [first, second] = before.map(({ id }) => id);
    const one = await announce(db, { job: JOB, opening: first ?? '' });
    const records = [{ opening: second ?? '', id: randomUUID() }];
    expect(await announceAll(db, { job: JOB, openings: [], records })).toBe(one + 1);
    expect((await revisions()).slice(0, 3).map(({ revision }) => revision)).toEqual([
      one,
      one + 1,
      before[2]?.revision,
    ]);
    expect(await announce(db, { job: JOB, opening: null })).toBe(one + 2);
    expect(new Set((await revisions()).map(({ revision }) => revision))).toEqual(new Set([one + 2]));
  });

  it('is heard once, with its records; one too large for a notice is heard as the whole job', async () => {
    const heard: NumberedChange[] = [];
    const stop = changes.listen(url, JOB, (change) => {
      if (change !== 'reconnected') heard.push(change);
    });
    await expect
      .poll(async () => {
        await announce(db, { job: JOB, opening: 'probe' });
        return heard.length;
      })
      .toBeGreaterThan(0);
    // What was announced before anybody listened may still be on its way.
    await new Promise((resolve) => setTimeout(resolve, 200));
    heard.length = 0;
    const id = randomUUID();
    await announceAll(db, { job: JOB, openings: [], records: [{ opening: 'o', id }], plans: false });
    const many = Array.from({ length: 400 }, () => ({
      opening: 'o'.repeat(60) + randomUUID(),
      id: randomUUID(),
    }));
    await announceAll(db, { job: JOB, openings: [], records: many });
    await expect.poll(() => heard.length).toBe(2);
    expect(heard[0]).toMatchObject({ openings: [], records: [id], plans: false });
    expect(heard[1]).toMatchObject({ openings: null, records: [], revision: (heard[0]?.revision ?? 0) + 1 });
    stop();
  });
});

describe('a job that comes again under its id', () => {
  it('counts on from where the one before has not been, so that nothing kept of that one is taken for it', async () => {
    const file = { ...skarvPoint(), records: { readings: [], issues: [], entries: [] } };
    const again = { ...file, job: { ...file.job, id: 'again' as typeof file.job.id } };
    const counted = async () => {
      const { rows } = await db.execute<{ revision: number; least: number }>(
        sql`select j.revision, min(o.revision) least from jobs j join openings o on o.job_id = j.id
          where j.id = 'again' group by j.revision`,
      );
      return rows[0] ?? { revision: 0, least: 0 };
    };
    await importJob(db, again);
    const before = await counted();
    expect(before.least).toBeGreaterThan(0);
    await db.execute(sql`delete from jobs where id = 'again'`);
    // Seconds are what it counts from.
    await new Promise((resolve) => setTimeout(resolve, 1100));
    await importJob(db, again);
    expect((await counted()).least).toBeGreaterThan(before.revision - 1);
  });
});

describe('a pack', () => {
  it('is written from parts as one document', () => {
    const bytes = (value: unknown) => new TextEncoder().encode(JSON.stringify(value));
    const text = new TextDecoder().decode(
      written({ a: bytes(1), list: [bytes({ b: 'é' }), bytes(null)], none: [], c: bytes('x') }),
    );
    expect(JSON.parse(text)).toEqual({ a: 1, list: [{ b: 'é' }, null], none: [], c: 'x' });
  });

  it('as a difference has frozen plans only where one was frozen since', async () => {
    const planned = async () =>
      (
        await db.execute<{ id: string; planned: number }>(
          sql`select id, planned from openings where job_id = ${JOB} order by position`,
        )
      ).rows;
    const before = await planned();
    expect(before.every(({ planned }) => planned > 0)).toBe(true);
    const [part] = (await loadParts(db, JOB)).filter(({ issues }) => issues.length > 0);
    const issue = part?.issues.at(-1);
    if (!issue) throw new Error('the demo has no frozen plan');
    const revision = await announce(db, { job: JOB, opening: null });
    expect(await planned()).toEqual(before);
    expect(await freezePlan(db, JOB, { ...issue, version: issue.version + 1 }, null)).toBe(true);
    const now = (await planned()).filter((one, i) => one.planned !== before[i]?.planned);
    expect(now).toEqual([{ id: issue.opening.id, planned: revision + 1 }]);
  });

  it('holds what the database holds of the openings that are asked for', async () => {
    const [one] = (await revisions()).slice(-1);
    const packed = await packOf({ url, job: JOB, parts: [one?.id ?? ''], plans: [one?.id ?? ''] });
    expect(packed?.parts.map(([id]) => id)).toEqual([one?.id]);
    const part: unknown = JSON.parse(new TextDecoder().decode(packed?.parts[0]?.[1]));
    const [stored] = await loadParts(db, JOB, one?.id ?? '');
    const plans: unknown = JSON.parse(new TextDecoder().decode(packed?.plans[0]?.[1]));
    expect(openingPartSchema.parse({ ...(part as object), issues: plans })).toEqual(stored);
    expect(await packOf({ url, job: 'no-such-job', parts: [], plans: [] })).toBeNull();
  });
});

describe('a second job of one file', () => {
  it('has ids of its own, and everything that names another still does', async () => {
    const file = skarvPoint();
    const { file: second } = withFreshIds(file);
    expect(second.job.id).not.toBe(file.job.id);
    expect(await importJob(db, second)).toBe(true);
    const ids = new Set(second.records.readings.map(({ id }) => id as string));
    expect(ids.size).toBe(file.records.readings.length);
    for (const { replaces } of second.records.readings)
      for (const id of replaces) expect(ids.has(id)).toBe(true);
  });
});

describe('a sync', () => {
  it('of thousands of entries in parts of any size, cut and sent again, is taken once and in order', async () => {
    const id = await createUser(db, {
      email: 'sync@packs.invalid',
      name: 'Sync',
      password: 'not to be guessed',
    });
    const person = { id: id ?? '', name: 'Sync', email: '', keepsShelf: false, reads: null };
    const sender = { person, role: 'lead', lookRule: 'not-the-doer' } as const;
    const device = randomUUID();
    const opening = skarvPoint().openings.find(({ mark }) => mark === 'S-05')!.id;
    const all = Array.from({ length: 1200 }, (_, i) => ({
      type: 'entry' as const,
      record: {
        id: randomUUID(),
        opening,
        issue: 1,
        kind: 'note' as const,
        step: 'bead',
        undoes: null,
        at: '2026-11-28T10:00:00.000Z',
        note: `${i}`,
        photo: null,
        device,
        count: i + 1,
      },
    }));
    const clocks = { sentAt: '2026-11-28T12:00:00.000Z', now: new Date('2026-11-28T12:00:00.000Z') };
    for (let at = 0, turn = 0; at < all.length; turn++) {
      const part = all.slice(at, at + [1, 3, 200, 500][turn % 4]!);
      // Every other answer is lost on its way: the part comes again, with what follows it.
      for (let times = 1 + (turn % 2); times > 0; times--)
        expect((await takeRecords(db, JOB, part, sender, clocks)).every(({ ok }) => ok)).toBe(true);
      at += Math.max(1, part.length - (turn % 3));
    }
    const stored = (await loadParts(db, JOB, opening)).flatMap(({ entries }) => entries);
    const own = stored.filter((entry) => entry.device === device);
    expect(own.map(({ note }) => note)).toEqual(all.map(({ record }) => record.note));
  });
});
