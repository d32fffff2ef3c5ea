import { describe, expect, it } from 'vitest';
import { gridMarks, jobFileSchema, problemOfMarks, skarvPoint, templateOf } from '@hulvek/core';

const of = { id: 'job-new', name: 'Another house', units: 'in', openings: true } as const;

describe('a job begun from another one', () => {
  const file = skarvPoint();

  it('has its choices and its openings, and nothing that happened there', () => {
    const made = jobFileSchema.parse(templateOf(file, of));
    expect(made.walls).toEqual(file.walls);
    expect(made.methods).toEqual(file.methods);
    expect(made.job).toMatchObject({
      id: 'job-new',
      name: 'Another house',
      units: 'in',
      wind: file.job.wind,
    });
    expect(made.records).toEqual({ readings: [], issues: [], entries: [] });
    expect(made.openings.map(({ mark, wall, unit, position }) => ({ mark, wall, unit, position }))).toEqual(
      file.openings.map(({ mark, wall, unit, position }) => ({ mark, wall, unit, position })),
    );
    for (const opening of made.openings) {
      expect(opening).not.toHaveProperty('deviations');
      expect(opening).not.toHaveProperty('order');
      expect(opening).not.toHaveProperty('damage');
    }
  });

  it('leaves lines and façades behind where the openings do not come along', () => {
    const made = jobFileSchema.parse(templateOf(file, { ...of, openings: false }));
    expect(made.openings).toEqual([]);
    expect(made.job).not.toHaveProperty('lines');
    expect(made.job).not.toHaveProperty('facades');
    expect(made.units).toEqual(file.units);
  });
});

describe('marks that are added together', () => {
  it.each([
    [[], 'none'],
    [['S-1', ' s-1 '], 'twice'],
    [['S-1', 'a mark far too long for any tag'], 'too-long'],
    [Array.from({ length: 501 }, (_, i) => `S-${i}`), 'too-many'],
    [['S-1', 'S-2'], null],
  ])('%j: %s', (marks, problem) => {
    expect(problemOfMarks(marks)).toBe(problem);
  });
});

describe('marks storey by storey', () => {
  it.each([
    [
      'S-101',
      3,
      2,
      [
        ['S-101', 'S-102', 'S-103'],
        ['S-201', 'S-202', 'S-203'],
      ],
    ],
    [
      'W1',
      2,
      3,
      [
        ['W1', 'W2'],
        ['W3', 'W4'],
        ['W5', 'W6'],
      ],
    ],
    ['N-09', 2, 1, [['N-09', 'N-10']]],
    ['Stair', 1, 2, [['Stair-1'], ['Stair-2']]],
  ])('%s, %i across, %i storeys', (first, across, storeys, marks) => {
    expect(gridMarks(first, across, storeys)).toEqual(marks);
  });
});
