import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  damCheck,
  designPressure,
  exampleJob,
  exposureFactor,
  headVerdict,
  openingsOf,
  planOpening,
  plannedSeal,
  rainClass,
  standingWater,
  testPressure,
  velocityPressure,
  type PresetId,
} from '@hulvek/core';

const FOOT_m = 0.3048;

/** Kz of ASCE 7-16 table 26.10-1, from memory. */
describe('wind', () => {
  it.each([
    ['built-up', 30, 0.7],
    ['open', 15, 0.85],
    ['open', 30, 0.98],
    ['open', 60, 1.13],
    ['coast', 15, 1.03],
    ['coast', 30, 1.16],
  ] as const)('Kz over %s terrain at %i ft is %f', (terrain, feet, kz) =>
    expect(Math.abs(exposureFactor(feet * FOOT_m, terrain) - kz)).toBeLessThan(0.01),
  );

  it('50 m/s at 9.14 m in open terrain: q 1 279 Pa, a 0.9 m² window at a corner 905 Pa in and 1 212 Pa out', () => {
    const at = { wind_ms: 50, height_m: 30 * FOOT_m, terrain: 'open' } as const;
    expect(velocityPressure(at)).toBeCloseTo(0.613 * 0.982 * 0.85 * 2500, -1);
    const { inward_Pa, outward_Pa } = designPressure({ ...at, area_m2: 0.9, zone: 'corner' });
    expect(inward_Pa).toBeCloseTo(0.6 * 1279 * 1.18, -1);
    expect(outward_Pa).toBeCloseTo(-0.6 * 1279 * 1.58, -1);
  });

  it('a larger window, less wind or a lower place never gives more pressure', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 70, noNaN: true }),
        fc.double({ min: 1, max: 60, noNaN: true }),
        fc.double({ min: 0.3, max: 40, noNaN: true }),
        (wind_ms, height_m, area_m2) => {
          const base = { wind_ms, height_m, terrain: 'coast', area_m2, zone: 'corner' } as const;
          const { inward_Pa } = designPressure(base);
          for (const less of [
            { area_m2: area_m2 * 1.3 },
            { wind_ms: wind_ms * 0.9 },
            { height_m: height_m * 0.7 },
          ])
            expect(designPressure({ ...base, ...less }).inward_Pa).toBeLessThanOrEqual(inward_Pa + 1e-9);
        },
      ),
    ));

  it('the water test is 15 % of the design pressure, at least 140 and at most 580 Pa', () => {
    expect([800, 2000, 9000].map(testPressure)).toEqual([140, 300, 580]);
  });
});

describe('rain', () => {
  it('an overhang of half the height to the soffit shelters, of a fifth a little; open country counts one class worse', () => {
    const under = (overhang_mm: number, terrain: 'built-up' | 'open') =>
      rainClass({ overhang_mm, toSoffit_mm: 2000, terrain });
    expect([1000, 999, 400, 399].map((mm) => under(mm, 'built-up'))).toEqual([
      'sheltered',
      'middling',
      'middling',
      'exposed',
    ]);
    expect([1000, 400, 100].map((mm) => under(mm, 'open'))).toEqual(['middling', 'exposed', 'exposed']);
    // A lower storey has the same roof and a larger height to it.
    expect(rainClass({ overhang_mm: 1000, toSoffit_mm: 5200, terrain: 'built-up' })).toBe('exposed');
  });
});

it('an exposed head without a cap is watched, with one it holds, sheltered it may do without, of an old wall nobody knows', () => {
  const flap = { waterLayer: 'mechanical-wrap', head: 'flap' } as const;
  expect(headVerdict('exposed', flap)).toBe('watch');
  expect(headVerdict(null, flap)).toBe('watch');
  expect(headVerdict('exposed', { ...flap, head: 'flap-and-cap' })).toBe('holds');
  expect(headVerdict('sheltered', flap)).toBe('holds');
  expect(headVerdict('middling', { waterLayer: 'existing', head: 'cap' })).toBe('not-checkable');
});

describe('water in the pan', () => {
  /** Δp / (ρ g). */
  it.each([
    [137, 14],
    [300, 31],
    [720, 73],
  ])('%i Pa hold up %i mm', (pressure, mm) => expect(Math.round(standingWater(pressure))).toBe(mm));

  const check = (preset: PresetId, pressure_Pa: number, seal?: 'sound' | 'doubtful' | 'missing') => {
    const file = exampleJob(preset);
    const [opening] = openingsOf(file);
    const plan = opening && planOpening(opening, file);
    if (!plan?.build || !plan.choices) throw new Error('not built');
    const depth_mm = plan.build.context.opening.depth;
    return damCheck({
      ...plan,
      choices: plan.choices,
      depth_mm,
      pressure_Pa,
      seal: seal ?? plannedSeal(plan.choices),
    });
  };

  it('5° over 140 mm rise 12.2 mm: with a sound seal enough, at 300 Pa with a doubtful or missing one not', () => {
    expect(check('drained-head-flap', 300).has_mm).toBeCloseTo(12.25, 2);
    expect(check('drained-head-flap', 300).holds).toBe(true);
    expect(check('drained-head-flap', 300, 'doubtful')).toMatchObject({ holds: false });
    expect(check('drained-head-flap', 300, 'missing').needed_mm).toBeCloseTo(36.7, 1);
  });

  it('a rear leg of 25 mm holds 300 Pa with a missing seal, foam alone counts as doubtful', () => {
    expect(check('rigid-pan-heavy', 300, 'missing').has_mm).toBeCloseTo(37.25, 2);
    expect(check('rigid-pan-heavy', 300, 'missing').holds).toBe(true);
    expect(check('cut-back-wrap', 137).seal).toBe('doubtful');
  });
});
