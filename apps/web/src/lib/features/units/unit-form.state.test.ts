import { quinceCourt, skarvPoint, type Unit } from '@hulvek/core';
import { describe, expect, it } from 'vitest';
import { unitForm, unitFromForm, withUnit } from './unit-form.ts';

const units: readonly Unit[] = [...skarvPoint().units, ...quinceCourt().units];
const [unit] = units;
if (!unit) throw new Error('the demo has no unit');
const asked: Unit = {
  ...unit,
  uFactor: 1.23456,
  asks: { source: 'leaflet, page 4', bedding: 'barrier', pan: 'stretched' },
};

describe('a unit as a form', () => {
  it('that nobody touched gives the unit back to the last digit, whichever unit it was shown in and is kept in', () => {
    for (const one of [...units, asked])
      for (const shown of ['mm', 'in'] as const)
        for (const kept of ['mm', 'in'] as const)
          expect(unitFromForm(one.id, unitForm(one, shown), kept, one)).toEqual({
            ok: true,
            // A shape that nobody named is the usual one.
            unit: { shape: 'rectangle', ...one },
          });
  });

  it('a length typed bare keeps the unit it was typed in, whatever is counted in when it is kept', () => {
    for (const [typed, shown, mm] of [
      ['905', 'mm', 905],
      ['36', 'in', 914.4],
    ] as const) {
      const form = { ...unitForm(unit, shown), width: withUnit('width', typed, shown) };
      for (const kept of ['mm', 'in'] as const) {
        const read = unitFromForm(unit.id, form, kept, unit);
        expect(read.ok && read.unit.width.mm).toBeCloseTo(mm, 6);
        expect(read.ok && read.unit.height).toEqual(unit.height);
      }
    }
    expect(withUnit('width', '36 3/8"', 'mm')).toBe('36 3/8"');
    expect(withUnit('width', 'wide', 'mm')).toBe('wide');
  });

  it('takes a U in either unit, and says at its own field what is none', () => {
    const typed = (uFactor: string) =>
      unitFromForm(unit.id, { ...unitForm(unit, 'mm'), uFactor }, 'mm', unit);
    const read = typed('0.30 Btu/(h ft² °F)');
    expect(read.ok && read.unit.uFactor).toBeCloseTo(1.7035, 4);
    expect(typed('0.04 W/(m K)')).toMatchObject({ ok: false, problems: { uFactor: expect.any(String) } });
    expect(typed('9')).toMatchObject({ ok: false, problems: { uFactor: expect.any(String) } });
  });

  it('weight, pressures, forces and heights are read in either system, and shown with their unit', () => {
    const heavy: Unit = { ...unit, weight_kg: 45.359237, waterTest_Pa: 600, madeAt_m: 1524 };
    const form = unitForm(heavy, 'in');
    expect([form.weight_kg, form.waterTest_Pa, form.madeAt_m]).toEqual([
      '100\u202flb',
      '12.53\u202fpsf',
      '5000\u202fft',
    ]);
    const read = unitFromForm(
      unit.id,
      { ...form, weight_kg: withUnit('weight_kg', '50', 'mm') },
      'in',
      heavy,
    );
    expect(read.ok && [read.unit.weight_kg, read.unit.waterTest_Pa]).toEqual([50, 600]);
    const wrong = unitFromForm(unit.id, { ...form, weight_kg: '50 Pa' }, 'in', heavy);
    expect(wrong).toMatchObject({ ok: false, problems: { weight_kg: expect.stringContaining('kg') } });
  });

  it('a method of the maker’s own has to say where the maker says so', () => {
    const read = unitFromForm(unit.id, { ...unitForm(asked, 'mm'), asksSource: ' ' }, 'mm', asked);
    expect(read).toMatchObject({ ok: false, problems: { asksSource: expect.any(String) } });
    const none = unitFromForm(
      unit.id,
      { ...unitForm(asked, 'mm'), asksBedding: '', asksPan: '', asksSource: '' },
      'mm',
      asked,
    );
    expect(none.ok && none.unit.asks).toBeUndefined();
  });
});
