/** Verdicts kept beside the openings: judged when something changed, heat included, and by no one twice. */
import { exampleJob, type JobFile } from '@hulvek/core';
import { eq } from 'drizzle-orm';
import { afterAll, beforeEach, expect, it } from 'vitest';
import { judgeMark } from '../src/lib/contract/judged.ts';
import { heatResults, jobs, judgements } from '../src/lib/server/db/schema/index.ts';
import { planSides, solveSide } from '../src/lib/server/heat/tasks.ts';
import { judgeJob, type Judging } from '../src/lib/server/judging/judgements.ts';
import { collidingOf, judgeOpening } from '../src/lib/server/judging/tasks.ts';
import { changeJob, importJob, loadContext } from '../src/lib/server/services/jobs.ts';
import { reasonMissing } from '../src/lib/server/services/frozen-plans.ts';
import { addOpenings, loadParts, openingOfPart, saveOpening } from '../src/lib/server/services/openings.ts';
import { OwnDatabases } from './own-database.ts';

const databases = new OwnDatabases();
afterAll(() => databases.drop());
const db = await databases.migrated();

/** What threads were asked, by name. */
let asked: Record<'judged' | 'solved', number>;
const judging = (engine = 'today'): Judging => ({
  db,
  engine,
  worker: 'test',
  threads: {
    collidingOf: (task) => Promise.resolve(collidingOf(task)),
    planSides: (task) => Promise.resolve(planSides(task)),
    judgeOpening: (task) => {
      asked.judged += 1;
      return Promise.resolve(judgeOpening(task));
    },
    solveSide: (json) => {
      asked.solved += 1;
      return Promise.resolve(solveSide(json));
    },
  },
});

const file: JobFile = exampleJob('drained-head-flap');
const job = file.job.id;
beforeEach(async () => {
  asked = { judged: 0, solved: 0 };
  await db.delete(jobs).where(eq(jobs.id, job));
  await db.delete(heatResults);
  await importJob(db, file);
});
const partOf = async () => {
  const [part] = await loadParts(db, job);
  const context = await loadContext(db, job);
  if (!part || !context) throw new Error('the job is not there');
  return { part, mark: judgeMark(context)(openingOfPart(part)) };
};
const judgeAll = async (by: Judging = judging()) => {
  while ((await judgeJob(by, job)) > 0);
};

it('judges an opening with its four sides of heat, and then has nothing left to do', async () => {
  await judgeAll();
  const { part, mark } = await partOf();
  expect(part.judged?.mark).toBe(mark);
  expect(part.judged?.judgement).toMatchObject({ working: false });
  expect(part.judged?.judgement.proofs.heat.missing).toEqual([]);
  expect(asked).toEqual({ judged: 2 * file.openings.length, solved: 4 * file.openings.length });
  expect(await judgeJob(judging(), job)).toBe(0);
});

it('a change makes the verdict old at once, and one of the wind solves no side of heat again', async () => {
  await judgeAll();
  const solved = asked.solved;
  const was = file.job.wind;
  await changeJob(db, job, was ? { wind: was } : {}, { wind: { gust_ms: 44, terrain: 'open' } });
  const { part, mark } = await partOf();
  expect(part.judged?.mark).not.toBe(mark);
  await judgeAll();
  const after = await partOf();
  expect(after.part.judged?.mark).toBe(after.mark);
  expect(after.part.judged?.judgement.missing).not.toContain('wind');
  expect(asked.solved).toBe(solved);
});

it('what another program judged is judged again', async () => {
  await judgeAll(judging('yesterday'));
  const before = asked.judged;
  await judgeAll();
  expect(asked.judged).toBe(2 * before);
  expect((await db.select().from(judgements)).map(({ engine }) => engine)).toContain('today');
});

it('two openings in one place collide, and both are judged anew when one moves away', async () => {
  const place = { u: { typed: '0', mm: 0 }, v: { typed: '0', mm: 0 } };
  const { part } = await partOf();
  const twin = { ...part.document, id: 'twin' as typeof part.document.id, mark: 'T', position: place };
  await addOpenings(db, job, [twin]);
  await saveOpening(db, job, { document: { ...part.document, position: place }, from: 1, user: null });
  await judgeAll();
  const grades = async () =>
    (await loadParts(db, job)).flatMap(({ document, judged }) =>
      document.position ? [judged?.judgement.proofs.fit.grade] : [],
    );
  expect(await grades()).toEqual(['fails', 'fails']);
  const away = { ...place, u: { typed: '30000', mm: 30_000 } };
  await saveOpening(db, job, { document: { ...part.document, position: away }, from: 2, user: null });
  await judgeAll();
  expect(await grades()).not.toContain('fails');
});

it('work that begins against the verdict needs the reason for just that verdict, as long as the verdict is of the opening as it stands', async () => {
  await judgeAll();
  const { part } = await partOf();
  const context = await loadContext(db, job);
  if (!context || !part.judged) throw new Error('nothing was judged');
  const opening = openingOfPart(part);
  const judged = (grade: 'holds' | 'watch' | 'fails' | 'not-checkable', mark = part.judged?.mark ?? '') => ({
    judged: { mark, judgement: { ...part.judged!.judgement, grade } },
  });
  const missing = (of: ReturnType<typeof judged>, said?: 'fails' | 'not-checkable') =>
    reasonMissing(of, opening, context, said && { grade: said, reason: 'dry weather, mended tomorrow' });
  expect(['holds', 'watch'].map((grade) => missing(judged(grade as 'holds')))).toEqual([false, false]);
  for (const grade of ['fails', 'not-checkable'] as const) {
    expect(missing(judged(grade))).toBe(true);
    expect(missing(judged(grade), grade)).toBe(false);
    // Said of what was not known, and now it is known to fail: whoever goes on has to know that.
    expect(missing(judged(grade), grade === 'fails' ? 'not-checkable' : 'fails')).toBe(true);
    expect(missing(judged(grade, 'of yesterday'))).toBe(false);
  }
  expect(reasonMissing({}, opening, context, undefined)).toBe(false);
});
