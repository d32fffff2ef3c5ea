import { describe, expect, it } from 'vitest';
import { cornerOf, onFacade, readStation, surveyedOpenings, type StationPoint } from '../src/index.ts';
import { cornerNames, lists, onFacade as expected, refusedLists } from './station-points.expected.ts';

const mm = ([x, y, z]: readonly [number, number, number]) => [x * 1000, y * 1000, z * 1000] as const;

describe('points of a total station', () => {
  it.each(expected)(
    '$at of a wall from $left to $right lies where a triangle says',
    ({ left, right, zero, at, u, v, w }) => {
      const place = onFacade({ left: mm(left), right: mm(right), zero_mm: zero * 1000 }, mm(at));
      expect(place?.u).toBeCloseTo(u, 6);
      expect(place?.v).toBeCloseTo(v, 6);
      expect(place?.w).toBeCloseTo(w, 6);
    },
  );

  it.each(cornerNames)('%s is %s, %s', (name, mark, corner) =>
    expect(cornerOf(name)).toEqual(mark === null ? null : { mark, corner }),
  );

  it.each(lists)('$text is read', ({ text, unit, points }) => {
    const read = readStation(text, unit);
    expect(read.ok && read.points.map(({ name, at }) => [name, ...at])).toEqual(points);
  });

  it.each(refusedLists)('$text is refused: $because', ({ text, because, line }) =>
    expect(readStation(text, 'm')).toMatchObject({
      ok: false,
      problem: line === null ? { code: because } : { code: because, line },
    }),
  );

  it('in no unit that anybody said are not taken for one', () =>
    expect(readStation('Point;E;N;H\nA;1;2;3\n', null)).toEqual({ ok: false, problem: { code: 'no-unit' } }));

  it('give an opening its place, its size and its twist; half a corner gives nothing', () => {
    const points: StationPoint[] = [
      { name: 'S-05 BL', at: [1000, 0, 900] },
      { name: 'S-05 BR', at: [1620, 0, 900] },
      { name: 'S-05 TL', at: [1000, 4, 2426] },
      { name: 'S-06 BR', at: [3000, 0, 900] },
    ];
    const ends = { left: [0, 0, 0], right: [9000, 0, 0], zero_mm: 0 } as const;
    expect(surveyedOpenings(points, ends)).toEqual([
      {
        mark: 'S-05',
        u: 1000,
        v: 900,
        widthBottom: 620,
        widthTop: null,
        heightLeft: 1526,
        heightRight: null,
        twist_mm: 4,
      },
    ]);
  });
});
