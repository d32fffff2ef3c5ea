/** Links, rights, tries, sessions and deletion: who gets in, by what, and what is over. */
import { calendarSchema, noSupply, skarvPoint, type CalendarPlan } from '@hulvek/core';
import { sitePartsOf } from '../src/lib/contract/site-parts.ts';
import { sql } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { keepHouse } from '../src/lib/server/housekeeping.ts';
import {
  createUser,
  endSession,
  eraseAccount,
  openSession,
  personOf,
  sessionsOf,
  signIn,
} from '../src/lib/server/services/accounts.ts';
import { auditOf } from '../src/lib/server/services/audit.ts';
import { feedOf, makeFeed } from '../src/lib/server/services/feed.ts';
import { freezePlan } from '../src/lib/server/services/frozen-plans.ts';
import { loadParts } from '../src/lib/server/services/openings.ts';
import {
  archiveJob,
  changeJob,
  deletedJobs,
  deleteJob,
  importJob,
  listJobs,
  loadContext,
  putBackJob,
} from '../src/lib/server/services/jobs.ts';
import {
  changeMember,
  invite,
  listMembers,
  passwordByLink,
  passwordLink,
  readInvite,
  register,
  roleIn,
  setMember,
  useInvite,
} from '../src/lib/server/services/people.ts';
import { openTokens, revokeToken } from '../src/lib/server/services/tokens.ts';
import { gotIn, mayTry } from '../src/lib/server/services/tries.ts';
import { OwnDatabases } from './own-database.ts';

const databases = new OwnDatabases();
afterAll(() => databases.drop());
const db = await databases.migrated();
const JOB = 'skarv-point';
const PASSWORD = 'four dull words here';

let n = 0;
const account = async (name = 'Runa Lyng'): Promise<string> => {
  const id = await createUser(db, { email: `person-${++n}@links.invalid`, name, password: PASSWORD });
  if (!id) throw new Error('taken');
  return id;
};
let owner = '';
beforeAll(async () => {
  owner = await account('Ines Kallas');
  await importJob(db, skarvPoint(), { user: owner, file: 'skarv.json' });
});

describe('an invitation', () => {
  it('makes one account, however many register with it at once', async () => {
    const secret = await invite(db, JOB, 'installer', owner);
    const before = await db.$count(sql`users`);
    const made = await Promise.all(
      ['a', 'b', 'c'].map((who) =>
        register(db, secret, { email: `${who}@race.invalid`, name: who, password: PASSWORD }),
      ),
    );
    expect(made.filter(({ ok }) => ok)).toHaveLength(1);
    expect(made.flatMap((m) => (m.ok ? [] : [m.because]))).toEqual(['gone', 'gone']);
    expect(await db.$count(sql`users`)).toBe(before + 1);
  });

  it('is not spent by a failed registration, nor by looking at it', async () => {
    const secret = await invite(db, JOB, 'viewer', owner);
    const taken = { email: 'person-1@links.invalid', name: 'x', password: PASSWORD };
    expect(await register(db, secret, taken)).toEqual({ ok: false, because: 'taken' });
    for (let i = 0; i < 3; i++) expect((await readInvite(db, secret))?.role).toBe('viewer');
  });

  it('for a greater role raises a member, and one for a lesser stays for whom it was meant', async () => {
    const user = await account();
    await setMember(db, JOB, user, 'viewer');
    const lead = await invite(db, JOB, 'lead', owner);
    expect(await useInvite(db, lead, user)).toEqual({ job: JOB, spent: true });
    expect(await roleIn(db, JOB, user)).toBe('lead');
    const viewer = await invite(db, JOB, 'viewer', owner);
    expect(await useInvite(db, viewer, user)).toEqual({ job: JOB, spent: false });
    expect(await roleIn(db, JOB, user)).toBe('lead');
    expect(await useInvite(db, viewer, await account())).toEqual({ job: JOB, spent: true });
  });

  it('is listed without its secret, and taken back by its job only', async () => {
    const secret = await invite(db, JOB, 'inspector', owner);
    const [row] = await openTokens(db, JOB);
    expect(row).toMatchObject({ kind: 'invitation', role: 'inspector', madeBy: owner });
    expect(JSON.stringify(row)).not.toContain(secret);
    expect(secret.length).toBeGreaterThanOrEqual(22);
    expect(await revokeToken(db, 'another-job', row?.id ?? '')).toBe(false);
    expect(await revokeToken(db, JOB, row?.id ?? '')).toBe(true);
    expect(await readInvite(db, secret)).toBeNull();
    expect(await useInvite(db, secret, await account())).toBeNull();
  });
});

describe('a password link', () => {
  it('sets a password once and ends every session', async () => {
    const user = await account();
    await setMember(db, JOB, user, 'installer');
    const session = await openSession(db, user, 'Phone');
    const secret = await passwordLink(db, { user, by: owner, job: JOB });
    expect(secret).not.toBeNull();
    expect(await passwordByLink(db, secret ?? '', 'another dull word or two')).toBe(user);
    expect(await personOf(db, session)).toBeNull();
    expect(await passwordByLink(db, secret ?? '', 'and again')).toBeNull();
    expect(await signIn(db, `person-${n}@links.invalid`, PASSWORD)).toBeNull();
    expect(await signIn(db, `person-${n}@links.invalid`, 'another dull word or two')).not.toBeNull();
  });

  it('is made by nobody for somebody who belongs to jobs of others, by no lead, and for no keeper', async () => {
    const user = await account();
    await setMember(db, JOB, user, 'installer');
    const lead = await account();
    await setMember(db, JOB, lead, 'lead');
    expect(await passwordLink(db, { user, by: lead, job: JOB })).toBeNull();
    await importJob(db, emptyJob('others-job'), { user: await account(), file: '' });
    await setMember(db, 'others-job', user, 'viewer');
    expect(await passwordLink(db, { user, by: owner, job: JOB })).toBeNull();
    await db.execute(sql`update users set keeps_shelf = true where id = ${lead}`);
    expect(await passwordLink(db, { user: lead, by: owner, job: JOB })).toBeNull();
  });
});

const emptyJob = (id: string) => {
  const file = skarvPoint();
  return {
    ...file,
    job: { ...file.job, id: id as typeof file.job.id },
    openings: [],
    records: { readings: [], issues: [], entries: [] },
  };
};

describe('whoever tries to get in', () => {
  const minute = (m: number) => new Date(Date.UTC(2026, 10, 28, 12, m));
  it('gets five tries in a quarter of an hour, many at once counted before they are judged', async () => {
    const knock = { account: 'A@x.invalid', address: '203.0.113.1' };
    const all = await Promise.all(Array.from({ length: 12 }, () => mayTry(db, knock, minute(0))));
    expect(all.filter(Boolean).length).toBeLessThanOrEqual(5);
    expect(await mayTry(db, { ...knock, account: 'a@x.invalid ' }, minute(1))).toBe(false);
    expect(await mayTry(db, knock, minute(20))).toBe(true);
  });

  it('never locks out the owner of the account at a place that is known', async () => {
    const home = { account: 'owner@x.invalid', address: '198.51.100.1' };
    await gotIn(db, home);
    for (let i = 0; i < 40; i++)
      await mayTry(db, { account: home.account, address: `203.0.113.${i}` }, minute(0));
    expect(await mayTry(db, { account: home.account, address: '203.0.113.99' }, minute(1))).toBe(false);
    expect(await mayTry(db, home, minute(1))).toBe(true);
  });

  it('is counted by address too, and no account or address stands in the table', async () => {
    const address = '192.0.2.7';
    const tries = [];
    for (let i = 0; i < 61; i++)
      tries.push(await mayTry(db, { account: `p${i}@y.invalid`, address }, minute(0)));
    expect(tries.lastIndexOf(true)).toBe(59);
    const { rows } = await db.execute(
      sql`select key from tries where key like '%invalid%' or key like '%192.0%'`,
    );
    expect(rows).toEqual([]);
  });
});

describe('sessions and accounts', () => {
  it('are listed, ended one by one, and purged when they are over', async () => {
    const user = await account();
    const [here, there] = [
      await openSession(db, user, 'Computer'),
      await openSession(db, user, 'Phone\u0000'),
    ];
    const list = await sessionsOf(db, user, here);
    expect(list.map(({ agent, own }) => [agent, own])).toEqual(
      expect.arrayContaining([
        ['Computer', true],
        ['Phone', false],
      ]),
    );
    await endSession(db, await account(), list.find((s) => !s.own)?.id ?? '');
    expect(await personOf(db, there)).not.toBeNull();
    await endSession(db, user, list.find((s) => !s.own)?.id ?? '');
    expect(await personOf(db, there)).toBeNull();
    await db.execute(sql`update sessions set expires_at = now() - interval '1 s' where user_id = ${user}`);
    await keepHouse(db);
    expect(await db.$count(sql`sessions where user_id = ${user}`)).toBe(0);
  });

  it('an account is erased with the right password, and not while a job has no other owner', async () => {
    const user = await account('Only One');
    await importJob(db, emptyJob('only-owner'), { user, file: '' });
    expect(await eraseAccount(db, user, 'wrong')).toBe('wrong-password');
    expect(await eraseAccount(db, user, PASSWORD)).toBe('only-owner');
    await setMember(db, 'only-owner', owner, 'owner');
    expect(await eraseAccount(db, user, PASSWORD)).toBe('erased');
    expect((await listMembers(db, 'only-owner')).map(({ userId }) => userId)).toEqual([owner]);
  });

  it('that is erased is read anew wherever its name was written down, also in a job it has left', async () => {
    const user = await account('Gone Soon');
    const [begun] = (await loadParts(db, JOB)).filter(({ issues }) => issues.length > 0);
    const issue = begun?.issues.at(-1);
    if (!issue) throw new Error('nothing is frozen in the demo');
    expect(await freezePlan(db, JOB, { ...issue, version: issue.version + 1 }, user)).toBe(true);
    const counts = async () =>
      (
        await db.execute<{ job: number; changed: number; planned: number }>(
          sql`select j.revision job, min(o.revision) changed, min(o.planned) planned
            from jobs j join openings o on o.job_id = j.id where j.id = ${JOB} group by j.revision`,
        )
      ).rows[0] ?? { job: 0, changed: 0, planned: 0 };
    const before = await counts();
    expect(before.planned).toBeLessThan(before.job);
    expect(await eraseAccount(db, user, PASSWORD)).toBe('erased');
    const after = await counts();
    expect(after).toEqual({ job: before.job + 1, changed: before.job + 1, planned: before.job + 1 });
    expect((await loadParts(db, JOB)).flatMap(({ issues }) => issues).at(-1)?.person).not.toBe('Gone Soon');
  });
});

describe('a calendar', () => {
  const calendar = (people: { id: string; name: string; account?: string }[]) =>
    calendarSchema.parse({
      start: '2026-11-30',
      zone: 'UTC',
      hours: { from: '07:00', to: '15:30' },
      weekdays: [1],
      people: people.map((person) => ({ ...person, skills: [], off: [] })),
      tools: {},
      setup_min: 0,
      deliveries: [],
      others: [],
      weather: { source: 'invented', seed: 1 },
      pins: [],
      kept: [],
      covers: [],
    });
  const task = (step: string, people: string[]) => ({
    opening: 'o-1' as CalendarPlan['tasks'][number]['opening'],
    step,
    from: '2026-11-30T08:00:00.000Z',
    to: '2026-11-30T08:10:00.000Z',
    people,
  });

  it('of a file names no accounts of another server; one that is erased leaves it without a name', async () => {
    const user = await account('Calla Moe');
    const brought = { ...emptyJob('with-calendar') };
    const foreign = '11111111-1111-4111-8111-111111111111';
    await importJob(
      db,
      {
        ...brought,
        job: { ...brought.job, calendar: calendar([{ id: 'a', name: 'Far Away', account: foreign }]) },
      },
      { user: owner, file: '' },
    );
    const stored = async () =>
      JSON.stringify((await db.execute(sql`select document from jobs where id = 'with-calendar'`)).rows);
    expect(await stored()).toContain('Far Away');
    expect(await stored()).not.toContain(foreign);
    const { calendar: own, supply } = sitePartsOf((await loadContext(db, 'with-calendar'))!.job);
    const was = { ...(own && { calendar: own }), ...(supply && { supply }) };
    const change = {
      calendar: calendar([{ id: 'a', name: 'Calla Moe', account: user }]),
      calendarPlan: {
        at: '2026-11-29T10:00:00.000Z',
        person: 'Calla Moe',
        account: user,
        tasks: [task('pan', ['a'])],
      },
      supply: {
        ...noSupply,
        orders: [
          {
            id: 'o1',
            article: 'sealant',
            amount: 1,
            events: [
              {
                state: 'ordered' as const,
                at: '2026-11-29T10:00:00.000Z',
                person: 'Calla Moe',
                account: user,
              },
            ],
          },
        ],
      },
    };
    expect(await changeJob(db, 'with-calendar', was, change)).toBe(true);
    expect(await eraseAccount(db, user, PASSWORD)).toBe('erased');
    expect(await stored()).not.toMatch(/Calla Moe/);
    expect(await stored()).toContain('an erased account');
  });

  it('is read by its link: one’s own work only, nothing after one has left, nothing by the link before the last', async () => {
    const user = await account('Reader One');
    await importJob(db, emptyJob('with-feed'), { user: owner, file: '' });
    await setMember(db, 'with-feed', user, 'installer');
    const change = {
      calendar: calendar([
        { id: 'a', name: 'Reader One', account: user },
        { id: 'b', name: 'Somebody Else' },
      ]),
      calendarPlan: {
        at: '2026-11-29T10:00:00.000Z',
        person: 'Lead',
        tasks: [
          task('pan', ['a', 'b']),
          task('bead', ['b']),
          { ...task('set', ['a']), gone: true as const, changed: 2 },
        ],
      },
    };
    const was = sitePartsOf((await loadContext(db, 'with-feed'))!.job).calendar;
    expect(await changeJob(db, 'with-feed', was ? { calendar: was } : {}, change)).toBe(true);
    const first = await makeFeed(db, 'with-feed', user);
    const text = await feedOf(db, first);
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(2);
    expect(text).not.toContain('Somebody Else');
    expect(text).toMatch(/SEQUENCE:2[\s\S]*STATUS:CANCELLED|STATUS:CANCELLED[\s\S]*SEQUENCE:2/);
    const second = await makeFeed(db, 'with-feed', user);
    expect(await feedOf(db, first)).not.toContain('VEVENT');
    expect(await feedOf(db, second)).toContain('VEVENT');
    await changeMember(db, 'with-feed', user, null);
    expect(await feedOf(db, second)).not.toContain('VEVENT');
    expect(await feedOf(db, 'no such link')).not.toContain('VEVENT');
  });
});

describe('a job that is put away', () => {
  it('stands apart for everybody in it, by those who may, and is taken out again; nothing is locked', async () => {
    const [user, viewer] = [await account(), await account()];
    await importJob(db, emptyJob('put-away'), { user, file: '' });
    await setMember(db, 'put-away', viewer, 'viewer');
    const isAway = async (who: string) =>
      (await listJobs(db, who)).find(({ job }) => job.id === 'put-away')?.archived;
    expect(await archiveJob(db, 'put-away', viewer, true)).toBe(false);
    expect(await isAway(viewer)).toBe(false);
    expect(await archiveJob(db, 'put-away', user, true)).toBe(true);
    expect([await isAway(user), await isAway(viewer)]).toEqual([true, true]);
    expect(await roleIn(db, 'put-away', viewer)).toBe('viewer');
    expect(await archiveJob(db, 'put-away', user, false)).toBe(true);
    expect(await isAway(viewer)).toBe(false);
  });
});

describe('a deleted job', () => {
  it('is seen by nobody, put back by an owner, and gone with all its records after thirty days', async () => {
    const user = await account();
    const file = emptyJob('deleted');
    await importJob(db, file, { user, file: '' });
    const lead = await account();
    await setMember(db, 'deleted', lead, 'lead');
    const link = await invite(db, 'deleted', 'viewer', user);
    await deleteJob(db, 'deleted', user);
    expect(await roleIn(db, 'deleted', user)).toBeNull();
    expect((await listJobs(db, user)).map(({ job }) => job.id)).not.toContain('deleted');
    expect(await deletedJobs(db, lead)).toEqual([]);
    expect((await deletedJobs(db, user)).map(({ id }) => id)).toEqual(['deleted']);
    expect(await putBackJob(db, 'deleted', lead)).toBe(false);
    expect(await putBackJob(db, 'deleted', user)).toBe(true);
    expect(await roleIn(db, 'deleted', lead)).toBe('lead');
    expect(await readInvite(db, link)).toBeNull();
    await deleteJob(db, 'deleted', user);
    await keepHouse(db);
    expect(await db.$count(sql`jobs where id = 'deleted'`)).toBe(1);
    await db.execute(sql`update jobs set deleted_at = now() - interval '31 days' where id = 'deleted'`);
    await keepHouse(db);
    expect(await db.$count(sql`jobs where id = 'deleted'`)).toBe(0);
  });

  it('and every change of a right stands in the audit, which nobody changes', async () => {
    const user = await account('Une Vik');
    await setMember(db, JOB, user, 'viewer');
    await changeMember(db, JOB, user, 'lead', owner);
    await changeMember(db, JOB, user, null, owner);
    expect((await auditOf(db, JOB, 2)).map(({ action, person, about }) => [action, person, about])).toEqual([
      ['removed', 'Ines Kallas', 'Une Vik'],
      ['role-given', 'Ines Kallas', 'Une Vik'],
    ]);
    await expect(db.execute(sql`delete from audit`)).rejects.toThrow();
    await expect(db.execute(sql`update audit set about = ''`)).rejects.toThrow();
  });
});
