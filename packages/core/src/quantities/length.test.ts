import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { asTyped, formatLength, typedFor } from './format-length.ts';
import type { LengthUnit } from './length.ts';
import { parseLength } from './parse-length.ts';

const read = (text: string, unit: LengthUnit = 'in') => {
  const result = parseLength(text, unit);
  return result.ok ? result.value : result.error;
};
const mm = (text: string, unit: LengthUnit = 'in') => {
  const value = read(text, unit);
  return typeof value === 'string' ? value : Number(value.mm.toFixed(6));
};

describe('lengths as people write them', () => {
  // 1 in = 25.4 mm exactly (international yard and pound agreement, 1959; from memory).
  it.each([
    ['36 3/8', 923.925],
    ['36-3/8"', 923.925],
    ['3\' 0 3/8"', 923.925],
    ['3′ 0⅜″', 923.925],
    ['3 ft 0 3/8 in', 923.925],
    ['3-0', 914.4],
    ['3-0 3/8', 923.925],
    ['3-6-1/2', 1079.5],
    ['3-3/8', 85.725],
    ['⅜', 9.525],
    ['36⅜', 923.925],
    ['36 3\u20448″', 923.925],
    ['36.375', 923.925],
    ["5'", 1524],
    ['921 mm', 921],
    ['921mm', 921],
    ['92,1 cm', 921],
    ['0.921 m', 921],
    ['1,210 m', 1210],
    ['-1/4', -6.35],
    ['\u22123 mm', -3],
    ['0', 0],
  ])('%s is %f mm in an inch job', (text, expected) => expect(mm(text)).toBe(expected));

  it.each([
    ['921', 921],
    ['92,1', 92.1],
    ['3-0', 914.4],
    ['36 3/8"', 923.925],
    ['−2', -2],
  ])('%s is %f mm in a metric job', (text, expected) => expect(mm(text, 'mm')).toBe(expected));

  it.each(['3-3/8', '921'])('%s in an inch job is echoed for confirmation', (text) =>
    expect(read(text)).toMatchObject({ confirm: true }),
  );
  it('921 in an inch job is read as millimetres', () => expect(mm('921')).toBe(921));
  it('36 3/8 in a metric job is read as inches and echoed', () =>
    expect(read('36 3/8', 'mm')).toMatchObject({ confirm: true, unit: 'in' }));
  it('what was typed is kept to the letter', () =>
    expect(read(' 36 3/8 ')).toMatchObject({ typed: ' 36 3/8 ' }));

  it.each([
    ['', 'empty'],
    ['about a yard', 'not-a-length'],
    ['36 3/7', 'fraction-denominator'],
    ['36 9/8', 'fraction-over-one'],
    ['36 3/0', 'fraction-denominator'],
    ['3-14', 'inches-over-eleven'],
    ['3.5\' 2"', 'inches-over-eleven'],
    ['1,210', 'thousands-or-decimals'],
    ['1.210 mm', 'thousands-or-decimals'],
    ['--3', 'several-signs'],
    ['3 mm 1/2"', 'mixed-units'],
    ['36 38', 'not-a-length'],
    ['1e3', 'not-a-length'],
    ['NaN', 'not-a-length'],
  ])('%j is refused as %s', (text, code) => expect(read(text)).toBe(code));

  it('parse and format are inverse on the 1/16 in grid', () => {
    fc.assert(
      fc.property(fc.integer({ min: -16 * 400, max: 16 * 400 }), fc.constantFrom('in', 'mm'), (n, unit) => {
        const value = (n / 16) * 25.4;
        expect(mm(formatLength(value, 'in'), unit as LengthUnit)).toBeCloseTo(value, 6);
      }),
    );
  });
  it('parse and format are inverse on the 0.1 mm grid', () => {
    fc.assert(
      fc.property(fc.integer({ min: -99_999, max: 99_999 }), fc.constantFrom('in', 'mm'), (n, unit) => {
        expect(mm(formatLength(n / 10, 'mm'), unit as LengthUnit)).toBeCloseTo(n / 10, 6);
      }),
    );
  });
  it('what an instrument or a drag gives is written as people type it, and reads back in the unit of the job', () => {
    expect(asTyped(1000, 'mm')).toEqual({ typed: '1000', mm: 1000 });
    expect(asTyped(-3.175, 'in')).toEqual({ typed: '-1/8"', mm: -3.175 });
    fc.assert(
      fc.property(fc.integer({ min: -16 * 400, max: 16 * 400 }), (n) => {
        const value = (n / 16) * 25.4;
        expect(mm(asTyped(value, 'in').typed, 'in')).toBeCloseTo(value, 6);
        expect(asTyped(value, 'in').typed).toMatch(/^["\d /-]+$/);
      }),
    );
  });
  it.each([
    ['19', 19, 'mm', '19'],
    ['19', 19, 'in', '19 mm'],
    ['36 3/8', 923.925, 'in', '36 3/8'],
    ['36 3/8', 923.925, 'mm', '36 3/8"'],
    ['36', 914.4, 'mm', '36"'],
    ['36', 914.4, 'in', '36'],
    ['921', 921, 'in', '921 mm'],
    ['3.5 cm', 35, 'in', '3.5 cm'],
  ] as const)('“%s”, meant as %f mm, stands before who reads in %s as “%s”', (typed, value, unit, shown) =>
    expect(typedFor({ typed, mm: value }, unit)).toBe(shown),
  );
  it('however it was typed, it reads back as what was meant, whoever reads it', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 16 * 200 }),
        fc.constantFrom('mm', 'in'),
        fc.constantFrom('mm', 'in'),
        (n, typedIn, reads) => {
          const value = typedIn === 'in' ? (n / 16) * 25.4 : n;
          const typed = formatLength(value, typedIn, 'figure');
          expect(mm(typedFor({ typed, mm: value }, reads), reads)).toBeCloseTo(value, 6);
        },
      ),
    ));
  it('elsewhere format stays within half a step: 1/32 in or 0.05 mm', () => {
    fc.assert(
      fc.property(fc.double({ min: -9000, max: 9000, noNaN: true }), (value) => {
        expect(Math.abs(Number(mm(formatLength(value, 'in'))) - value)).toBeLessThanOrEqual(25.4 / 32 + 1e-6);
        expect(Math.abs(Number(mm(formatLength(value, 'mm'))) - value)).toBeLessThanOrEqual(0.05 + 1e-6);
      }),
    );
  });
  it('no text whatever gives NaN or throws', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 12 }), (text) => {
        const value = read(text);
        if (typeof value !== 'string') expect(Number.isFinite(value.mm)).toBe(true);
      }),
    );
  });
});
