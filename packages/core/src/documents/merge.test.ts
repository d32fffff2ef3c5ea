import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { openingWith, SQUARE } from '../../test/support/openings.ts';
import { changedFields, mergeOpenings } from './merge.ts';
import type { Opening } from './opening.ts';

const base = openingWith(SQUARE);
const mm = (value: number) => ({ typed: `${value} mm`, mm: value });

/** A few changes of an opening, each of one field. */
const changes: Readonly<Record<string, (o: Opening) => Opening>> = {
  name: (o) => ({ ...o, name: 'pantry' }),
  unit: (o) => ({ ...o, unit: null }),
  'numbers.sealWidth': (o) => ({ ...o, numbers: { ...o.numbers, sealWidth: mm(60) } }),
  'numbers.leastGap': (o) => ({ ...o, numbers: { ...o.numbers, leastGap: mm(7) } }),
  'choices.pan': (o) => ({ ...o, choices: { ...o.choices, pan: 'rigid' } }),
  'choices.head': (o) => ({ ...o, choices: { ...o.choices, head: 'two-tapes' } }),
  'deviations.foam-alone': (o) => ({
    ...o,
    deviations: [
      ...(o.deviations ?? []),
      { rule: 'foam-alone', reason: 'Tape follows.', person: 'A', at: '2026-11-20T10:00:00Z' },
    ],
  }),
  'survey.values.widthTop': (o) => ({
    ...o,
    survey: { ...o.survey, values: { ...o.survey.values, widthTop: mm(917) } },
  }),
  'survey.values.depth': (o) => {
    const { depth: _depth, ...values } = o.survey.values;
    return { ...o, survey: { ...o.survey, values } };
  },
};
const apply = (names: readonly string[]): Opening =>
  names.reduce((opening, name) => changes[name]?.(opening) ?? opening, base);
const some = fc.subarray(Object.keys(changes));

describe('merging openings', () => {
  it('changes of different fields go together, whoever made which', () =>
    fc.assert(
      fc.property(some, (mine) => {
        const theirs = Object.keys(changes).filter((name) => !mine.includes(name));
        const { merged, clashes } = mergeOpenings({ base, mine: apply(mine), theirs: apply(theirs) });
        expect(clashes).toEqual([]);
        expect(changedFields(merged, apply(Object.keys(changes)))).toEqual([]);
      }),
    ));

  it('undo is a merge: it takes back one change and leaves all others', () =>
    fc.assert(
      fc.property(some, fc.constantFrom(...Object.keys(changes)), (others, name) => {
        const after = changes[name]?.(base) ?? base;
        const now = apply([...others.filter((o) => o !== name), name]);
        const { merged } = mergeOpenings({ base: after, mine: base, theirs: now });
        expect(changedFields(merged, apply(others.filter((o) => o !== name)))).toEqual([]);
      }),
    ));

  it('the same field changed twice clashes and keeps mine; the same change made twice does not', () => {
    const mine = changes.name?.(base) ?? base;
    const theirs = { ...base, name: 'scullery' };
    expect(mergeOpenings({ base, mine, theirs })).toMatchObject({
      clashes: ['name'],
      merged: { name: 'pantry' },
    });
    expect(mergeOpenings({ base, mine, theirs: { ...mine } }).clashes).toEqual([]);
  });
});
