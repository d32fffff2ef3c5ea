/** What it is like when a step is done: air, surface, humidity and wood, against what its materials ask for. */
import type { Entry } from '../documents/entry.ts';
import { dewPoint, saturationPressure } from '../quantities/psychrometrics.ts';
import type { FigureSource, MeasuredWhat } from '../vocabulary/measured.ts';
import { isOutside, type Ask } from './measured.ts';

export type ConditionFacts = Extract<NonNullable<Entry['facts']>, { kind: 'conditions' }>;

/** What the job's weather says of the hour. */
export interface AirNow {
  readonly at: string;
  readonly temperature_C: number;
  readonly dew_point_C?: number | undefined;
}

export interface Conditions {
  readonly facts: Omit<ConditionFacts, 'despite'>;
  /** Figures outside what is asked for, and a surface too near the dew point of its air. */
  readonly outside: readonly (
    | { readonly kind: 'limit'; readonly ask: Ask; readonly value: number }
    | { readonly kind: 'dew'; readonly surface_C: number; readonly dew_C: number }
  )[];
}

/** A surface nearer to the dew point of its air is taken as damp, K: common practice, no source. */
export const DEW_MARGIN_K = 3;
/** A figure that is older says little of now, ms: common practice, no source. */
const FRESH_ms = 2 * 3_600_000;
/** A row of weather stands for its hour. */
const HOUR_ms = 3_600_000;

const OF: Partial<Record<MeasuredWhat, keyof ConditionFacts>> = {
  surface: 'surface_C',
  air: 'air_C',
  humidity: 'humidity_percent',
  moisture: 'moisture_percent',
};

/** Of figures from several sources the one that says least. */
const weakest = (one: FigureSource | null, other: FigureSource): FigureSource =>
  (['simulated', 'weather', 'hand', 'instrument'] as const).find((by) => by === one || by === other) ?? other;

const humidityOf = ({ temperature_C, dew_point_C }: AirNow): number | null =>
  dew_point_C === undefined
    ? null
    : Math.min(100, (100 * saturationPressure(dew_point_C)) / saturationPressure(temperature_C));

/**
 * Returns the conditions of a step at a moment: the newest figures measured at this opening within two hours, and of the air
 * what nobody measured from the weather. A surface is never taken from the weather.
 *
 * @param entries of the opening, that stand, oldest first
 * @param weather rows of the job; none where its weather is invented
 */
export function conditionsAt(
  asks: readonly Ask[],
  entries: readonly Entry[],
  now: string,
  weather: readonly AirNow[] = [],
): Conditions {
  const at = Date.parse(now);
  const figures: { -readonly [K in keyof ConditionFacts]?: ConditionFacts[K] } = {};
  let by: FigureSource | null = null;
  for (const entry of entries) {
    const { facts } = entry;
    if (facts?.kind !== 'measured' || at - Date.parse(entry.at) > FRESH_ms) continue;
    const field = OF[facts.what];
    if (!field) continue;
    Object.assign(figures, { [field]: facts.value });
    by = weakest(by, facts.by ?? 'hand');
  }
  const row = weather.findLast((one) => Date.parse(one.at) <= at);
  if (row && at - Date.parse(row.at) < HOUR_ms && figures.air_C === undefined) {
    figures.air_C = row.temperature_C;
    const humidity = humidityOf(row);
    if (humidity !== null) figures.humidity_percent ??= Math.round(humidity);
    by = weakest(by, 'weather');
  }
  const outside: Conditions['outside'][number][] = [];
  for (const ask of asks) {
    const field = OF[ask.what];
    const value = field === undefined ? undefined : figures[field];
    if (typeof value === 'number' && isOutside(ask, value)) outside.push({ kind: 'limit', ask, value });
  }
  const { surface_C, air_C, humidity_percent } = figures;
  if (
    surface_C !== undefined &&
    air_C !== undefined &&
    humidity_percent !== undefined &&
    humidity_percent > 0
  ) {
    const dew_C = dewPoint(air_C, humidity_percent);
    if (surface_C < dew_C + DEW_MARGIN_K) outside.push({ kind: 'dew', surface_C, dew_C });
  }
  return { facts: { ...figures, kind: 'conditions', by: by ?? 'hand' }, outside };
}

/** Whether anything is known. */
export const areKnown = ({ facts }: Conditions): boolean => Object.keys(facts).length > 2;
