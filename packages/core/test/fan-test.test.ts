/** A house under a fan, against a general statistics library and by hand. */
import { fanTest, readFanTest, studentBand, studentBelow, type FanTest } from '@hulvek/core';
import { describe, expect, it } from 'vitest';
import jstat from 'jstat';

const { jStat } = jstat;

const made = (
  points: readonly (readonly [Pa: number, m3h: number])[],
  more: Partial<FanTest> = {},
): FanTest => ({
  format: 'hulvek-fan-test',
  version: 1,
  volume_m3: 500,
  inside_C: 20,
  outside_C: 20,
  pressure_Pa: 101_325,
  zero_before_Pa: [0],
  zero_after_Pa: [0],
  mode: 'depressurise',
  readings: points.map(([pressure_Pa, flow_m3h]) => ({ pressure_Pa, flow_m3h })),
  ...more,
});
const told = (test: FanTest) => {
  const answer = fanTest(test);
  if (!answer.ok) throw new Error(answer.problem.because);
  return answer.value;
};
const line = (C: number, n: number, at = [15, 25, 35, 45, 55, 65]) =>
  at.map((Pa) => [Pa, C * Pa ** n] as const);

describe('Student’s t', () => {
  it.each([1, 2, 3, 4, 5, 8, 13, 30, 120])('of %i degrees of freedom is that of the library', (freedom) => {
    for (const t of [-4, -1, 0, 0.3, 1.7, 6])
      expect(studentBelow(t, freedom)).toBeCloseTo(jStat.studentt.cdf(t, freedom), 6);
    expect(studentBand(0.95, freedom)).toBeCloseTo(jStat.studentt.inv(0.975, freedom), 5);
  });
});

describe('a fan test', () => {
  it('of points on a line gives the line, whatever the signs, and no band', () => {
    for (const sign of [1, -1]) {
      const own = told(made(line(100, 0.65).map(([Pa, q]) => [sign * Pa, q] as const)));
      expect(own.n).toBeCloseTo(0.65, 9);
      // Of air at 20 °C and 101 325 Pa nothing is to be corrected, but for the last digit of its density.
      expect(own.C).toBeCloseTo(100, 1);
      expect(own.q50_m3h).toBeCloseTo(100 * 50 ** 0.65, 0);
      expect(own.ach50).toBeCloseTo(own.q50_m3h / 500, 9);
      // By hand: 100 × 4^0.65 m³/h through an opening at 4 Pa.
      expect(own.ela4_cm2).toBeCloseTo(((100 * 4 ** 0.65) / 3600 / Math.sqrt(8 / 1.2041)) * 1e4, 1);
      expect(own.q50_low).toBeCloseTo(own.q50_high, 6);
      expect(own.warnings).toEqual([]);
    }
  });

  it('scatters as the library’s least squares do, and its bands are those of the library’s t', () => {
    const points = line(120, 0.6).map(
      ([Pa, q], i) => [Pa, q * (1 + [0.02, -0.015, 0.01, -0.02, 0.015, 0.005][i]!)] as const,
    );
    const own = told(made(points));
    const [x, y] = [points.map(([Pa]) => Math.log(Pa)), points.map(([, q]) => Math.log(q))];
    const model = jStat.models.ols(
      y,
      x.map((one) => [1, one]),
    );
    const [a = 0, n = 0] = model.coef;
    expect(own.n).toBeCloseTo(n, 9);
    expect(own.r2).toBeCloseTo(model.R2, 9);
    const t = jStat.studentt.inv(0.975, 4);
    const s = Math.sqrt(x.reduce((sum, one, i) => sum + ((y[i] ?? 0) - a - n * one) ** 2, 0) / 4);
    const mx = jStat.mean(x);
    const sxx = x.reduce((sum, one) => sum + (one - mx) ** 2, 0);
    expect(own.n_high - own.n).toBeCloseTo((t * s) / Math.sqrt(sxx), 6);
    const at = (lnPa: number) => t * s * Math.sqrt(1 / 6 + (lnPa - mx) ** 2 / sxx);
    expect(Math.log(own.C_high / own.C)).toBeCloseTo(at(0), 6);
    expect(Math.log(own.q50_m3h / own.q50_low)).toBeCloseTo(at(Math.log(50)), 6);
    expect(own.q50_m3h / Math.exp(a + n * Math.log(50))).toBeCloseTo(1, 4);
  });

  it('counts pressures from the mean of all readings with the fan covered', () => {
    const shifted = line(100, 0.65).map(([Pa, q]) => [-Pa - 2, q] as const);
    const own = told(made(shifted, { zero_before_Pa: [-1, -2], zero_after_Pa: [-3] }));
    expect(own.n).toBeCloseTo(0.65, 9);
    expect(told(made(line(100, 0.65), { zero_before_Pa: [], zero_after_Pa: [] })).warnings).toEqual([
      'no-zero',
    ]);
  });

  it('carries flow from the air at the fan to that in the leaks, both ways', () => {
    const cold = { inside_C: 21, outside_C: -10, pressure_Pa: 98_000 };
    const rho = (C: number) => 98_000 / (287.055 * (C + 273.15));
    const sucked = told(made(line(100, 0.65), cold));
    const blown = told(made(line(100, 0.65), { ...cold, mode: 'pressurise' }));
    const [inside, outside] = [rho(21), rho(-10)];
    expect(sucked.C).toBeCloseTo(100 * (inside / outside) * (outside / 1.2041) ** 0.35, 6);
    expect(blown.C).toBeCloseTo(100 * (outside / inside) * (inside / 1.2041) ** 0.35, 6);
  });

  it('refuses what gives no line, by its reading, and warns of what is weak', () => {
    const refused = (test: FanTest) => {
      const answer = fanTest(test);
      return answer.ok ? null : answer.problem;
    };
    expect(
      refused(
        made([
          [20, 300],
          [30, 0],
          [40, 500],
        ]),
      ),
    ).toEqual({ because: 'flow', reading: 2 });
    expect(
      refused(
        made([
          [20, 300],
          [30, 400],
          [40, -5],
        ]),
      ),
    ).toEqual({ because: 'flow', reading: 3 });
    expect(
      refused(
        made([
          [20, 300],
          [30, 400],
        ]),
      ),
    ).toEqual({ because: 'few', usable: 2 });
    expect(
      refused(
        made([
          [0, 300],
          [30, 400],
          [40, 480],
        ]),
      ),
    ).toEqual({ because: 'few', usable: 2 });
    expect(
      refused(
        made([
          [30, 300],
          [30, 310],
          [30, 320],
        ]),
      ),
    ).toEqual({ because: 'one-pressure' });
    expect(told(made(line(100, 0.65, [20, 40, 60]))).warnings).toEqual(['few-points']);
    expect(told(made(line(100, 1.2))).warnings).toEqual(['exponent']);
    expect(told(made(line(100, 0.65, [4, 8, 16, 24, 32]))).warnings).toEqual([
      'lowest-too-low',
      'highest-too-low',
    ]);
    expect(told(made(line(100, 0.65), { zero_before_Pa: [7], zero_after_Pa: [-7] })).warnings).toEqual([
      'zero-large',
    ]);
  });

  it('is read with the place of what is wrong', () => {
    const sound = made(line(100, 0.65));
    expect(readFanTest(sound).ok).toBe(true);
    for (const [wrong, place] of [
      [{ ...sound, volume_m3: 0 }, 'volume_m3'],
      [{ ...sound, mode: 'blow' }, 'mode'],
      [{ ...sound, extra: 1 }, 'extra'],
      [{ ...sound, readings: [{ pressure_Pa: 'much', flow_m3h: 1 }] }, 'readings[0].pressure_Pa'],
    ] as const) {
      const read = readFanTest(wrong);
      expect(read.ok ? '' : read.problems.join('\n')).toContain(place);
    }
  });
});
