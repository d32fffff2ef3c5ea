import { execFile } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { readJobFile, skarvPoint, writeJobFile, type JobFile } from '@hulvek/core';
import { describe, expect, it } from 'vitest';
import { count } from '../../core/test/support/count.ts';
import { injured } from '../../core/test/support/mutations.ts';
import { run } from '../src/run.ts';

const example = writeJobFile(skarvPoint());
const only = (...marks: string[]): string => {
  const file: JobFile = skarvPoint();
  const openings = file.openings.filter((o) => marks.includes(o.mark));
  const readings = file.records.readings.filter((r) => openings.some((o) => o.id === r.opening));
  return writeJobFile({ ...file, openings, records: { readings, issues: [], entries: [] } });
};
/** The same without what the room's side of its walls is lined with. */
const unlined = (text: string): string => {
  const file = JSON.parse(text) as JobFile;
  const walls = file.walls.map((wall) => ({
    ...wall,
    layers: wall.layers.filter(({ role }) => role !== 'interior-finish'),
  }));
  return JSON.stringify({ ...file, walls });
};
const call = (text: string, ...args: string[]) => run([...args, 'job.json'], () => text);

describe('hulvek on the command line', () => {
  it('prints an example that reads back without loss', () =>
    expect(readJobFile(run(['example'], () => '').out)).toEqual({ ok: true, value: skarvPoint() }));

  it.each([
    ['holds once its looks are done', only('S-01'), 0],
    ['is to be watched', only('S-05'), 0],
    ['lacks a lining', unlined(only('S-01')), 3],
    ['lacks a lining twice', unlined(only('S-01', 'S-04')), 3],
    ['one fails', example, 1],
    ['nothing fails, one is not measured', only('S-01', 'S-02'), 3],
    ['two hold, their strips meet', only('N-01', 'N-02'), 1],
    ['cut off', example.slice(0, 500), 2],
    ['not a job', '[]', 2],
  ])('check of a file that %s ends with its exit code', (_, text, exit) =>
    expect(call(text, 'check', '--no-heat').exit).toBe(exit),
  );

  it('plan --json of one opening carries its cut list and its steps', () => {
    const [plan] = JSON.parse(call(example, 'plan', '--opening', 'S-01', '--json').out);
    expect(plan).toMatchObject({
      mark: 'S-01',
      verdict: 'holds',
      checked: 'holds',
      fit: { verdict: 'fits' },
    });
    expect(plan.cuts.find((c: { piece: string }) => c.piece === 'pan').length_mm).toBe(1221);
    expect(plan.steps).toHaveLength(22);
  });

  it('openings whose strips meet are named with the wall there is and the wall they need', () => {
    expect(call(only('N-01', 'N-02'), 'check').out).toMatch(
      /N-01 and N-02 {2}Fails\n {2}17\d.* of wall between them, their strips need 38\d/,
    );
    const [first] = JSON.parse(call(only('N-01', 'N-02'), 'check', '--json').out);
    expect(first.tooNear).toEqual(['skarv-n-02']);
  });

  it.each([
    [['plan', '--opening', 'X-9'], /no opening "X-9"/],
    [['plan', 'a', 'b'], /Name one job file/],
    [['fly'], /no "fly" here/],
    [['check', '--wings'], /wings/],
  ])('%j is answered with a sentence and exit 2', (args, message) => {
    const result = run(
      args[0] === 'plan' && args[1] === '--opening' ? [...args, 'job.json'] : args,
      () => example,
    );
    expect(result).toMatchObject({ exit: 2, out: '' });
    expect(result.err).toMatch(message);
  });

  it('every problem of a bad file carries its place in the file', () => {
    const result = call(example.replace('"typed": "920"', '"typed": "92O"'), 'check');
    expect(result.exit).toBe(2);
    expect(result.err).toMatch(
      /job\.json: records\.readings\[0\]\.value\.typed: "92O" does not read as 920 mm/,
    );
  });

  it('runs as npx hulvek on a real file, also on one that is not there', async () => {
    const file = join(mkdtempSync(join(tmpdir(), 'hulvek-cli-')), 'skarv.hulvek.json');
    writeFileSync(file, unlined(only('S-01')));
    const bin = new URL('../bin/hulvek.mjs', import.meta.url).pathname;
    await expect(
      promisify(execFile)(process.execPath, [bin, 'plan', '--no-heat', file]),
    ).rejects.toMatchObject({
      code: 3,
      stdout: expect.stringMatching(
        /S-01 {2}store window {2}Not checkable\n {2}Missing: the lining of the wall\.[\s\S]*Sill pan\s+1221/,
      ),
    });
    await expect(promisify(execFile)(process.execPath, [bin, 'plan', `${file}.gone`])).rejects.toMatchObject({
      code: 2,
      stderr: expect.stringMatching(/^Cannot read .*gone: ENOENT/),
    });
  });
});

describe('bad input of every kind', () => {
  it('injured job files end with 0 to 3 and a sentence with its place, never with a stack trace', () => {
    const exits = new Map<number, number>();
    for (let seed = 1; seed <= count(2000, 120); seed++) {
      const text = injured(example, seed);
      const result = call(text, seed % 2 === 0 ? 'check' : 'plan', '--no-heat');
      exits.set(result.exit, (exits.get(result.exit) ?? 0) + 1);
      expect(`${result.out}${result.err}`).not.toMatch(/\n\s+at |TypeError|undefined|NaN/);
      if (result.exit === 2) expect(result.err).toMatch(/^job\.json: \S[^\n]*\n/);
      else expect(result.err).toBe('');
    }
    // Most injuries are found, some do no harm: both must have happened for this to mean anything.
    expect(exits.get(2)).toBeGreaterThan(count(1000, 60));
    expect(exits.get(1)).toBeGreaterThan(count(30, 1));
  }, 120_000);

  it('every school is listed, and its example plans without anything that fails but what it is known for', () => {
    const list = JSON.parse(run(['schools', '--json'], () => '').out) as { id: string }[];
    expect(list).toHaveLength(16);
    for (const { id } of list) {
      const file = run(['example', id], () => '');
      expect(file.exit).toBe(0);
      // Of the site nothing is known in an example.
      expect(run(['check', '--no-heat', 'x'], () => file.out).exit, id).toBe(3);
      expect(run(['schools'], () => '').out).toContain(id);
    }
    expect(run(['example', 'upside-down'], () => '')).toMatchObject({
      exit: 2,
      err: expect.stringContaining('upside-down'),
    });
  });

  it('solves a layered wall as the sum of its resistances says, and names what is wrong in a section file', () => {
    const section = {
      format: 'hulvek-section',
      version: 1,
      title: 'a board',
      materials: { board: { lambda: 0.1 } },
      boxes: [{ material: 'board', x: [0, 100], y: [0, 1000] }],
      environments: { room: { temperature: 20, rs: 0.13 }, outside: { temperature: 0, rs: 0.04 } },
      surfaces: [
        { environment: 'room', from: [0, 0], to: [0, 1000] },
        { environment: 'outside', from: [100, 0], to: [100, 1000] },
      ],
      probes: [{ id: 'middle', at: [50, 500] }],
    };
    const solve = (file: unknown, ...args: string[]) =>
      run(['solve', 'section.json', ...args], () => (typeof file === 'string' ? file : JSON.stringify(file)));
    const answer = JSON.parse(solve(section, '--json').out) as {
      heatFlow: Record<string, number>;
      probes: Record<string, number>;
      L2D: { value: number };
    };
    // R = 0.13 + 0.1/0.1 + 0.04 = 1.17 m²K/W over 1 m.
    expect(answer.heatFlow['room']).toBeCloseTo(20 / 1.17, 4);
    expect(answer.L2D.value).toBeCloseTo(1 / 1.17, 5);
    expect(answer.probes['middle']).toBeCloseTo(20 - (20 / 1.17) * 0.63, 3);
    expect(solve(section).out).toMatch(/^a board\nheat from room {2}17\.094/);
    expect(solve('{').err).toMatch(/section\.json: not JSON/);
    const lost = solve({ ...section, boxes: [{ material: 'stone', x: [0, 100], y: [0, 1000] }] });
    expect([lost.exit, lost.err]).toEqual([2, 'section.json: boxes.0.material: no material stone\n']);
    const bare = solve({ ...section, surfaces: [] });
    expect([bare.exit, bare.err]).toEqual([2, expect.stringContaining('No surface lies on the outline')]);
  });
});

describe('hulvek order', () => {
  const at = (hour: number) => `2026-05-04T${String(hour).padStart(2, '0')}:00:00Z`;
  const work = {
    format: 'hulvek-work',
    version: 1,
    start: at(7),
    people: [{ id: 'ann', skills: [], hours: [[at(7), at(15)]] }],
    tools: [],
    places: [],
    tasks: [
      { id: 'a', minutes: 60 },
      { id: 'b', minutes: 60, after: [{ after: 'a' }] },
    ],
    weather: [],
  };
  const order = (file: unknown, ...more: string[]) =>
    run(['order', 'work.json', '--seconds', '0', ...more], () => JSON.stringify(file));

  it('plans a work file, says what is late or found no place by its exit, and where a file is wrong', () => {
    const planned = order(work, '--json');
    expect(planned.exit).toBe(0);
    expect(JSON.parse(planned.out)).toMatchObject({
      late: [],
      unplaced: [],
      finish: '2026-05-04T09:00:00+00:00',
    });
    const [first] = work.tasks;
    expect(order({ ...work, tasks: [{ ...first, due: at(7) }] }).exit).toBe(1);
    expect(order({ ...work, tasks: [{ ...first, minutes: 600 }] })).toMatchObject({
      exit: 1,
      out: expect.stringContaining('Unplaced: a') as string,
    });
    expect(order({ ...work, tasks: [{ ...first, minutes: -1 }] })).toMatchObject({
      exit: 2,
      err: expect.stringContaining('tasks[0].minutes') as string,
    });
  });

  it('of a job file it gives each opening its line in time and its evenings', () => {
    const { exit, out } = run(['order', 'job.json', '--json'], () => only('S-01'));
    expect(exit).toBe(0);
    const { openings } = JSON.parse(out) as {
      openings: { mark: string; steps: { rain: string; stop: boolean }[] }[];
    };
    expect(openings[0]).toMatchObject({ mark: 'S-01' });
    expect(openings[0]?.steps.some(({ stop }) => !stop)).toBe(true);
    expect(openings[0]?.steps.at(-1)).toMatchObject({ rain: 'drains', stop: true });
  });
});
