import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BTU_W_m2K, readU, withUUnit, writeU } from './u-value.ts';

describe('U on labels', () => {
  it('1 Btu/(h ft² °F) is 5.678 W/(m² K) (ISO 80000-5, from memory)', () =>
    expect(BTU_W_m2K).toBeCloseTo(5.678263, 6));

  it.each([
    ['1.4', 'mm', 1.4],
    ['1,4', 'mm', 1.4],
    ['0.25', 'in', 1.41957],
    ['0.30 Btu/(h ft² °F)', 'mm', 1.70348],
    ['0.30 Btu/(h·ft2·F)', 'mm', 1.70348],
    ['0.3btu', 'mm', 1.70348],
    ['1.4 W/(m² K)', 'in', 1.4],
    ['1.4 W/m2K', 'in', 1.4],
    ['.28', 'in', 1.58991],
  ] as const)('%s where %s is usual', (typed, system, value) =>
    expect(readU(typed, system)).toBeCloseTo(value, 4),
  );

  it.each(['', 'U', '-1.2', '1.2.3', '1.4 watts', '0.04 W/(m K)', '0.3 Btu/(h ft °F)', '0', '1.4 mm'])(
    '“%s” is none',
    (typed) => expect(readU(typed, 'mm')).toBeNull(),
  );

  it('a bare figure gets the unit it was typed in and is never read in another', () => {
    expect(withUUnit('0.3', 'in')).toBe('0.3 Btu/(h ft² °F)');
    expect(readU(withUUnit('0.3', 'in'), 'mm')).toBeCloseTo(1.70348, 4);
    expect(withUUnit('1.4 W/(m² K)', 'in')).toBe('1.4 W/(m² K)');
    expect(withUUnit('fourteen', 'in')).toBe('fourteen');
  });

  it('a value nobody touched keeps all of its digits, in whichever unit it was shown', () =>
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 8, noNaN: true }), (value) => {
        for (const shown of ['mm', 'in'] as const)
          for (const now of ['mm', 'in'] as const)
            expect(readU(writeU(value, shown), now, value)).toBe(value);
      }),
    ));

  it('what is written is read back to the last digit that is written', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 8, noNaN: true }),
        fc.constantFrom('mm', 'in'),
        (value, system) => {
          const back = readU(writeU(value, system), 'mm');
          expect(Math.abs((back ?? 0) - value)).toBeLessThanOrEqual(system === 'mm' ? 0.00051 : 0.0029);
        },
      ),
    ));
});
