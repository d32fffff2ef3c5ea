/** What a job is told to do next, from empty to done. */
import { contextOf, skarvPoint, type JobContext, type Judgement } from '@hulvek/core';
import { describe, expect, it } from 'vitest';
import type { OpeningRow } from '$lib/job/opening-row.ts';
import { nextStep, type NextKind } from './next-step.ts';

const demo = contextOf(skarvPoint());
const { usual: _usual, climate: _climate, assumedClimate: _assumed, months: _months, ...bareJob } = demo.job;
const empty: JobContext = { ...demo, job: bareJob, units: [] };
const none = new Set<string>();

const documents = skarvPoint().openings.slice(0, 2);
const judged = (grade: Judgement['grade']) => ({ grade }) as Judgement;
const row = (i: number, more: Partial<OpeningRow>): OpeningRow => {
  const { id, mark, name } = documents[i] ?? { id: '', mark: '', name: '' };
  const usual = { facade: '', size: null, method: null, fit: null, done: null, looksDue: 0, measured: true };
  return { id, mark, name, judgement: judged('holds'), ...usual, ...more };
};
const kindOf = (...rows: OpeningRow[]): [NextKind | undefined, string[] | undefined] => {
  const next = nextStep(demo, documents, rows, none);
  return [next?.kind, next?.openings.map(({ mark }) => mark)];
};

describe('the next step of a job', () => {
  it('of an empty one is its weather, then its unit, then openings, whatever was left for later', () => {
    const after = (...later: string[]) => nextStep(empty, [], [], new Set(later))?.kind;
    expect(after()).toBe('site');
    expect(after('site')).toBe('wall');
    expect(after('site', 'wall')).toBe('unit');
    expect(after('site', 'wall', 'unit', 'method')).toBe('openings');
    expect(after('site', 'wall', 'unit', 'method', 'openings')).toBe('openings');
  });

  it('names the openings that nothing can be planned for before those that are not measured', () => {
    const [first, second] = documents;
    if (!first || !second) throw new Error('the demo has too few openings');
    const next = nextStep(demo, [first, { ...second, unit: null }], [row(0, { measured: false })], none);
    expect(next).toMatchObject({ kind: 'choose', path: `/${second.id}/detail` });
  });

  it.each<[string, Partial<OpeningRow>, Partial<OpeningRow>, NextKind | undefined]>([
    ['not measured', { measured: false }, { judgement: judged('fails') }, 'measure'],
    ['fails', { judgement: judged('not-checkable') }, { judgement: judged('fails') }, 'mend'],
    ['not checkable', {}, { judgement: judged('not-checkable') }, 'missing'],
    ['ready', {}, { done: 1 }, 'freeze'],
    ['begun', {}, { done: 0.5 }, 'install'],
    ['a look is due', { measured: false }, { done: 0.5, looksDue: 1 }, 'look'],
    ['all done', { done: 1 }, { done: 1 }, undefined],
  ])('%s', (_, one, other, kind) => expect(kindOf(row(0, one), row(1, other))[0]).toBe(kind));

  it('is about openings whose work has not begun: what was begun is judged by its frozen plan', () => {
    expect(kindOf(row(0, { done: 0.2, judgement: judged('fails') }), row(1, { done: 1 }))).toEqual([
      'install',
      [documents[0]?.mark],
    ]);
  });
});
