/**
 * Plans held against records of earlier code: whole files for the schools, digests for the demo's and for random jobs.
 *
 * `RECORD=1 npx vitest run --project core golden` writes them anew. Do that only for differences that are meant, and
 * list them by cause in the commit.
 */
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { count } from '../support/count.ts';
import { demoCases, randomCases, schoolCases, type Case } from './cases.ts';
import { heatRecord, planRecord, sections, type Section } from './record.ts';

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url));
const recording = process.env.RECORD === '1';
const written = (value: unknown) => `${JSON.stringify(value, null, 1)}\n`;

function held(file: string, now: string): void {
  if (recording) {
    mkdirSync(here('records'), { recursive: true });
    writeFileSync(here(file), now);
  }
  expect(now === readFileSync(here(file), 'utf8'), `${file} differs; compare after RECORD=1`).toBe(true);
}

type Digests = Readonly<Record<Section, string>>;

function digests({ opening, job }: Case): Digests {
  const record = planRecord(opening, job);
  const digest = (value: unknown) =>
    createHash('sha256')
      .update(JSON.stringify(value) ?? '')
      .digest('hex')
      .slice(0, 10);
  return Object.fromEntries(sections.map((section) => [section, digest(record[section])])) as Digests;
}

/** All of them where they are recorded or tried in full, the first ones in every run. */
const sampled = <Item>(all: readonly Item[], sample: number): readonly Item[] =>
  all.slice(0, recording ? all.length : count(all.length, sample));

function heldDigests(file: string, cases: readonly Case[]): void {
  const before: Record<string, Digests> = existsSync(here(file))
    ? JSON.parse(readFileSync(here(file), 'utf8'))
    : {};
  const now = Object.fromEntries(cases.map((one) => [one.name, digests(one)]));
  if (recording)
    writeFileSync(
      here(file),
      `{\n${Object.entries(now)
        .map(([name, row]) => `${JSON.stringify(name)}: ${JSON.stringify(row)}`)
        .join(',\n')}\n}\n`,
    );
  else {
    const differing = Object.entries(now).flatMap(([name, row]) =>
      sections
        .filter((section) => row[section] !== before[name]?.[section])
        .map((section) => `${name}: ${section}`),
    );
    expect(differing).toEqual([]);
  }
}

describe('plans are what they were', () => {
  it.each(schoolCases())('$name, in every figure, step, finding, proof and line', (one) => {
    held(`records/${one.name}.json`, written(planRecord(one.opening, one.job)));
  });

  it('the heat of all sides of schools', () => {
    const solved = sampled(schoolCases(), 4).map(({ name, opening, job }) => ({
      name,
      heat: heatRecord(opening, job),
    }));
    if (recording) writeFileSync(here('records/heat.json'), written(solved));
    const before: unknown = JSON.parse(readFileSync(here('records/heat.json'), 'utf8'));
    expect(Array.isArray(before) && before.slice(0, solved.length)).toEqual(
      JSON.parse(JSON.stringify(solved)),
    );
  });

  it('every opening of the demo', () => heldDigests('records/demo.digests.json', demoCases()));

  it('random jobs', () => heldDigests('records/random.digests.json', sampled(randomCases(), 40)));
});
