import { describe, expect, it } from 'vitest';
import { readDxf } from './read-dxf.ts';

/** Pairs of a code and a value, as drawings have them. */
const dxf = (pairs: string, units: number | null = 4, blocks = ''): string => {
  const header = units === null ? '' : `9 $INSUNITS 70 ${units}`;
  return `0 SECTION 2 HEADER ${header} 0 ENDSEC 0 SECTION 2 BLOCKS ${blocks} 0 ENDSEC 0 SECTION 2 ENTITIES ${pairs} 0 ENDSEC 0 EOF`
    .split(/ +/)
    .join('\n');
};
const read = async (text: string, unit: Parameters<typeof readDxf>[1] = null) => {
  const drawing = await readDxf(text, unit);
  if (!drawing.ok) throw new Error(drawing.because);
  return drawing.lines;
};
const extent = (lines: Awaited<ReturnType<typeof read>>) => {
  const all = lines.flat();
  return [0, 1].map(
    (axis) => Math.max(...all.map((p) => p[axis] ?? 0)) - Math.min(...all.map((p) => p[axis] ?? 0)),
  );
};

describe('a drawing', () => {
  // By hand: what 3 by 4 units are in millimetres.
  it.each([
    [1, [76.2, 101.6]],
    [2, [914.4, 1219.2]],
    [4, [3, 4]],
    [5, [30, 40]],
    [6, [3000, 4000]],
  ] as const)('of unit %d is as large as it says, from its lower left corner', async (units, size) => {
    const lines = await read(dxf('0 LINE 8 0 10 7 20 -2 11 10 21 2', units));
    expect(lines[0]?.[0]).toEqual([0, 0]);
    extent(lines).forEach((mm, axis) => expect(mm).toBeCloseTo(size[axis] ?? NaN, 0.05));
  });

  it('that does not say its unit is asked for it', async () => {
    const text = dxf('0 LINE 8 0 10 0 20 0 11 1 21 0', null);
    expect(await readDxf(text, null)).toEqual({ ok: false, because: 'no-unit' });
    expect(extent(await read(text, 'ft'))[0]).toBeCloseTo(304.8, 1);
  });

  it('closes what is closed, bows what is bowed, and keeps a circle round', async () => {
    // A half circle of radius 1 by a bulge of 1, closed by its chord.
    const half = await read(dxf('0 LWPOLYLINE 8 0 90 2 70 1 10 0 20 0 42 1 10 2 20 0', 6));
    expect(half[0]?.at(-1)).toEqual(half[0]?.[0]);
    expect(extent(half)).toEqual([2000, 1000]);
    const circle = await read(dxf('0 CIRCLE 8 0 10 5 20 5 40 0.5', 6));
    expect(extent(circle)).toEqual([1000, 1000]);
  });

  it('shows what its blocks hold, turned and scaled as they stand', async () => {
    const block = '0 BLOCK 8 0 2 W 10 0 20 0 70 0 0 LINE 8 0 10 0 20 0 11 1 21 0 0 ENDBLK 8 0';
    const lines = await read(dxf('0 INSERT 8 0 2 W 10 3 20 4 41 2 42 1 50 90', 6, block));
    const [across, up] = extent(lines);
    expect(across).toBeCloseTo(0, 3);
    expect(up).toBeCloseTo(2000, 3);
  });

  it.each([
    ['hello', 'notRead'],
    ['', 'notRead'],
    [dxf('0 TEXT 8 0 10 0 20 0 40 1 1 words'), 'empty'],
    [
      dxf(Array.from({ length: 2500 }, (_, i) => `0 LINE 8 0 10 ${i} 20 0 11 ${i} 21 1`).join(' ')),
      'too-many',
    ],
  ])('that is none is refused', async (text, because) =>
    expect(await readDxf(text, 'mm')).toEqual({ ok: false, because }),
  );
});
