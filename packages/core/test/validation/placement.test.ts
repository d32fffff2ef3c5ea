import fc from 'fast-check';
import highsLoader from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { placeUnit, smallestGap, type FitInput } from '@hulvek/core';
import type { OpeningFrame, Station } from '../../src/survey/frame.ts';
import { openingFrame } from '../../src/survey/frame.ts';
import { crooked, planWith, type Readings } from '../support/openings.ts';
import { runs } from '../support/count.ts';

/** Source: a general linear-programming library from the registry (HiGHS compiled to WebAssembly). */
let solve: (problem: string) => {
  Status: string;
  ObjectiveValue: number;
  Columns: Record<string, { Primal?: number }>;
};
beforeAll(async () => {
  const highs = await highsLoader();
  solve = (problem) => highs.solve(problem) as ReturnType<typeof solve>;
});

const figure = (value: number) => value.toFixed(6);

/** max t with every side gap at least t; then min y above every point of the sill. */
function sidewaysProgram({ frame, unit, layers }: FitInput): string {
  const row = (s: Station, side: 'left' | 'right') =>
    s.u + (side === 'left' ? 1 : -1) * layers(side, s.place);
  return [
    'Maximize\n obj: t\nSubject To',
    ...frame.left.map((s, i) => ` l${i}: x - t >= ${figure(row(s, 'left'))}`),
    ...frame.right.map((s, i) => ` r${i}: x + t <= ${figure(row(s, 'right') - unit.width)}`),
    'Bounds\n x free\n t free\nEnd',
  ].join('\n');
}

const upwardsProgram = ({ frame, seat_mm }: FitInput): string =>
  [
    'Minimize\n obj: y\nSubject To',
    ...frame.bottom.map((s, i) => ` b${i}: y >= ${figure(s.v + seat_mm)}`),
    'Bounds\n y free\nEnd',
  ].join('\n');

const input = (frame: OpeningFrame): FitInput => ({
  frame,
  unit: { width: 900, height: 1200 },
  layers: (side, place) => (side === 'sill' ? 9.7 : place === 0 ? 2.2 : place === 1 ? 1.2 : 0.6),
  seat_mm: 12.8,
});

describe('placement of the unit', () => {
  it('equals the optimum of a linear program on 300 random crooked openings', () => {
    fc.assert(
      fc.property(crooked, (readings) => {
        const frame = openingFrame(readings);
        if (!frame) throw new Error('the opening has no frame');
        const fit = input(frame);
        const placed = placeUnit(fit);
        const best = solve(sidewaysProgram(fit));
        const jambs = placed.gaps
          .filter((g) => g.side === 'left' || g.side === 'right')
          .map((g) => g.flashed_mm);
        expect(best.Status).toBe('Optimal');
        expect(Math.min(...jambs)).toBeCloseTo(best.ObjectiveValue, 4);
        expect(placed.left).toBeCloseTo(best.Columns.x?.Primal ?? NaN, 4);
        expect(placed.bottom).toBeCloseTo(solve(upwardsProgram(fit)).ObjectiveValue, 4);
      }),
      runs(300, 60),
    );
  });
  it('the program it is held against can tell a wrong place', () => {
    const frame = openingFrame({ widthBottom: 920, heightLeft: 1225 });
    if (!frame) throw new Error('the opening has no frame');
    expect(solve(sidewaysProgram(input(frame))).ObjectiveValue).not.toBeCloseTo(
      smallestGap(placeUnit(input(frame))) + 1,
      1,
    );
  });
});

/**
 * Worked by hand with pencil and paper for a 900 × 1200 unit, frame 83 deep with the fin 25 behind its front,
 * 152 mm reveal, board 3 mm thin edge at 5°, pan 1.6 mm, flashing 0.6 mm, thinnest shim 3.175 mm.
 * Seat: 3 + 58 · tan 5° (5.074) + 1.6 + 3.175 = 12.849. Layers at a jamb: bottom 2.2 (pan and flashing),
 * middle 0.6, top 1.2 (flashing and turned-down head end). Source: plane geometry, worked by hand.
 */
describe('three crooked openings worked by hand', () => {
  const seat = 12.849;
  const gaps = (readings: Readings) => {
    const { fit } = planWith({ heightLeft: 1225, heightCentre: 1225, heightRight: 1225, ...readings });
    const at = (side: string, place: number) =>
      fit?.placement.gaps.find((g) => g.side === side && g.place === place)?.flashed_mm;
    return { fit, at };
  };

  it('left jamb leaning 6 mm to the right: the top binds on the left, the bottom on the right', () => {
    // Left edge: max(0 + 2.2, 3 + 0.6, 6 + 1.2) = 7.2. Right: min(920 − 2.2, 923 − 0.6, 926 − 1.2) = 917.8.
    // left = (7.2 + 917.8 − 900) / 2 = 12.5; smallest gap 5.3 at the left top and the right bottom.
    const { fit, at } = gaps({ widthBottom: 920, widthMiddle: 920, widthTop: 920, plumbLeft: 6 });
    expect(fit?.placement.left).toBeCloseTo(12.5, 3);
    expect(at('left', 1)).toBeCloseTo(5.3, 3);
    expect(at('right', 0)).toBeCloseTo(5.3, 3);
    expect(at('left', 0)).toBeCloseTo(10.3, 3);
    expect(fit?.result.verdict).toBe('tight');
    expect(fit?.result.trim.map((t) => [t.gap.side, t.gap.place, Number(t.by_mm.toFixed(2))])).toEqual([
      ['left', 1, 1.05],
      ['right', 0, 1.05],
    ]);
  });

  it('narrow waist of 899 mm, plumb left jamb: the unit cannot pass the middle', () => {
    // Left edge 2.2 (bottom), right edge min(917.8, 899 − 0.6, 918.8) = 898.4: left = (2.2 + 898.4 − 900) / 2 = 0.3.
    const { fit, at } = gaps({ widthBottom: 920, widthMiddle: 899, widthTop: 920, plumbLeft: 0 });
    expect(fit?.placement.left).toBeCloseTo(0.3, 3);
    expect(at('right', 0.5)).toBeCloseTo(-1.9, 3);
    expect(fit?.result.verdict).toBe('does-not-fit');
    expect(fit?.result.trim.find((t) => t.gap.side === 'right')?.by_mm).toBeCloseTo(8.25, 3);
  });

  it('sill falling 8 mm to the right with a lower header there: it sits on the left end, the head gap shows on the right', () => {
    // Highest sill point 0 (left): bottom = 12.849. Right head point: −8 + 1222 = 1214; gap 1214 − 1212.849 − 1.2 = −0.049.
    const { fit, at } = gaps({
      widthBottom: 920,
      widthMiddle: 920,
      widthTop: 920,
      plumbLeft: 0,
      sillLeft: 0,
      sillMiddle: -4,
      sillRight: -8,
      heightRight: 1222,
    });
    expect(fit?.placement.bottom).toBeCloseTo(seat, 2);
    expect(at('head', 1)).toBeCloseTo(1214 - seat - 1200 - 1.2, 2);
    expect(at('sill', 1)).toBeCloseTo(3.175 + 8, 2);
    expect(fit?.result.verdict).toBe('does-not-fit');
    // Right sill shim 50 mm in from the unit's right end at u = 860: 3.175 + 8 · 860 / 920 = 10.653.
    expect(fit?.shims.filter((s) => s.side === 'sill').at(-1)?.thickness_mm).toBeCloseTo(
      3.175 + (8 * 860) / 920,
      2,
    );
  });
});
