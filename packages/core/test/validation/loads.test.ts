/** Hands, wind and fasteners against published examples and simple statics. */
import { describe, expect, it } from 'vitest';
import {
  exampleJob,
  figuresIn,
  fastenerLoad,
  gustLimit,
  handlingOf,
  handlingText,
  liftLimit,
  openingsOf,
  planOpening,
  type Unit,
} from '@hulvek/core';

const INCH_cm = 2.54;
const POUND_kg = 0.45359237;

describe('lifting equation, NIOSH applications manual 1994, loading punch-press stock, from memory', () => {
  const load_kg = 44 * POUND_kg;
  const at = (vertical_in: number) =>
    liftLimit({
      horizontal_cm: 23 * INCH_cm,
      vertical_cm: vertical_in * INCH_cm,
      travel_cm: 48 * INCH_cm,
      twist_deg: 0,
      grip: 'fair',
    });
  it('44 lb from 15 in: multipliers 0.43, 0.89, 0.86, 0.95 and a lifting index of 2.7 (metric figures are 2 to 3 % lower)', () => {
    const { limit_kg, multipliers } = at(15);
    expect(multipliers.HM).toBeCloseTo(0.43, 2);
    expect(multipliers.VM).toBeCloseTo(0.89, 2);
    expect(multipliers.DM).toBeCloseTo(0.86, 2);
    expect(multipliers.CM).toBe(0.95);
    expect(Math.abs(load_kg / limit_kg - 2.7)).toBeLessThan(0.12);
  });
  it('44 lb to 63 in: a lifting index of about 3.0 (tables round up)', () => {
    expect(Math.abs(load_kg / at(63).limit_kg - 3.0)).toBeLessThan(0.2);
  });
  it('at the best posture 23 kg, and nothing at all out of reach', () => {
    expect(
      liftLimit({ horizontal_cm: 25, vertical_cm: 75, travel_cm: 25, twist_deg: 0, grip: 'good' }).limit_kg,
    ).toBe(23);
    expect(
      liftLimit({ horizontal_cm: 64, vertical_cm: 75, travel_cm: 25, twist_deg: 0, grip: 'good' }).limit_kg,
    ).toBe(0);
    expect(
      liftLimit({ horizontal_cm: 25, vertical_cm: 75, travel_cm: 25, twist_deg: 136, grip: 'good' }).limit_kg,
    ).toBe(0);
  });
});

const file = exampleJob('drained-full-jambs');
const unit = (changes: Partial<Unit>): Unit => {
  const [base] = file.units;
  if (!base) throw new Error('no unit');
  return { ...base, ...changes };
};
const mm = (value: number) => ({ typed: `${value} mm`, mm: value });

describe('hands', () => {
  it('900 × 1200 with two panes of 4 mm: 16.1 kg of glass and 16.8 kg of vinyl are three people, of whom half counts, and three pairs of cups', () => {
    const h = handlingOf(unit({ width: mm(900), height: mm(1200), panes: [mm(4), mm(4)] }), undefined);
    expect(h?.weight.kg).toBeCloseTo(0.76 * 1.06 * 8 * 2.5 + 4.2 * 4, 6);
    expect(h).toMatchObject({ people: 3, cups: 6, needsLift: false });
    // Rated for twice what they carry.
    expect((h?.cups ?? 0) * (h?.cupRating_kg ?? 0)).toBeCloseTo(2 * (h?.weight.kg ?? 0), 6);
  });
  it('the maker’s weight goes before the sum, and without weight or panes nothing is said', () => {
    expect(handlingOf(unit({ weight_kg: 46 }), undefined)).toMatchObject({
      people: 4,
      needsLift: false,
      verdict: 'holds',
    });
    expect(handlingOf(unit({ weight_kg: 46.1 }), undefined)).toMatchObject({
      people: 5,
      needsLift: true,
      verdict: 'holds',
    });
    expect(handlingOf(unit({ weight_kg: undefined, panes: undefined } as never), undefined)).toBeNull();
  });
  it('two people hold 1.08 m² up to 11.2 m/s, and a site that asks for less gets less', () => {
    // ½ · 1.225 · 1.2 · 1.08 · v² = 100 N.
    expect(gustLimit(1.08, 2)).toBeCloseTo(11.22, 2);
    const h = handlingOf(unit({ weight_kg: 40 }), { gust_ms: 6 });
    expect(h).toMatchObject({ gust_ms: 6, gustFrom: 'site' });
    expect(h && handlingText(h, figuresIn('mm'))).toContain(
      'Not in gusts above 6\u202fm/s, as this site asks',
    );
    expect(h && handlingText(h, figuresIn('in'))).toMatch(/^88\u202flb: .*gusts above 13\u202fmph/);
  });
});

describe('wind on fasteners, simple statics', () => {
  const held = (counts: readonly number[]) => ({
    sides: (['left', 'right', 'head', 'sill'] as const).map((side, i) => ({
      side,
      at_mm: Array.from({ length: counts[i] ?? 0 }, (_, k) => 100 * (k + 1)),
      tooShort_mm: null,
      edge_mm: null,
    })),
  });
  const tall = unit({ width: mm(1000), height: mm(2000) });
  it('1000 × 2000 at 1000 Pa held all round: 750 N on each long side, 250 on each short one, 2000 in all', () => {
    const load = fastenerLoad({ unit: tall, fastening: held([5, 5, 2, 2]), pressure_Pa: 1000 });
    expect(load?.total_N).toBe(2000);
    expect(load?.sides.map((s) => s.each_N * s.count)).toEqual([750, 750, 250, 250]);
    expect(load?.worst).toMatchObject({ each_N: 150 });
  });
  it('held at its jambs only each takes half, and a stated limit is met exactly or not at all', () => {
    const of = (fastener_N: number) =>
      fastenerLoad({
        unit: { ...tall, limits: { fastener_N } },
        fastening: held([5, 5, 0, 0]),
        pressure_Pa: 1000,
      });
    expect(of(200)).toMatchObject({ worst: { each_N: 200 }, verdict: 'holds' });
    expect(of(199.9)?.verdict).toBe('fails');
    expect(fastenerLoad({ unit: tall, fastening: held([5, 5, 0, 0]), pressure_Pa: 1000 })?.verdict).toBe(
      'not-checkable',
    );
    expect(fastenerLoad({ unit: tall, fastening: held([0, 0, 0, 0]), pressure_Pa: 1000 })).toBeNull();
  });
  it('an overloaded fastener is a finding only where somebody stated what it carries', () => {
    const [opening] = openingsOf(file);
    if (!opening) throw new Error('no opening');
    const plan = (limit?: number) =>
      planOpening(
        { ...opening, exposure: { height_m: 3 } },
        {
          ...file,
          job: { ...file.job, wind: { gust_ms: 50, terrain: 'open' } },
          units: file.units.map((u) => ({
            ...u,
            ...(limit !== undefined && { limits: { fastener_N: limit } }),
          })),
        },
      );
    const load = plan().loads?.fasteners?.worst.each_N ?? 0;
    const has = (limit?: number) => plan(limit).findings.some((f) => f.code === 'fastener-overloaded');
    expect([has(), has(load * 1.01), has(load * 0.99)]).toEqual([false, false, true]);
  });
});
