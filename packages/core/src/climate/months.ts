/** The weather of a place as twelve monthly means: what the moisture of a wall is judged in. */
import { saturationPressure } from '../quantities/psychrometrics.ts';
import { generator } from '../quantities/random.ts';

/** Mean temperature of a month, and the humidity that belongs to its mean vapour pressure at that temperature. */
export interface MonthClimate {
  readonly outside_C: number;
  readonly humidity_percent: number;
}

export const DAYS_OF_MONTH = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] as const;
export const MONTHS = 12;

/** Pa. */
export const vapourPressure = ({ outside_C, humidity_percent }: MonthClimate): number =>
  (saturationPressure(outside_C) * humidity_percent) / 100;

export interface GeneratedClimate {
  readonly seed: number;
  /** Mean of the year, and of the coldest month, °C. */
  readonly year_C: number;
  readonly coldest_C: number;
  /** Damp in winter and drier in summer on land, even all year at the sea. */
  readonly coast: boolean;
}

const WANDER_K = 0.8;
const COLDEST_MONTH = 0;

/**
 * Returns twelve invented months: a cosine over the year with a small wander; the same for the same seed. For trying
 * things out, never for proving them.
 */
export function generatedMonths({ seed, year_C, coldest_C, coast }: GeneratedClimate): MonthClimate[] {
  const random = generator(seed);
  return Array.from({ length: MONTHS }, (_, month): MonthClimate => {
    const swing = Math.cos((2 * Math.PI * (month - COLDEST_MONTH)) / MONTHS);
    const outside_C = year_C + (coldest_C - year_C) * swing + (random() - 0.5) * 2 * WANDER_K;
    const humidity = (coast ? 82 : 74) + (coast ? 4 : 10) * swing + (random() - 0.5) * 4;
    return {
      outside_C: round(outside_C),
      humidity_percent: Math.round(Math.min(Math.max(humidity, 40), 98)),
    };
  });
}

const round = (value: number): number => Math.round(value * 10) / 10;
