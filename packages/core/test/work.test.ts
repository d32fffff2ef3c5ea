/** Plans of work files, held against a checker that shares no code with the planner. */
import {
  finishBound,
  generator,
  Grounds,
  isPossible,
  modelOf,
  orderWork,
  planWork,
  readWork,
  rulesOf,
  withRules,
  type Work,
  type WorkAnswer,
} from '@hulvek/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bigJob } from './support/big-jobs.ts';
import { runs } from './support/count.ts';
import { broken as brokenIn } from './support/work-checker.ts';

const START = '2026-05-04T07:00:00Z';
const at = (minute: number) => new Date(Date.parse(START) + minute * 60_000).toISOString();
const day = (n: number, from = 0, to = 480): [string, string] => [at(n * 1440 + from), at(n * 1440 + to)];
const base: Work = {
  format: 'hulvek-work',
  version: 1,
  start: START,
  people: [
    { id: 'ann', skills: ['set'], hours: [day(0), day(1), day(2)] },
    { id: 'bo', skills: ['seal'], hours: [day(0), day(1), day(2)] },
  ],
  tools: [{ id: 'lift', count: 1 }],
  places: [
    { id: 'north', setup_min: 30 },
    { id: 'south', setup_min: 20 },
  ],
  tasks: [],
  weather: [],
};
const plan = (more: Partial<Work>, plans = 60, explain = false): WorkAnswer => {
  const read = readWork({ ...base, ...more });
  if (!read.ok) throw new Error(read.problems.join('; '));
  return orderWork(read.value, { enough: (n) => n >= plans, explain });
};
const minuteOf = (text: string) => (Date.parse(text) - Date.parse(START)) / 60_000;
const broken = (work: Work, answer: WorkAnswer) => brokenIn(work, answer.tasks);

describe('a plan of the work', () => {
  it('bucks on Monday, units on Tuesday, seals two weeks later', () => {
    const weeks = Array.from({ length: 20 }, (_, n) => day(n));
    const people = base.people.map((person) => ({ ...person, hours: weeks }));
    const answer = plan({
      people,
      tasks: [
        { id: 'buck', minutes: 120 },
        { id: 'unit', minutes: 60, people: 2, after: [{ after: 'buck', least_min: 1440 }] },
        { id: 'seal', minutes: 45, skills: ['seal'], after: [{ task: 'unit', least_min: 14 * 1440 }] },
      ],
    });
    expect(answer.tasks.map(({ id, start }) => [id, minuteOf(start)])).toEqual([
      ['buck', 0],
      ['unit', 1440 + 120],
      ['seal', 1440 + 120 + 60 + 14 * 1440],
    ]);
    expect(answer.bound).toBe(answer.finish);
  });

  it('a bead waits until the people for its unit are there within the skin time', () => {
    const people: Work['people'] = [
      { id: 'ann', skills: ['set'], hours: [day(0, 0, 480)] },
      { id: 'bo', skills: ['seal'], hours: [day(0, 200, 480)] },
    ];
    const answer = plan({
      people,
      tasks: [
        { id: 'bead', minutes: 10 },
        { id: 'set', minutes: 20, people: 2, after: [{ after: 'bead', most_min: 15 }] },
      ],
    });
    const [bead, set] = answer.tasks.map(({ start, end }) => [minuteOf(start), minuteOf(end)]);
    expect(set![0]).toBeGreaterThanOrEqual(200);
    expect(set![0]! - bead![1]!).toBeLessThanOrEqual(15);
  });

  it('what needs dry weather waits for it, also after the rain; beyond the last hour it is unplaced', () => {
    const weather = [0, 60, 120, 180, 240, 300].map((m) => ({
      at: at(m),
      temperature_C: 15,
      gust_ms: 3,
      rain_mm: m === 60 ? 2 : 0,
    }));
    const tape = { id: 'tape', minutes: 90, conditions: { dry: true, dry_after_min: 60 } };
    const answer = plan({ weather, tasks: [tape, { id: 'long', minutes: 400, conditions: { dry: true } }] });
    expect(answer.tasks.map(({ id, start }) => [id, minuteOf(start)])).toEqual([['tape', 180]]);
    expect(answer.unplaced).toEqual([{ task: 'long', why: 'no weather' }]);
  });

  it('whoever changes the place sets up first; a pause is a pause of all', () => {
    const answer = plan({
      people: [{ id: 'ann', skills: [], hours: [day(0, 0, 100), day(1)] }],
      tasks: [
        { id: 'n', minutes: 60, place: 'north' },
        { id: 's', minutes: 60, place: 'south', after: [{ after: 'n' }] },
      ],
    });
    // 60 in the north, 20 to set up, 20 in the south, 40 more the next day.
    expect(answer.tasks.map(({ start, end }) => [minuteOf(start), minuteOf(end)])).toEqual([
      [0, 60],
      [80, 1440 + 40],
    ]);
  });

  it('a due date is soft and said, times are written in the zone that is asked for', () => {
    const answer = plan({ zone: 'America/Denver', tasks: [{ id: 'a', minutes: 100, due: at(60) }] });
    expect(answer.late).toEqual([{ task: 'a', minutes: 40 }]);
    expect(answer.tasks[0]?.start).toBe('2026-05-04T01:00:00-06:00');
  });

  describe('that cannot be', () => {
    const late: Partial<Work> = {
      people: [
        { id: 'ann', skills: ['set'], hours: [day(0, 0, 240)] },
        { id: 'bo', skills: ['seal'], hours: [day(0, 0, 240)] },
      ],
      tasks: [
        { id: 'bead', minutes: 10, skills: ['seal'] },
        { id: 'door', minutes: 30, place: 'north' },
        {
          id: 'set',
          minutes: 20,
          people: 2,
          release: at(200),
          after: [{ after: 'bead', most_min: 15 }, { after: 'door' }],
        },
        { id: 'held', minutes: 60, people: 2, after: [{ after: 'set', most_min: 0 }] },
      ],
    };

    it('is told by rules of which none is too many: a unit that comes too late in the day', () => {
      const answer = plan(late, 80, true);
      expect(answer.impossible).toBe('proven');
      const paths = answer.irreducible!.map(({ path }) => path);
      expect(paths).toContain('tasks[2].release');
      expect(paths).toContain('tasks[3].minutes');
      const rules = rulesOf({ ...base, ...late }).filter(({ path }) => paths.includes(path));
      const never = () => false;
      expect(isPossible(withRules({ ...base, ...late }, rules), never)).toBe('impossible');
      for (const rule of rules)
        expect(
          isPossible(
            withRules(
              { ...base, ...late },
              rules.filter((r) => r !== rule),
            ),
            never,
          ),
          rule.says,
        ).toBe('possible');
    });

    it.each([
      [{ tasks: [{ id: 'a', minutes: 30, skills: ['weld'] }] }, ['tasks[0].skills[0]', 'tasks[0].people']],
      [
        { tasks: [{ id: 'a', minutes: 30, tools: { lift: 2 } }] },
        ['tasks[0].tools.lift', 'tasks[0].minutes'],
      ],
      [
        { tasks: [{ id: 'a', minutes: 30, conditions: { dry: true } }] },
        ['tasks[0].conditions.dry', 'tasks[0].minutes'],
      ],
    ])('%j names what it needs', (more, among) => {
      const paths = plan(more as Partial<Work>, 80, true).irreducible!.map(({ path }) => path);
      for (const path of paths) expect(among).toContain(path);
      expect(paths.length).toBeGreaterThan(0);
    });

    it('is told apart from what was only not found in time', () => {
      const many = Array.from({ length: 40 }, (_, i) => ({ id: `t${i}`, minutes: 60 }));
      expect(
        plan({ tasks: many, people: [{ id: 'ann', skills: [], hours: [day(0)] }] }, 5, true).impossible,
      ).toBe('not found in time');
    });
  });

  it.each([
    [{ tasks: [{ id: 'a', minutes: -1 }] }, /tasks\[0\]\.minutes/],
    [
      {
        tasks: [
          { id: 'a', minutes: 1 },
          { id: 'a', minutes: 1 },
        ],
      },
      /tasks\[1\]\.id.*twice/,
    ],
    [{ tasks: [{ id: 'a', minutes: 1, after: [{ after: 'b' }] }] }, /no task "b"/],
    [{ tasks: [{ id: 'a', minutes: 1, tools: { saw: 1 } }] }, /no such tool/],
    [{ tasks: [{ id: 'a', minutes: 1, place: 'roof' }] }, /no place "roof"/],
    [{ tasks: [{ id: 'a', minutes: 1, conditions: { daylight: true } }] }, /^site/],
    [
      {
        tasks: [
          { id: 'a', minutes: 1, after: [{ after: 'b' }] },
          { id: 'b', minutes: 1, after: [{ after: 'a' }] },
        ],
      },
      /circle/,
    ],
    [{ zone: 'Nowhere/Town' }, /time zone/],
    [{ colour: 'red' }, /colour/],
  ])('%j is refused with its place', (more, says) => {
    const read = readWork({ ...base, ...more });
    expect(read.ok ? '' : read.problems.join('\n')).toMatch(says);
  });
});

it('fifty openings of twenty steps are planned within a tenth of what no plan can undercut, in working minutes', () => {
  const work = bigJob('far-apart');
  const model = modelOf(work);
  const { score, placed } = planWork(model, { enough: (plans) => plans > 10 });
  const bound = finishBound(new Grounds(model)).minute;
  const worked = (minute: number) => model.on[0]!.subarray(0, minute).reduce((sum, on) => sum + on, 0);
  expect(score[0]).toBe(0);
  expect(worked(score[2]) / worked(bound)).toBeLessThanOrEqual(1.1);
  expect(score[2]).toBeGreaterThanOrEqual(bound);
  const at = (minute: number) => new Date(model.start_ms + minute * 60_000).toISOString();
  const planned = placed.map((one, i) => ({
    id: work.tasks[i]!.id,
    start: at(one!.start),
    end: at(one!.end),
    people: one!.crew.map((p) => model.people[p]!),
    tools: {},
  }));
  expect(brokenIn(work, planned)).toEqual([]);
});

it('a checker that shares nothing with the planner finds nothing in random jobs, and no plan ends before its bound', () => {
  const task = (i: number) =>
    fc.record({
      minutes: fc.integer({ min: 5, max: 240 }),
      people: fc.integer({ min: 1, max: 2 }),
      skill: fc.constantFrom(undefined, 'set', 'seal'),
      tool: fc.boolean(),
      place: fc.constantFrom(undefined, 'north', 'south'),
      unsplit: fc.boolean(),
      dry: fc.boolean(),
      before: fc.option(fc.nat({ max: Math.max(0, i - 1) }), { nil: undefined }),
      least: fc.constantFrom(0, 0, 30, 600),
      from: fc.constantFrom('end', 'end', 'start'),
      to: fc.constantFrom('start', 'start', 'end'),
      gust: fc.constantFrom(undefined, undefined, 6),
      most: fc.constantFrom(Infinity, Infinity, 700),
      release: fc.option(fc.integer({ min: 0, max: 1500 }), { nil: undefined }),
    });
  const jobs = fc.tuple(
    fc.integer({ min: 1, max: 9 }).chain((n) => fc.tuple(...Array.from({ length: n }, (_, i) => task(i)))),
    fc.array(fc.boolean(), { minLength: 60, maxLength: 60 }),
  );
  fc.assert(
    fc.property(jobs, ([tasks, wet]) => {
      const work: Work = {
        ...base,
        weather: wet.map((rain, h) => ({
          at: at(h * 60),
          temperature_C: 12,
          gust_ms: h % 5 === 0 ? 9 : 4,
          rain_mm: rain ? 1 : 0,
        })),
        tasks: tasks.map((t, i) => ({
          id: `t${i}`,
          minutes: t.minutes,
          people: t.people,
          unsplit: t.unsplit,
          ...(t.skill && { skills: [t.skill] }),
          ...(t.tool && { tools: { lift: 1 } }),
          ...(t.place && { place: t.place }),
          ...((t.dry || t.gust) && {
            conditions: {
              ...(t.dry && { dry: true, dry_after_min: 60 }),
              ...(t.gust && { gust_ms_max: t.gust }),
            },
          }),
          ...(t.release !== undefined && { release: at(t.release) }),
          ...(t.before !== undefined &&
            i > 0 && {
              after: [
                {
                  after: `t${t.before}`,
                  from: t.from as 'start' | 'end',
                  to: t.to as 'start' | 'end',
                  least_min: t.least,
                  ...(Number.isFinite(t.most) && { most_min: t.most }),
                },
              ],
            }),
        })),
      };
      const answer = plan(work, 12);
      expect(broken(work, answer)).toEqual([]);
      if (answer.finish && answer.bound)
        expect(minuteOf(answer.bound)).toBeLessThanOrEqual(minuteOf(answer.finish));
    }),
    runs(2000, 150),
  );
});

it('jobs built round a hidden plan are placed wholly, and the checker finds nothing in their plans', () => {
  const jobs = fc.record({
    n: fc.integer({ min: 2, max: 8 }),
    seed: fc.integer({ min: 1, max: 1_000_000 }),
  });
  fc.assert(
    fc.property(jobs, ({ n, seed }) => {
      const random = generator(seed);
      const below = (most: number) => Math.floor(random() * most);
      // Who does what when: one after the other for each, on two days.
      const free = [0, 0];
      const hidden: { start: number; end: number; crew: number[]; dry: boolean }[] = [];
      for (let i = 0; i < n; i++) {
        const crew = random() < 0.3 ? [0, 1] : [below(2)];
        const minutes = 10 + below(80);
        let start = Math.max(...crew.map((p) => free[p]!)) + below(40);
        const day = Math.floor(start / 1440);
        if (start - day * 1440 + minutes > 480) start = (day + 1) * 1440 + below(30);
        if (start + minutes > 2 * 1440 + 480) break;
        for (const p of crew) free[p] = start + minutes;
        hidden.push({ start, end: start + minutes, crew, dry: random() < 0.4 });
      }
      const work: Work = {
        ...base,
        weather: Array.from({ length: 72 }, (_, h) => ({
          at: at(h * 60),
          temperature_C: 12,
          gust_ms: 4,
          rain_mm:
            hidden.some(({ start, end, dry }) => dry && start < (h + 1) * 60 && end > h * 60) ||
            random() < 0.6
              ? 0
              : 1,
        })),
        tasks: hidden.map(({ start, end, crew, dry }, i) => {
          const before = hidden.findIndex((other, k) => k < i && other.end <= start);
          const gap = before < 0 ? 0 : start - hidden[before]!.end;
          return {
            id: `t${i}`,
            minutes: end - start,
            people: crew.length,
            ...(crew.length === 1 && random() < 0.4 && { skills: [crew[0] === 0 ? 'set' : 'seal'] }),
            unsplit: random() < 0.5,
            ...(dry && { conditions: { dry: true } }),
            ...(random() < 0.3 && { release: at(Math.max(0, start - below(100))) }),
            ...(before >= 0 && {
              after: [
                {
                  after: `t${before}`,
                  least_min: below(gap + 1),
                  ...(random() < 0.5 && { most_min: gap + below(30) }),
                },
              ],
            }),
          };
        }),
      };
      const answer = plan(work, 300);
      expect(answer.unplaced).toEqual([]);
      expect(broken(work, answer)).toEqual([]);
    }),
    runs(2000, 50),
  );
});
