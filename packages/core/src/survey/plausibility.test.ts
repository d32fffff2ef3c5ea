import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { doubts } from './plausibility.ts';

const codes = (...question: Parameters<typeof doubts>) => doubts(...question).map((d) => d.code);
const SIDES = { widthBottom: 900, widthTop: 902, heightLeft: 1200, heightRight: 1201 };

describe('a figure beside the others', () => {
  it.each([
    ['diagonalRising', 2101, ['diagonal-impossible']],
    ['diagonalRising', 1470, ['diagonal-far']],
    ['diagonalRising', 1500, []],
    ['heightCentre', 905, ['width-for-height']],
    ['widthMiddle', 1199, ['height-for-width']],
    ['widthMiddle', 35.43, ['unit-mixed']],
    ['widthMiddle', 9010, ['unit-mixed']],
    ['widthMiddle', 940, ['far-from-others']],
    ['widthMiddle', 924, []],
    ['depth', 152, []],
  ] as const)('%s of %d mm beside 900 × 1200 sides: %j', (point, mm, expected) =>
    expect(codes(point, mm, SIDES)).toEqual(expected),
  );

  it('a sill that rises 1 mm in the middle is a hump, one that sags is not', () => {
    expect(codes('sillMiddle', 1, { sillLeft: 0, sillRight: 0 })).toEqual(['sill-crown']);
    expect(codes('sillMiddle', -4, { sillLeft: 0, sillRight: 0 })).toEqual([]);
    expect(codes('sillRight', -2, { sillLeft: 0, sillMiddle: 0 })).toEqual(['sill-crown']);
  });

  it('no diagonal of a real four-sided opening is ever called impossible', () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -200, max: 200 }), { minLength: 8, maxLength: 8 }),
        fc.integer({ min: 500, max: 3000 }),
        fc.integer({ min: 500, max: 3000 }),
        (errors, w, h) => {
          const off = (i: number) => errors[i] ?? 0;
          const a = [off(0), off(1)] as const;
          const b = [w + off(2), off(3)] as const;
          const c = [w + off(4), h + off(5)] as const;
          const d = [off(6), h + off(7)] as const;
          const side = (p: readonly [number, number], q: readonly [number, number]) =>
            Math.hypot(p[0] - q[0], p[1] - q[1]);
          const sides = {
            widthBottom: side(a, b),
            widthTop: side(d, c),
            heightLeft: side(a, d),
            heightRight: side(b, c),
          };
          expect(codes('diagonalRising', side(a, c), sides)).not.toContain('diagonal-impossible');
          expect(codes('diagonalFalling', side(d, b), sides)).not.toContain('diagonal-impossible');
        },
      ),
    ));

  it('nothing to compare with, nothing to say', () => expect(codes('widthTop', 900, {})).toEqual([]));
});
