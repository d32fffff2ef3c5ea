/** Practice as it is kept: answers once and by their person, skills only by leave, rounds of a job. */
import { skarvPoint } from '@hulvek/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { answersBody, roundBody, type SentAnswer } from '../src/lib/contract/practice.ts';
import { members } from '../src/lib/server/db/schema/index.ts';
import { createUser, dataOf } from '../src/lib/server/services/accounts.ts';
import { importJob } from '../src/lib/server/services/jobs.ts';
import {
  endRound,
  makeRound,
  practiceOf,
  roundsOf,
  setSharing,
  sharersOf,
  takeAnswers,
} from '../src/lib/server/services/practice.ts';
import { skillsOfPeople } from '../src/lib/server/beside/skills-of-people.ts';
import { and, eq } from 'drizzle-orm';
import { OwnDatabases } from './own-database.ts';

const databases = new OwnDatabases();
afterAll(() => databases.drop());
const db = await databases.migrated(await databases.empty());
const JOB = 'skarv-point';
let [ane, bo] = ['', ''];

beforeAll(async () => {
  await importJob(db, skarvPoint());
  const make = async (name: string) =>
    (await createUser(db, { email: `${name}@practice.invalid`, name, password: 'not to be guessed' })) ?? '';
  [ane, bo] = [await make('Ane'), await make('Bo')];
  await db.insert(members).values({ jobId: JOB, userId: ane, role: 'installer' });
});

const answer = (n: number, right = true): SentAnswer => ({
  id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`,
  kind: 'tape',
  level: 2,
  seed: n,
  right,
  at: new Date(Date.UTC(2026, 0, 5, 8, n)).toISOString(),
});

describe('practice', () => {
  it('keeps an answer once, however often it is sent, and nobody else’s under its number', async () => {
    await takeAnswers(db, ane, [answer(1), answer(2, false)]);
    await takeAnswers(db, ane, [answer(1, false), answer(2, false), answer(3)]);
    await takeAnswers(db, bo, [answer(1, false)]);
    const { answers } = await practiceOf(db, ane);
    expect(answers.map(({ seed, right }) => [seed, right])).toEqual([
      [3, true],
      [2, false],
      [1, true],
    ]);
    expect((await practiceOf(db, bo)).answers).toEqual([]);
    expect(JSON.stringify(await dataOf(db, ane))).toContain(answer(3).id);
  });

  it('leads see skills only of those who allow it, no single answer, and nothing once the leave or the membership ends', async () => {
    expect((await sharersOf(db, JOB)).people).toEqual([]);
    expect(await setSharing(db, { user: bo, job: JOB, allowed: true })).toBe(false);
    expect(await setSharing(db, { user: ane, job: JOB, allowed: true })).toBe(true);
    const { people, others } = await sharersOf(db, JOB);
    expect(people.map(({ name }) => name)).toEqual(['Ane']);
    expect(others).toBe(0);
    const [seen] = skillsOfPeople({ people, now_ms: Date.UTC(2026, 0, 6) });
    expect(seen?.skills.find(({ kind }) => kind === 'tape')?.answers).toBe(3);
    expect(JSON.stringify(seen)).not.toMatch(/seed|"right"|00000000-/);
    expect((await practiceOf(db, ane)).jobs).toEqual([{ id: JOB, name: expect.any(String), allowed: true }]);
    await setSharing(db, { user: ane, job: JOB, allowed: false });
    expect((await sharersOf(db, JOB)).people).toEqual([]);
    await setSharing(db, { user: ane, job: JOB, allowed: true });
    await db.delete(members).where(and(eq(members.jobId, JOB), eq(members.userId, ane)));
    expect((await sharersOf(db, JOB)).people).toEqual([]);
    await db.insert(members).values({ jobId: JOB, userId: ane, role: 'installer' });
  });

  it('a round of a job is found by those who are in it, and gone when it is taken away', async () => {
    const body = { title: 'Before we start', tasks: [{ task: 'order-2-8', opening: 's-01' }] };
    const id = await makeRound(db, { job: JOB, madeBy: ane, ...body });
    expect((await practiceOf(db, ane)).rounds).toMatchObject([{ id, job: JOB, by: 'Ane', ...body }]);
    expect((await practiceOf(db, bo)).rounds).toEqual([]);
    expect(await endRound(db, 'another-job', id)).toBe(false);
    expect(await endRound(db, JOB, id)).toBe(true);
    expect(await roundsOf(db, JOB)).toEqual([]);
  });

  it.each([
    ['a kind that there is not', { answers: [{ ...answer(1), kind: 'lap' }] }],
    ['a level that there is not', { answers: [{ ...answer(1), level: 6 }] }],
    ['no moment', { answers: [{ ...answer(1), at: 'yesterday' }] }],
    ['too many at once', { answers: Array.from({ length: 501 }, (_, i) => answer(i)) }],
  ])('%s is refused', (_what, body) => expect(answersBody.safeParse(body).success).toBe(false));

  it('a round names tasks by their numbers, and has a title and not too many', () => {
    const round = (task: string, many = 1) => ({
      title: ' x ',
      tasks: Array.from({ length: many }, () => ({ task, opening: null })),
    });
    expect(roundBody.parse(round('tape-1-4')).title).toBe('x');
    for (const wrong of [
      round('tape-1'),
      round('tape-1-4', 41),
      round('tape-1-4', 0),
      { ...round('tape-1-4'), title: ' ' },
    ])
      expect(roundBody.safeParse(wrong).success).toBe(false);
  });
});
