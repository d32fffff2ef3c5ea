/** A whole house under a fan: flow against pressure, and what they say of its leaks. `hulvek-fan-test` version 1. */
import { fanTestSchema, type FanTest, type HouseTest } from '../documents/fan-test.ts';
import { readBy } from '../documents/read.ts';
import { generator } from '../quantities/random.ts';
import { studentBand } from './student.ts';

export type FanWarning =
  'no-zero' | 'few-points' | 'exponent' | 'scatter' | 'zero-large' | 'lowest-too-low' | 'highest-too-low';

/** What a fan test says, at 20 °C and 101 325 Pa. */
export interface FanResult {
  /** m³/(h Paⁿ), with the band that holds 95 % of such tests. */
  readonly C: number;
  readonly n: number;
  readonly r2: number;
  readonly C_low: number;
  readonly C_high: number;
  readonly n_low: number;
  readonly n_high: number;
  readonly q50_m3h: number;
  readonly q50_low: number;
  readonly q50_high: number;
  /** Changes of the air an hour at 50 Pa. */
  readonly ach50: number;
  /** An opening that lets through as much at 4 Pa. */
  readonly ela4_cm2: number;
  /** Per m² of envelope at 50 Pa, where that is known: m³/(h m²). */
  readonly q50_m3hm2?: number;
  readonly warnings: readonly FanWarning[];
}

/** Wind above which pressures wander, m/s, and height times difference of temperatures above which the house draws, m K. Source: ISO 9972, from memory. */
const WIND_ms = 6;
const DRAUGHT_mK = 250;

/** What of a job's test lies outside the standard's conditions. */
export const fanConditions = ({
  height_m,
  wind_ms,
  test,
}: HouseTest): readonly ('wind' | 'draught' | 'height-unknown' | 'wind-unknown')[] => [
  ...(wind_ms === undefined ? (['wind-unknown'] as const) : wind_ms > WIND_ms ? (['wind'] as const) : []),
  ...(height_m === undefined
    ? (['height-unknown'] as const)
    : height_m * Math.abs(test.inside_C - test.outside_C) > DRAUGHT_mK
      ? (['draught'] as const)
      : []),
];

/**
 * A simulated fan gauge: readings of a house of known leaks with the noise of a windy day. Same for a seed.
 * Zero readings come with it.
 */
export function simulatedReadings(
  seed: number,
  {
    C,
    n,
    noise_share = 0.02,
    zero_Pa = 1,
  }: { readonly C: number; readonly n: number; readonly noise_share?: number; readonly zero_Pa?: number },
): Pick<FanTest, 'zero_before_Pa' | 'zero_after_Pa' | 'readings'> {
  const chance = generator(seed);
  const noise = () => 2 * chance() - 1;
  const tenth = (figure: number) => Math.round(figure * 10) / 10;
  const zeros = () => [0, 0, 0].map(() => tenth(zero_Pa * (0.6 + 0.4 * noise())));
  const [before, after] = [zeros(), zeros()];
  return {
    zero_before_Pa: before,
    zero_after_Pa: after,
    readings: [60, 52, 44, 36, 28, 20, 14].map((Pa) => ({
      pressure_Pa: tenth(-Pa + zero_Pa * 0.6 + 0.4 * noise()),
      flow_m3h: tenth(C * Pa ** n * (1 + noise_share * noise())),
    })),
  };
}

/** The points that the line goes through: pressure over that of the covered fan, flow through the envelope. */
export interface FanPoint {
  readonly pressure_Pa: number;
  readonly flow_m3h: number;
}

export type FanRefusal =
  /** Counted from 1. */
  | { readonly because: 'flow'; readonly reading: number }
  | { readonly because: 'few'; readonly usable: number }
  | { readonly because: 'one-pressure' };

export type FanAnswer =
  | { readonly ok: true; readonly value: FanResult; readonly points: readonly FanPoint[] }
  | { readonly ok: false; readonly problem: FanRefusal };

/** Of dry air, J/(kg K). */
const GAS = 287.055;
const KELVIN = 273.15;
/** Dry air at 20 °C and 101 325 Pa, kg/m³. */
const REFERENCE = 1.2041;
const SHARE = 0.95;
const LEAST_POINTS = 3;
const GOOD_POINTS = 5;

const density = (pressure_Pa: number, C: number): number => pressure_Pa / (GAS * (C + KELVIN));

/**
 * Fits ln q = ln C + n ln Δp through the points of a fan test, unweighted, with Student's t of N − 2. Pressures count from
 * the mean of all zero-flow readings, whatever their sign; flows are at the temperature of the air that passes the
 * fan and are carried to that of the air that passes the leaks.
 *
 * Source: ASTM E779, ISO 9972, from memory; without a correction for viscosity.
 */
export function fanTest(test: FanTest): FanAnswer {
  const zeros = [...test.zero_before_Pa, ...test.zero_after_Pa];
  const zero = zeros.length === 0 ? 0 : mean(zeros);
  const wrong = test.readings.findIndex(({ flow_m3h }) => !(flow_m3h > 0));
  if (wrong >= 0) return { ok: false, problem: { because: 'flow', reading: wrong + 1 } };
  const inside = density(test.pressure_Pa, test.inside_C);
  const outside = density(test.pressure_Pa, test.outside_C);
  const sucks = test.mode === 'depressurise';
  const carried = sucks ? inside / outside : outside / inside;
  const points = test.readings
    .map(({ pressure_Pa, flow_m3h }) => ({
      pressure_Pa: Math.abs(pressure_Pa - zero),
      flow_m3h: flow_m3h * carried,
    }))
    .filter(({ pressure_Pa }) => pressure_Pa > 0);
  if (points.length < LEAST_POINTS) return { ok: false, problem: { because: 'few', usable: points.length } };

  const x = points.map(({ pressure_Pa }) => Math.log(pressure_Pa));
  const y = points.map(({ flow_m3h }) => Math.log(flow_m3h));
  const [mx, my] = [mean(x), mean(y)];
  const sxx = sum(x.map((one) => (one - mx) ** 2));
  const syy = sum(y.map((one) => (one - my) ** 2));
  const sxy = sum(x.map((one, i) => (one - mx) * ((y[i] ?? 0) - my)));
  if (sxx < 1e-12) return { ok: false, problem: { because: 'one-pressure' } };
  const n = sxy / sxx;
  const rest = Math.max(0, syy - n * sxy);
  const spread = Math.sqrt(rest / (points.length - 2));
  const t = studentBand(SHARE, points.length - 2);
  /** Half the band of the line at a logarithm of pressure. */
  const band = (at: number) => t * spread * Math.sqrt(1 / points.length + (at - mx) ** 2 / sxx);
  const dn = (t * spread) / Math.sqrt(sxx);

  const C = Math.exp(my - n * mx) * ((sucks ? outside : inside) / REFERENCE) ** (1 - n);
  const q50 = C * 50 ** n;
  const d50 = band(Math.log(50));
  const r2 = syy < 1e-15 ? 1 : 1 - rest / syy;
  const value: FanResult = {
    C,
    n,
    r2,
    C_low: C * Math.exp(-band(0)),
    C_high: C * Math.exp(band(0)),
    n_low: n - dn,
    n_high: n + dn,
    q50_m3h: q50,
    q50_low: q50 * Math.exp(-d50),
    q50_high: q50 * Math.exp(d50),
    ach50: q50 / test.volume_m3,
    ela4_cm2: ((C * 4 ** n * Math.sqrt(REFERENCE / 8)) / 3600) * 1e4,
    ...(test.envelope_m2 !== undefined && { q50_m3hm2: q50 / test.envelope_m2 }),
    warnings: warningsOf(test, { points, zero, n, r2 }),
  };
  return { ok: true, value, points };
}

function warningsOf(
  test: FanTest,
  o: { readonly points: readonly FanPoint[]; readonly zero: number; readonly n: number; readonly r2: number },
): FanWarning[] {
  const pressures = o.points.map(({ pressure_Pa }) => pressure_Pa);
  const means = [test.zero_before_Pa, test.zero_after_Pa].filter((list) => list.length > 0).map(mean);
  const largest = Math.max(0, ...means.map(Math.abs));
  return [
    ...(means.length === 0 ? (['no-zero'] as const) : []),
    ...(o.points.length < GOOD_POINTS ? (['few-points'] as const) : []),
    ...(o.n < 0.5 || o.n > 1 ? (['exponent'] as const) : []),
    ...(o.r2 < 0.98 ? (['scatter'] as const) : []),
    ...(largest > 5 ? (['zero-large'] as const) : []),
    ...(Math.min(...pressures) < Math.max(10, 5 * Math.abs(o.zero)) - 1e-9
      ? (['lowest-too-low'] as const)
      : []),
    ...(Math.max(...pressures) < 50 ? (['highest-too-low'] as const) : []),
  ];
}

const sum = (list: readonly number[]): number => list.reduce((total, one) => total + one, 0);
const mean = (list: readonly number[]): number => sum(list) / list.length;

export type FanRead =
  | { readonly ok: true; readonly value: FanTest }
  | { readonly ok: false; readonly problems: readonly string[] };

export function readFanTest(value: unknown): FanRead {
  const shaped = readBy(fanTestSchema, value);
  if (shaped.ok) return { ok: true, value: shaped.value };
  return {
    ok: false,
    problems: shaped.problems.slice(0, 20).map(({ path, message }) => `${path}: ${message}`),
  };
}
