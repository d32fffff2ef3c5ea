import { readFileSync } from 'node:fs';
import { ESLint } from 'eslint';
import { describe, expect, it } from 'vitest';
import {
  contextOf,
  issueOf,
  jobFileJsonSchema,
  openingsOf,
  planOpening,
  readJobFile,
  skarvPoint,
  writeJobFile,
} from '@hulvek/core';

const file = skarvPoint();
const text = writeJobFile(file);
const problems = (change: (data: ReturnType<typeof JSON.parse>) => void) => {
  const data = JSON.parse(text);
  change(data);
  const result = readJobFile(JSON.stringify(data));
  return result.ok ? [] : result.problems.map((p) => `${p.path}: ${p.message}`);
};

describe('job file', () => {
  it('comes back from a round trip exactly as it was', () => {
    const result = readJobFile(text);
    expect(result).toEqual({ ok: true, value: file });
    expect(result.ok && writeJobFile(result.value)).toBe(text);
  });

  it('refuses ticks that hands could not have made, and takes the same ones in an order that they could', () => {
    const [opening] = openingsOf(file);
    const plan = opening && planOpening(opening, contextOf(file));
    const issue = plan && issueOf(plan, { version: 1, person: 'Ines Kallas', at: '2026-11-20T08:00:00Z' });
    if (!opening || !issue) throw new Error('nothing is planned');
    const ticked = (...steps: string[]) => {
      const entries = steps.map((step, i) => ({
        id: `00000000-0000-4000-8000-${String(i).padStart(12, '0')}`,
        opening: opening.id,
        issue: 1,
        kind: 'tick',
        step,
        undoes: null,
        person: 'Ines Kallas',
        at: new Date(Date.UTC(2026, 10, 20, 9, i)).toISOString(),
        note: '',
        photo: null,
      }));
      const records = { readings: file.records.readings, issues: [issue], entries };
      const result = readJobFile(JSON.stringify({ ...file, records }));
      return result.ok ? [] : result.problems.map(({ path, message }) => `${path}: ${message}`);
    };
    expect(ticked('check-opening', 'wrap', 'cut-flap')).toEqual([]);
    expect(ticked('check-opening', 'cut-flap', 'wrap')).toEqual([
      'records.entries[1].step: "cut-flap" cannot be done before "wrap", which nobody ticked before it',
    ]);
    expect(ticked('check-opening', 'paint')).toEqual([
      'records.entries[1].step: the frozen plan has no step "paint"',
    ]);
  });

  it('the published JSON Schema is the one of this version', () => {
    const published = JSON.parse(
      readFileSync(new URL('../../../docs/job-file.schema.json', import.meta.url), 'utf8'),
    );
    expect(published).toEqual(JSON.parse(JSON.stringify(jobFileJsonSchema())));
  });

  it.each([
    [
      'another version',
      (d: never) => Object.assign(d, { version: 4 }),
      'version: the file has version 4, this program reads version 3',
    ],
    [
      'another format',
      (d: never) => Object.assign(d, { format: 'x' }),
      'format: this is not a job file: format must be "hulvek-job"',
    ],
    [
      'an unknown field',
      (d: { job: object }) => Object.assign(d.job, { colour: 'red' }),
      'job.colour: this field is not known here',
    ],
    [
      'a width in the wrong unit',
      (d: { records: { readings: { value: object }[] } }) =>
        Object.assign(d.records.readings[4]?.value ?? {}, { mm: 36.2 }),
      'records.readings[4].value.typed: "920" does not read as 36.2 mm; correct one of the two',
    ],
    [
      'a unit that is not there',
      (d: { openings: object[] }) => Object.assign(d.openings[1] ?? {}, { unit: 'gone' }),
      'openings[1].unit: there is no unit "gone" in this file',
    ],
    [
      'two openings of one id',
      (d: { openings: object[] }) => d.openings.push(d.openings[0] ?? {}),
      'openings[14].id: "skarv-s-01" is used twice',
    ],
    [
      'an entry without its plan',
      (d: { records: { issues: object[] } }) => d.records.issues.pop(),
      'records.entries[0].issue: plan 1 of "skarv-s-05" is not in this file',
    ],
    [
      'a number out of range',
      (d: { openings: object[] }) =>
        Object.assign(d.openings[0] ?? {}, { numbers: { slope: { typed: '40°', deg: 40 } } }),
      'openings[0].numbers.slope: 40 ° is outside 0 to 15 °',
    ],
  ])('%s is refused with its place', (_, change, message) =>
    expect(problems(change as never)).toContain(message),
  );

  it('a file of version 1, which kept figures in the openings, is read with the same surveys', () => {
    const [first, ...surveys] = openingsOf(file);
    if (!first) throw new Error('no opening');
    const older = {
      ...file,
      version: 1,
      openings: [first, ...surveys],
      records: {
        issues: file.records.issues,
        entries: file.records.entries.map(({ photo: _photo, ...entry }) => entry),
      },
    };
    const once = readJobFile(JSON.stringify(older));
    if (!once.ok) throw new Error(JSON.stringify(once.problems));
    expect(openingsOf(once.value)).toEqual([first, ...surveys]);
    expect(once.value.records.readings[0]).toMatchObject({ person: 'not recorded', at: null });
    expect(readJobFile(JSON.stringify(older))).toEqual(once);
  });

  it('a file that was cut off says so', () =>
    expect(readJobFile(text.slice(0, -40))).toEqual({
      ok: false,
      problems: [{ path: '', message: 'this is not a complete JSON document; it may have been cut off' }],
    }));
});

describe('the core stays pure', () => {
  it.each([
    ["import { readFileSync } from 'node:fs';\nexport const x = readFileSync;", 'no-restricted-imports'],
    ["import fs from 'fs';\nexport const x = fs;", 'no-restricted-imports'],
    ["import { page } from '$app/state';\nexport const x = page;", 'no-restricted-imports'],
    ["import { run } from '../../cli/src/run.ts';\nexport const x = run;", 'no-restricted-imports'],
    ['export const x = document.title;', 'no-restricted-globals'],
    ['export const x = process.env;', 'no-restricted-globals'],
    ['export const x = Math.random();', 'no-restricted-properties'],
  ])(
    '%j in the core is a lint error',
    async (code, rule) => {
      const root = new URL('../../..', import.meta.url).pathname;
      const eslint = new ESLint({ cwd: root });
      const [result] = await eslint.lintText(code, { filePath: `${root}packages/core/src/probe.ts` });
      expect(result?.messages.map((m) => m.ruleId)).toContain(rule);
    },
    30_000,
  );
});
