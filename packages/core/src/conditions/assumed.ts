/**
 * Generic climates for a site of which nobody has entered any weather: no town, rounded figures, from memory. Whatever
 * rests on one says so; the job's own data go before it, one by one.
 */
import type { Job } from '../documents/job.ts';
import type { ClimateId } from '../vocabulary/weather.ts';

export interface GenericClimate {
  /** January first: °C and percent outside. */
  readonly months: readonly { readonly outside_C: number; readonly humidity_percent: number }[];
  /** Room and the cold day that surfaces are judged in. */
  readonly climate: NonNullable<Job['climate']>;
  readonly wind: NonNullable<Job['wind']>;
  readonly source: 'rounded means of such regions, from memory';
}

const of = (
  temperatures: readonly number[],
  humidities: readonly number[],
  climate: GenericClimate['climate'],
  wind: GenericClimate['wind'],
): GenericClimate => ({
  months: temperatures.map((outside_C, i) => ({ outside_C, humidity_percent: humidities[i] ?? 70 })),
  climate,
  wind,
  source: 'rounded means of such regions, from memory',
});

export const genericClimates: Readonly<Record<ClimateId, GenericClimate>> = {
  'cold-inland': of(
    [-14, -11, -4, 5, 13, 18, 20, 19, 13, 6, -3, -11],
    [78, 76, 73, 62, 60, 66, 68, 70, 73, 72, 79, 80],
    { inside_C: 21, humidity_percent: 35, outside_C: -25 },
    { gust_ms: 40, terrain: 'open' },
  ),
  'mild-coast': of(
    [5, 5, 7, 9, 12, 15, 17, 17, 15, 11, 8, 6],
    [85, 83, 80, 77, 77, 78, 79, 80, 81, 84, 85, 86],
    { inside_C: 20, humidity_percent: 50, outside_C: -2 },
    { gust_ms: 45, terrain: 'coast' },
  ),
  'hot-humid': of(
    [15, 17, 20, 23, 26, 28, 29, 29, 28, 25, 20, 16],
    [75, 74, 74, 73, 75, 77, 78, 79, 78, 75, 75, 76],
    { inside_C: 23, humidity_percent: 55, outside_C: 3 },
    { gust_ms: 58, terrain: 'open' },
  ),
  mixed: of(
    [1, 3, 8, 13, 18, 23, 26, 25, 21, 14, 8, 3],
    [69, 67, 64, 62, 67, 69, 70, 72, 73, 71, 70, 70],
    { inside_C: 21, humidity_percent: 40, outside_C: -8 },
    { gust_ms: 45, terrain: 'open' },
  ),
  'dry-mountain': of(
    [-4, -2, 3, 7, 12, 17, 21, 20, 15, 8, 2, -4],
    [62, 60, 54, 48, 46, 40, 38, 41, 43, 49, 57, 62],
    { inside_C: 20, humidity_percent: 30, outside_C: -16 },
    { gust_ms: 45, terrain: 'open' },
  ),
};

/** What of the weather is not the job's own. */
export type Assumable = 'wind' | 'months' | 'climate';

/** The job with what it lacks of the weather taken from its generic climate, where one was chosen. */
export function withAssumed(job: Job): Job {
  if (!job.assumedClimate) return job;
  const { months, climate, wind } = genericClimates[job.assumedClimate];
  return {
    ...job,
    wind: job.wind ?? wind,
    climate: job.climate ?? climate,
    months: job.months ?? { source: 'generator', note: job.assumedClimate, rows: [...months] },
  };
}

/** What rests on the generic climate; nothing where none was chosen, or the job has all of its own. */
export const assumedIn = (job: Job): readonly Assumable[] =>
  job.assumedClimate
    ? (['wind', 'months', 'climate'] as const).filter((what) => job[what] === undefined)
    : [];
