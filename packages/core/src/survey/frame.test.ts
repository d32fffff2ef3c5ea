import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Survey } from '../documents/survey.ts';
import { meanLean, openingFrame, readingsFromOutside, type Readings } from './frame.ts';
import { surveyPointIds, surveyPoints } from '../vocabulary/survey-points.ts';

const survey = (from: 'outside' | 'inside', readings: Readings): Survey => ({
  from,
  values: Object.fromEntries(Object.entries(readings).map(([id, mm]) => [id, { typed: `${mm} mm`, mm }])),
});

describe('the frame of a measured opening', () => {
  it('a drawing size alone gives a plumb rectangle marked nominal', () => {
    const frame = openingFrame({ roughWidth: 920, roughHeight: 1225 });
    expect(frame?.right.map((s) => [s.u, s.v, s.basis])).toEqual([
      [920, 0, 'nominal'],
      [920, 612.5, 'nominal'],
      [920, 1225, 'nominal'],
    ]);
    expect(frame?.missing).toContain('widthTop');
  });

  it('one measured width outweighs the drawing', () =>
    expect(openingFrame({ roughWidth: 920, widthTop: 915, roughHeight: 1200 })?.cover.width).toBe(915));

  it('without any height there is no frame', () => expect(openingFrame({ widthTop: 900 })).toBeNull());

  it('equal diagonals over unequal widths split the lean: 10 mm narrower at the top leans both jambs in by 5', () => {
    const rising = Math.hypot(895, 1200);
    const frame = openingFrame({
      widthBottom: 900,
      widthTop: 890,
      roughHeight: 1200,
      diagonalRising: rising,
      diagonalFalling: rising,
    });
    expect(frame?.leanSource).toBe('diagonals');
    expect(frame?.left.at(-1)?.u).toBeCloseTo(5, 9);
    expect(frame?.right.at(-1)?.u).toBeCloseTo(895, 9);
  });

  it('the diagonal formula is exact for any trapezoid on a level base', () => {
    const mm = fc.integer({ min: 400, max: 3000 });
    fc.assert(
      fc.property(mm, mm, mm, fc.integer({ min: -60, max: 60 }), (bottom, top, height, lean) => {
        const rising = Math.hypot(lean + top, height);
        const falling = Math.hypot(bottom - lean, height);
        expect(meanLean({ rising, falling, bottom, top })).toBeCloseTo(lean + (top - bottom) / 2, 6);
      }),
    );
  });

  it('plumb goes before the diagonals, which then only check: 12 mm too long is a residual of 12', () => {
    const readings = { widthBottom: 900, widthTop: 900, heightLeft: 1200, heightRight: 1200, plumbLeft: 0 };
    const frame = openingFrame({ ...readings, diagonalRising: 1512, diagonalFalling: 1500 });
    const [rising, falling] = frame?.residuals ?? [];
    expect((rising?.measured_mm ?? 0) - (rising?.expected_mm ?? 0)).toBeCloseTo(12, 6);
    expect((falling?.measured_mm ?? 0) - (falling?.expected_mm ?? 0)).toBeCloseTo(0, 6);
  });

  it('a survey from inside is the same opening as its mirror image from outside', () => {
    const value = fc.record(
      Object.fromEntries(surveyPointIds.map((id) => [id, fc.integer({ min: -9, max: 2000 })])),
      { requiredKeys: [] },
    );
    fc.assert(
      fc.property(value, (readings: Readings) => {
        const mirrored: Readings = {};
        for (const id of surveyPointIds) {
          const mm = readings[id];
          const { mirrored: other, flips } = surveyPoints[id];
          if (mm !== undefined) mirrored[other] = flips && mm !== 0 ? -mm : mm;
        }
        expect(readingsFromOutside(survey('inside', mirrored))).toEqual(
          readingsFromOutside(survey('outside', readings)),
        );
      }),
    );
  });
});
